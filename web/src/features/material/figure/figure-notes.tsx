import { chakra } from '@chakra-ui/react';
import { cautionNotice, cautionsOf, markCount, type PatternMark } from '@map-step/core';
import { dequal } from 'dequal/lite';
import { X } from 'lucide-react';
import { Group } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { MARK_WORDS, MarkSign } from './mark-sign.tsx';
import { NoteForm } from './note-form.tsx';
import type { SheetPlace } from './sheet-place.ts';
import type { FigureEditing } from './use-figure-draft.ts';

interface FigureNotesProps {
  readonly editing: FigureEditing;
  /** Where a note is being written. */
  readonly place: SheetPlace | undefined;
  begin(place: SheetPlace | undefined): void;
}

/** Cues, signals, faults and cautions, with the count and role they hang on; cautions with the usual wording. */
export function FigureNotes({ editing, place, begin }: FigureNotesProps) {
  const { studio } = useCourse();
  const { pattern } = editing;
  const marks = pattern.marks ?? [];
  const cautions = cautionsOf(pattern, studio.studio);
  const setMarks = (what: string, change: (marks: readonly PatternMark[]) => readonly PatternMark[]) =>
    editing.change(what, ({ marks: before = [], ...rest }) => {
      const next = change(before);
      return next.length > 0 ? { ...rest, marks: next } : rest;
    });
  return (
    <Group title="To teach it">
      {marks.length === 0 && !editing.mayWrite && <Label>Nothing is written down yet.</Label>}
      {marks.map(mark => (
        <chakra.div key={`${mark.kind} ${mark.text} ${mark.code}`} display="flex" gap="2" alignItems="start">
          <chakra.div flex="1">
            <MarkSign mark={mark} />
            <Label>
              {MARK_WORDS[mark.kind]}
              {placeWords(editing, mark)}
              {mark.cure && `. In practice: ${mark.cure}`}
              {mark.rescue && `. On the floor: ${mark.rescue}`}
            </Label>
          </chakra.div>
          {editing.mayWrite && (
            <Button
              look="quiet"
              size="small"
              aria-label={`Take away: ${mark.text || mark.code}`}
              onClick={() => setMarks('Note taken away', now => now.filter(one => !dequal(one, mark)))}
            >
              <X size={16} aria-hidden />
            </Button>
          )}
        </chakra.div>
      ))}
      {editing.mayWrite &&
        (place ? (
          <NoteForm
            editing={editing}
            place={place}
            close={() => begin(undefined)}
            add={mark => {
              setMarks(MARK_WORDS[mark.kind], now => [...now, mark]);
              begin(undefined);
            }}
          />
        ) : (
          <Button
            size="small"
            justifySelf="start"
            onClick={() => begin({ role: firstRole(editing), step: -1 })}
          >
            Write a note
          </Button>
        ))}
      {cautions.length > 0 && (
        <chakra.div borderLeft="4px solid" borderColor="caution" pl="3" display="grid" gap="1">
          {cautions.map(text => (
            <p key={text}>{text}</p>
          ))}
          <Label>{cautionNotice(studio.localRules)}</Label>
        </chakra.div>
      )}
    </Group>
  );
}

function firstRole(editing: FigureEditing): SheetPlace['role'] {
  return editing.reading.figure.dance.roles === 'solo' ? 'solo' : 'lead';
}

function placeWords({ reading }: FigureEditing, { event, role }: PatternMark): string {
  if (event === undefined) return '';
  return ` on count ${markCount(reading.figure, event)}${role === 'follow' ? ', follower' : role === 'lead' ? ', leader' : ''}`;
}
