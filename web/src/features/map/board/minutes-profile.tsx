import { chakra } from '@chakra-ui/react';
import type { CourseLesson, PlannedLesson } from '@map-step/core';
import { memo } from 'react';
import { type LessonMinutes, lessonMinutes } from '../../course/lesson-minutes.ts';
import { MinutesBar } from '../../course/minutes-bar.tsx';
import { NARROW_LESSONS } from './lanes.ts';

const show = (minutes: number) => (Number.isInteger(minutes) ? String(minutes) : minutes.toFixed(1));

interface MinutesProfileProps {
  readonly lessons: readonly CourseLesson[];
  readonly planned: readonly PlannedLesson[] | undefined;
}

/** The minutes of each lesson, stacked to scale against its length. */
export function MinutesProfile({ lessons, planned }: MinutesProfileProps) {
  return (
    <chakra.section
      aria-label="Minutes of each lesson"
      borderTop="2px solid"
      borderColor="ink"
      pt="2"
      pb="1"
      bg="paper"
      position={{ lg: 'sticky' }}
      bottom="0"
      zIndex="3"
      minW={`${lessons.length * 4.25}rem`}
    >
      <chakra.h2 fontSize="xs" fontWeight="600" color="quiet" pl="1.5" pb="1">
        Minutes of each lesson
      </chakra.h2>
      <chakra.div display="grid" style={{ gridTemplateColumns: `repeat(${lessons.length}, minmax(0, 1fr))` }}>
        {lessons.map((lesson, index) => (
          <LessonColumn
            key={`minutes-${index + 1}`}
            {...lessonMinutes(lesson, planned?.[index])}
            isNarrow={lessons.length >= NARROW_LESSONS}
          />
        ))}
      </chakra.div>
    </chakra.section>
  );
}

/** Several change at one move: what stands in them are plain elements, dressed by their column. */
const Column = chakra('div', {
  base: {
    px: '1.5',
    display: 'grid',
    '& > .words': {
      fontSize: 'xs',
      lineHeight: '1.3',
      fontVariantNumeric: 'tabular-nums',
      whiteSpace: 'nowrap',
    },
    '& > .words > .free': { color: 'quiet' },
    '& > .words > .over': { color: 'stop', fontWeight: '700' },
  },
  variants: {
    isNarrow: {
      true: { gap: '1', alignContent: 'end' },
      false: {
        gridTemplateColumns: '1.4rem 1fr',
        gap: '2',
        alignItems: 'end',
        '& > .bar': { height: '5.5rem' },
      },
    },
  },
});

/** Drawn again only when its minutes have changed. */
const LessonColumn = memo(function LessonColumn({
  isNarrow,
  ...minutes
}: LessonMinutes & { isNarrow: boolean }) {
  const unit = isNarrow ? '' : ' min';
  const words = (
    <div className="words">
      {!isNarrow && <p>{show(minutes.fixed)} fixed</p>}
      <p>{show(minutes.review)} review</p>
      <strong>{show(minutes.new)} new</strong>
      <p className={minutes.free < 0 ? 'over' : 'free'}>
        {minutes.free < 0 ? `${show(-minutes.free)}${unit} over` : `${show(minutes.free)}${unit} free`}
      </p>
    </div>
  );
  return (
    <Column isNarrow={isNarrow}>
      {isNarrow && words}
      <div className="bar">
        <MinutesBar minutes={minutes} direction={isNarrow ? 'row' : 'column'} />
      </div>
      {!isNarrow && words}
    </Column>
  );
});
