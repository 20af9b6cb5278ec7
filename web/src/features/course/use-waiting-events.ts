import type { CheckAnswer, MarkEntry, SectionAnswer, SignedInPerson } from '@map-step/contract';
import type { Attendance, LessonNote, Log } from '@map-step/core';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { keepEvent, ownerOf, sendWaiting, type WaitingEvent } from '../../api/outbox.ts';
import { useOutbox } from '../../api/use-outbox.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { keys, sectionQuery } from './course-queries.ts';
import type { LessonEvent } from './course-view.ts';

/** The class with what this person has put down but the server has not got yet. */
export function useWaitingEvents(me: SignedInPerson | null, stored: SectionAnswer | undefined) {
  const client = useQueryClient();
  const id = stored?.section.id;
  const calls = useMemo(
    () => ({
      onSent: (event: WaitingEvent) => {
        if (event.kind === 'mark')
          client.setQueryData<CheckAnswer>(
            keys.check(event.section, event.check),
            answer => answer && withMark(answer, event.entry, me?.id ?? ''),
          );
        client.setQueryData(
          sectionQuery(event.section).queryKey,
          answer => answer && withWaiting(answer, [event], me?.id ?? ''),
        );
      },
      onSessionLost: () => void client.invalidateQueries({ queryKey: sessionQuery.queryKey }),
    }),
    [client, me],
  );
  const all = useOutbox(me, calls);
  const waiting = useMemo(() => all.filter(event => event.section === id), [all, id]);
  const section = useMemo(() => stored && me && withWaiting(stored, waiting, me.id), [stored, waiting, me]);
  const keep = useCallback(
    (event: LessonEvent) => {
      if (!me || !id) return;
      const owner = ownerOf(me);
      void keepEvent({ owner, section: id, ...event }).then(() => sendWaiting(owner, calls));
    },
    [me, id, calls],
  );
  return { waiting, keep, section: section ?? undefined };
}

/** A mark that has arrived, until the check is read again. */
function withMark(answer: CheckAnswer, entry: MarkEntry, by: string): CheckAnswer {
  const { body } = answer;
  if (body.marks.some(({ id }) => id === entry.id)) return answer;
  return { ...answer, body: { ...body, marks: [...body.marks, { ...entry, by }] } };
}

function withWaiting(stored: SectionAnswer, waiting: readonly WaitingEvent[], by: string): SectionAnswer {
  const there = new Set([...stored.logs, ...stored.attendance, ...stored.notes].map(({ id }) => id));
  const logs: Log[] = [];
  const attendance: Attendance[] = [];
  const notes: LessonNote[] = [];
  for (const event of waiting) {
    if (event.refused !== undefined || there.has(event.entry.id)) continue;
    const signed = { section: event.section, by };
    if (event.kind === 'log') logs.push({ ...event.entry, ...signed });
    if (event.kind === 'attendance') attendance.push({ ...event.entry, ...signed });
    if (event.kind === 'note') notes.push({ ...event.entry, ...signed });
  }
  if (logs.length + attendance.length + notes.length === 0) return stored;
  return {
    ...stored,
    logs: [...stored.logs, ...logs],
    attendance: [...stored.attendance, ...attendance],
    notes: [...stored.notes, ...notes],
  };
}
