import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { lastIntroducing } from '@map-step/core';
import { memo, useRef } from 'react';
import { useCourseView } from '../course/course-view.ts';
import { FigureOnMap } from './figure-on-map.tsx';
import { LANES, type LaneItem, packLane } from './lanes.ts';
import { NeedCurves } from './need-curves.tsx';
import type { ChipProps, useChips } from './use-chips.ts';
import type { Selection } from './use-selection.ts';

export interface BoardProps {
  readonly selection: Selection;
  readonly chipOf: ReturnType<typeof useChips>;
}

/** Lanes of figures over the columns of the lessons; the columns stand under the beads of the barre. */
export function StrandBoard({ selection, chipOf }: BoardProps) {
  const { answer, draft, library } = useCourseView();
  const board = useRef<HTMLDivElement>(null);
  const count = answer.course.lessons.length;
  const lessons = draft.judgement?.lessons ?? [];
  const patterns = answer.course.items.flatMap(({ pattern }) => library.patterns.get(pattern) ?? []);
  return (
    <chakra.div ref={board} position="relative" minW={`${count * 4.25}rem`}>
      <chakra.div
        position="absolute"
        inset="0"
        display="grid"
        gridTemplateColumns={`repeat(${count}, minmax(0, 1fr))`}
      >
        {answer.course.lessons.map((_, index) => (
          <LessonColumn key={`column-${index + 1}`} lesson={index + 1} />
        ))}
      </chakra.div>
      {LANES.map(lane => (
        <Lane
          key={lane.id}
          word={lane.word}
          chipOf={chipOf}
          items={packLane(
            patterns.filter(({ kind }) => lane.kinds.some(laneKind => laneKind === kind)),
            draft.placed,
            lessons,
          )}
        />
      ))}
      <NeedCurves board={board} chosen={selection.last} />
    </chakra.div>
  );
}

function LessonColumn({ lesson }: { lesson: number }) {
  const { draft, lesson: current } = useCourseView();
  const isClosed = draft.problem !== undefined && lesson > lastIntroducing(draft.problem);
  const { setNodeRef, isOver } = useDroppable({ id: String(lesson), disabled: isClosed });
  return (
    <chakra.div
      ref={setNodeRef}
      borderLeft="1px solid"
      borderColor="line"
      bg={isOver ? 'nowTint' : lesson === current ? 'panel' : 'transparent'}
    >
      {isClosed && (
        <chakra.p fontSize="xs" color="quiet" px="1.5" lineHeight="1.3">
          nothing new
        </chakra.p>
      )}
    </chakra.div>
  );
}

interface LaneProps {
  readonly word: string;
  readonly items: readonly LaneItem[];
  readonly chipOf: (id: string) => ChipProps | undefined;
}

/** From so many lessons on, a chip reaches over its column, up to the first review mark. */
const NARROW_LESSONS = 10;

/** Hundreds of marks are drawn at every move: they are plain elements, dressed by their lane. */
const MARKS = {
  '& > .line': { height: '1px', bg: 'line', mr: '50%' },
  '& > .place': { px: '1', minW: '0' },
  '&[data-narrow] > .place': { mr: '-1.15rem', pl: '0.5' },
  '& > .review': {
    justifySelf: 'center',
    px: '1',
    bg: 'paper',
    border: '1px solid',
    borderColor: 'line',
    fontSize: 'xs',
    color: 'quiet',
    fontVariantNumeric: 'tabular-nums',
  },
};

function Lane({ word, items, chipOf }: LaneProps) {
  const count = useCourseView().answer.course.lessons.length;
  return (
    <chakra.section position="relative" borderTop="1px solid" borderColor="line" pb="1">
      <chakra.h2 fontSize="xs" fontWeight="600" color="quiet" pl="1.5" lineHeight="1.3">
        {word}
      </chakra.h2>
      <chakra.div
        display="grid"
        gridTemplateColumns={`repeat(${count}, minmax(0, 1fr))`}
        rowGap="0.5"
        alignItems="center"
        css={MARKS}
        data-narrow={count >= NARROW_LESSONS || undefined}
      >
        {items.map(item => {
          const chip = chipOf(item.pattern.id);
          return chip && <Row key={item.pattern.id} item={item} chip={chip} />;
        })}
      </chakra.div>
    </chakra.section>
  );
}

interface RowProps {
  readonly item: LaneItem;
  readonly chip: ChipProps;
}

/** A figure with its review marks behind it. Drawn again only when something of it has changed. */
const Row = memo(function Row({ item, chip }: RowProps) {
  const { lesson, row, reviews, pattern } = item;
  const end = Math.max(lesson, ...reviews.map(review => review.lesson));
  return (
    <>
      {end > lesson && (
        <span aria-hidden className="line" style={{ gridRow: row, gridColumn: `${lesson} / ${end + 1}` }} />
      )}
      <div className="place" style={{ gridRow: row, gridColumn: lesson }}>
        <FigureOnMap {...chip} />
      </div>
      {reviews.map(review => (
        <span
          key={review.lesson}
          className="review"
          style={{ gridRow: row, gridColumn: review.lesson }}
          title={`${pattern.name}: ${review.minutes} minutes of review`}
        >
          {review.minutes.toFixed(1)}
        </span>
      ))}
    </>
  );
}, isSameRow);

function isSameRow(before: RowProps, after: RowProps): boolean {
  const keys = Object.keys(after.chip) as (keyof ChipProps)[];
  return (
    before.item.pattern === after.item.pattern &&
    before.item.lesson === after.item.lesson &&
    before.item.row === after.item.row &&
    before.item.reviews.length === after.item.reviews.length &&
    before.item.reviews.every((review, index) => review.minutes === after.item.reviews[index]?.minutes) &&
    keys.every(key => before.chip[key] === after.chip[key])
  );
}
