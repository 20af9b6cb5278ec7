import { chakra } from '@chakra-ui/react';
import { type FigureLog, figureName, findContradictions, type Log } from '@map-step/core';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { personName } from '../studio/studio-queries.ts';
import { RESULTS } from './mark-row.tsx';
import type { LessonLog } from './use-log.ts';

/** Marks of this lesson by people who had not seen each other's: both are kept, and somebody decides. */
export function Contradictions({ log }: { log: LessonLog }) {
  const { section } = useClass();
  const { lesson } = usePlace();
  const { library, studio } = useCourse();
  const mayTeach = useMayTeach();
  const logs = (section?.logs ?? []).filter(
    (entry): entry is FigureLog => entry.lesson === lesson && entry.pattern !== undefined,
  );
  const open = findContradictions(
    logs,
    entry => entry.pattern,
    entry => entry.result,
  );
  return open.map(({ subject, newest, unseen }) => {
    const entries: readonly Log[] = [...unseen, newest];
    const results = RESULTS.filter(({ id }) => entries.some(({ result }) => result === id));
    return (
      <chakra.div key={subject} mb="3">
        <Notice tone="stop" title={`${figureName(library, subject)}: two people saw it differently`}>
          <chakra.ul listStyleType="none" p="0">
            {entries.map(({ id, by, result, note }) => (
              <li key={id}>
                {personName(studio, by)}: {wordOf(result)}
                {note ? `. ${note}` : ''}
              </li>
            ))}
          </chakra.ul>
          {mayTeach ? (
            <chakra.div display="flex" gap="2" mt="2" flexWrap="wrap">
              {results.map(({ id, word }) => (
                <Button key={id} size="small" onClick={() => log.tap(subject, id)}>
                  It was {word.toLowerCase()}
                </Button>
              ))}
            </chakra.div>
          ) : (
            <Label>Until its teachers decide, the newest counts.</Label>
          )}
        </Notice>
      </chakra.div>
    );
  });
}

function wordOf(result: Log['result']): string {
  return RESULTS.find(({ id }) => id === result)?.word.toLowerCase() ?? result;
}
