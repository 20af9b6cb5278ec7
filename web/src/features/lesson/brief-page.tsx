import { chakra } from '@chakra-ui/react';
import { figureName, type RunningOrder, standingLogs, standingNotes } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Group, GroupColumns } from '../../ui/group.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { CombinationOfLesson } from '../combine/combination-of-lesson.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { promiseInWords } from '../course/promise-words.ts';
import { useBrokenPromises } from '../course/use-broken-promises.ts';
import { personName } from '../studio/studio-queries.ts';
import { BriefFigures } from './brief-figures.tsx';
import { Tonight } from './tonight.tsx';
import { useLessonOrder } from './use-lesson-order.ts';

/** A class handed over on one page: where it is, what is shaky, who dances, tonight's order, what was promised. */
export function BriefPage() {
  const { answer, studio } = useCourse();
  const { section, classPlan } = useClass();
  const { lesson } = usePlace();
  const lessonOrder = useLessonOrder();
  if (!section) return <Empty title="No class follows this course yet">There is nothing to hand over.</Empty>;
  if (!classPlan || !lessonOrder) return <Skeleton lines={8} />;
  const { order } = lessonOrder;
  const unwritten = classPlan.progress.unwritten.filter(before => before < lesson);
  const { dates, room, start, staff } = section.section;
  const date = dates[lesson - 1];
  const { lead, follow, solo } = section.counts;
  const recap = section.recaps
    .filter(({ audience, lesson: of }) => audience === 'students' && of < lesson)
    .toSorted((a, b) => b.lesson - a.lesson)[0];
  const teachers = staff
    .filter(({ from, to }) => date === undefined || ((from ?? date) <= date && date <= (to ?? date)))
    .map(({ person }) => personName(studio, person));
  return (
    <chakra.article maxW="70rem" css={{ '@media print': { zoom: onOnePage(order), maxWidth: 'none' } }}>
      <chakra.div display="flex" gap="3" alignItems="baseline" flexWrap="wrap" mb="3">
        <chakra.h2 fontSize="2xl">
          {answer.course.name}, lesson {lesson} of {answer.course.lessons.length}
        </chakra.h2>
        <chakra.div className="no-print" ml="auto">
          <Button onClick={() => window.print()}>Print it</Button>
        </chakra.div>
      </chakra.div>
      <chakra.p mb="4">
        {[
          date && format(parseISO(date), 'EEEE d MMMM'),
          start,
          studio.rooms.find(({ id }) => id === room)?.name,
          solo > 0 ? `${solo} dancers` : `${lead} lead, ${follow} follow`,
          `taught by ${[...new Set(teachers)].join(', ') || 'nobody yet'}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </chakra.p>
      <GroupColumns>
        <Tonight {...lessonOrder} tellsPromises={false} />
        <Group title="The evening">
          {order.blocks.map(({ kind, title, from, minutes, patterns, element }) => (
            <p key={`${kind} ${title}`}>
              <chakra.time fontWeight="700" fontVariantNumeric="tabular-nums">
                {from}
              </chakra.time>{' '}
              {title} <Label>{minutes} min</Label>
              {kind !== 'new' && kind !== 'combine' && patterns.length > 0 && <Names ids={patterns} />}
              {kind === 'new' && patterns.length > 1 && (
                <>
                  <Names ids={patterns.slice(1)} />
                  <Label> in passing</Label>
                </>
              )}
              {element && <Label>: {element.how}</Label>}
            </p>
          ))}
        </Group>
        <Group title="Combine">
          <CombinationOfLesson />
        </Group>
        {unwritten.length > 0 && (
          <Group title="Taken as planned">
            {unwritten.map(before => (
              <p key={before}>Nothing was written of lesson {before}.</p>
            ))}
          </Group>
        )}
        <FromLastTime />
        {recap && (
          <Group title={`What was promised after lesson ${recap.lesson}`}>
            {recap.promises.length === 0 && <p>Nothing by name.</p>}
            {recap.promises.map(id => (
              <Promised key={id} pattern={id} lesson={recap.lesson} />
            ))}
          </Group>
        )}
        <BriefFigures order={order} />
      </GroupColumns>
    </chakra.article>
  );
}

/** How much smaller it is printed, so that it is one sheet also on an evening with many new figures. */
function onOnePage({ blocks }: RunningOrder): number {
  return blocks.filter(({ kind }) => kind === 'new').length > MOST_AT_EASE ? 0.58 : 0.7;
}

const MOST_AT_EASE = 4;

/** A figure that was promised, and whether the plan still holds it. */
function Promised({ pattern, lesson }: { pattern: string; lesson: number }) {
  const { library } = useCourse();
  const broken = (useBrokenPromises() ?? []).find(one => one.pattern === pattern && one.lesson === lesson);
  return (
    <p>
      {figureName(library, pattern)}
      <Label>: {broken ? promiseInWords(broken) : 'tonight, as promised'}</Label>
    </p>
  );
}

/** What the one who taught last wrote down, of figures and besides. */
function FromLastTime() {
  const { library } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section) return null;
  const last = lesson - 1;
  const ofFigures = standingLogs(section.logs).filter(log => log.lesson === last && log.note);
  const others = standingNotes(section.notes).filter(note => note.lesson === last && note.kind !== 'song');
  if (ofFigures.length + others.length === 0) return null;
  return (
    <Group title={`Noted in lesson ${last}`}>
      {ofFigures.map(({ id, pattern, note }) => (
        <p key={id}>
          {figureName(library, pattern)}: {note}
        </p>
      ))}
      {others.map(({ id, text }) => (
        <p key={id}>{text}</p>
      ))}
    </Group>
  );
}

function Names({ ids }: { ids: readonly string[] }) {
  const { library } = useCourse();
  return <Label>: {ids.map(id => library.patterns.get(id)?.name ?? id).join(', ')}</Label>;
}
