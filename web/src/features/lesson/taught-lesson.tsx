import { chakra } from '@chakra-ui/react';
import { figureName, standingLogs, standingPrepared } from '@map-step/core';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label, TwoColumns } from '../../ui/parts.tsx';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { useElementName } from '../course/use-elements.ts';
import { Contradictions } from './contradictions.tsx';
import { CorrectionNotice } from './correction.tsx';
import { MarkRow, RESULTS } from './mark-row.tsx';
import { useLessonLog } from './use-log.ts';
import { useNotes } from './use-notes.ts';
import type { Supposed } from './use-plan-with.ts';
import { WhatItMeans } from './what-it-means.tsx';

const NOTE_WORDS = { note: 'Noted', else: 'We also did', song: 'Song' } as const;

/** A lesson that is behind the class: what happened in it, and where what was not reached went. */
export function TaughtLesson() {
  const { section } = useClass();
  const { lesson } = usePlace();
  const { library } = useCourse();
  const mayTeach = useMayTeach();
  const log = useLessonLog();
  const notes = useNotes();
  const [correction, correct] = useState<Supposed>();
  const logs = standingLogs(section?.logs ?? []).filter(entry => entry.lesson === lesson);
  const prepared = standingPrepared(section?.logs ?? []).filter(entry => entry.lesson === lesson);
  const elementName = useElementName();
  const name = (id: string) => figureName(library, id);
  return (
    <TwoColumns>
      <WhatFollows />
      <chakra.section aria-label="What happened">
        {log.error && <Failure error={log.error} />}
        <Contradictions log={log} />
        {correction && (
          <CorrectionNotice
            correction={correction}
            save={() => {
              log.tap(correction.pattern, correction.result);
              correct(undefined);
            }}
            leave={() => correct(undefined)}
          />
        )}
        <chakra.ul listStyleType="none" p="0" borderTop="2px solid" borderColor="ink">
          {logs.map(({ pattern, result, minutes, note }) => (
            <chakra.li key={pattern} py="2" borderBottom="1px solid" borderColor="line">
              {mayTeach ? (
                <MarkRow
                  id={pattern}
                  showName
                  log={log}
                  onTap={chosen => chosen !== result && correct({ pattern, result: chosen })}
                />
              ) : (
                <p>
                  {name(pattern)}: {RESULTS.find(({ id }) => id === result)?.word.toLowerCase()}
                  {note ? `. ${note}` : ''}
                </p>
              )}
              {!mayTeach && minutes !== undefined && <Label>{minutes} min</Label>}
            </chakra.li>
          ))}
        </chakra.ul>
        {prepared.map(({ element, result }) => (
          <chakra.div key={element} py="2" borderBottom="1px solid" borderColor="line">
            <Label>For next time</Label>
            {mayTeach ? (
              <MarkRow id={element} name={elementName(element)} showName log={log.prepared} />
            ) : (
              <p>
                {elementName(element)}: {RESULTS.find(({ id }) => id === result)?.word.toLowerCase()}
              </p>
            )}
          </chakra.div>
        ))}
        {logs.length === 0 && <p>Nothing was logged in this lesson.</p>}
        {notes.notes.map(({ id, kind, text, tempo }) => (
          <p key={id}>
            <Label>{NOTE_WORDS[kind]}: </Label>
            {text}
            {tempo === undefined ? '' : `, ${tempo} beats a minute`}
          </p>
        ))}
        <chakra.div mt="5">
          <WhatItMeans />
        </chakra.div>
      </chakra.section>
    </TwoColumns>
  );
}

/** Where what was not reached went, and the ways on. */
function WhatFollows() {
  const { section, classPlan } = useClass();
  const { lesson, goTo } = usePlace();
  const { library, answer } = useCourse();
  const navigate = useNavigate();
  const { search } = useLocation();
  const carried = standingLogs(section?.logs ?? []).filter(
    entry => entry.lesson === lesson && classPlan?.progress.carried.includes(entry.pattern),
  );
  return (
    <chakra.aside display="grid" gap="3" aria-label="This lesson">
      <chakra.h2 fontSize="xl">Lesson {lesson}, taught</chakra.h2>
      {carried.map(({ pattern }) => {
        const to = classPlan?.answer.placed[pattern];
        const name = figureName(library, pattern);
        return (
          <Notice
            key={pattern}
            tone="now"
            title={to ? `${name} goes to lesson ${to}` : `${name} no longer fits into this course`}
          />
        );
      })}
      <Button
        look="next"
        size="large"
        onClick={() => void navigate(`/courses/${answer.course.id}/recap${search}`)}
      >
        Recap of lesson {lesson}
      </Button>
      {lesson < answer.course.lessons.length && (
        <Button onClick={() => goTo(lesson + 1)}>To lesson {lesson + 1}</Button>
      )}
    </chakra.aside>
  );
}
