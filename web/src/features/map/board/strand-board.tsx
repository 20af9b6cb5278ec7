import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { figureName, lastIntroducing, type Pattern } from '@map-step/core';
import { dequal } from 'dequal/lite';
import { memo, useRef } from 'react';
import { useCourse, usePlace, usePlan } from '../../course/course-context.ts';
import type { DraftPlan } from '../../course/course-view.ts';
import { AheadLane } from './ahead-lane.tsx';
import { FigureOnMap, type FigureOnMapProps } from './figure-on-map.tsx';
import { LANES, type LaneItem, NARROW_LESSONS, packLane } from './lanes.ts';
import { MinutesProfile } from './minutes-profile.tsx';
import { NeedCurves } from './need-curves.tsx';
import type { ChipsOf } from './use-chips.ts';

interface BoardProps {
  readonly chosen: string | undefined;
  readonly chipOf: ChipsOf;
}

/**
 * Hundreds of marks are drawn at every move: they are plain elements, dressed by their board, and what they share they
 * inherit from it.
 */
const BOARD = {
  position: 'relative',
  '& > .columns': { position: 'absolute', inset: '0', display: 'grid' },
  '& > section': { position: 'relative', borderTop: '1px solid', borderColor: 'line', pb: '1' },
  '& > section > h2': { fontSize: 'xs', fontWeight: '600', color: 'quiet', pl: '1.5', lineHeight: '1.3' },
  '& > section > div': {
    display: 'grid',
    rowGap: '0.5',
    alignItems: 'center',
    fontSize: 'xs',
    color: 'quiet',
    fontVariantNumeric: 'tabular-nums',
  },
  '& .line': { height: '1px', bg: 'line', mr: '50%' },
  '& .place': { padding: '0 0.25rem', minWidth: '0px' },
  '& [data-narrow] > .place': { marginRight: '-1.15rem', paddingLeft: '0.125rem' },
  '& .review': {
    justifySelf: 'center',
    padding: '0 0.25rem',
    bg: 'paper',
    border: '1px solid',
    borderColor: 'line',
  },
  // Danced in passing, within another figure of the evening.
  '& .review.within': { borderStyle: 'dotted', borderColor: 'quiet', borderRadius: 'full' },
} as const;

/** Lanes of figures over the columns of the lessons; the columns stand under the beads of the barre. */
export function StrandBoard({ chosen, chipOf }: BoardProps) {
  const { answer, library, over } = useCourse();
  const { draft } = usePlan();
  const { lesson: open } = usePlace();
  const { items, lessons } = answer.course;
  const board = useRef<HTMLDivElement>(null);
  const count = lessons.length;
  const patterns = items.flatMap(({ pattern }) => library.patterns.get(pattern) ?? []);
  const last = draft.problem ? lastIntroducing(draft.problem) : count;
  return (
    <>
      <chakra.div ref={board} css={BOARD} style={{ minWidth: `${count * 4.25}rem` }}>
        <div className="columns" style={{ gridTemplateColumns: `repeat(${count}, minmax(0, 1fr))` }}>
          {Array.from({ length: count }, (_, index) => (
            <LessonColumn
              key={`column-${index + 1}`}
              lesson={index + 1}
              isOpen={index + 1 === open}
              state={index < over ? 'over' : index + 1 > last ? 'closed' : 'open'}
            />
          ))}
        </div>
        {LANES.map(lane => (
          <Lane key={lane.id} {...{ lane, patterns, count, draft, chipOf }} />
        ))}
        <AheadLane count={count} />
        <NeedCurves board={board} chosen={chosen} library={library} draft={draft} />
      </chakra.div>
      <MinutesProfile lessons={lessons} planned={draft.judgement?.lessons} />
    </>
  );
}

interface LessonColumnProps {
  readonly lesson: number;
  readonly isOpen: boolean;
  /** Nothing new may come into a lesson that is closed, or that is over. */
  readonly state: 'open' | 'closed' | 'over';
}

const NOTHING_COMES = { closed: 'nothing new', over: 'over' } as const;

function LessonColumn({ lesson, isOpen, state }: LessonColumnProps) {
  const { setNodeRef, isOver } = useDroppable({ id: String(lesson), disabled: state !== 'open' });
  return (
    <chakra.div
      ref={setNodeRef}
      borderLeft="1px solid"
      borderColor="line"
      bg={isOver ? 'nowTint' : state === 'over' ? 'line/45' : isOpen ? 'panel' : 'transparent'}
    >
      {state !== 'open' && (
        <chakra.p fontSize="xs" color="quiet" px="1" lineHeight="1.3" whiteSpace="nowrap" textAlign="end">
          {NOTHING_COMES[state]}
        </chakra.p>
      )}
    </chakra.div>
  );
}

interface LaneProps {
  readonly lane: (typeof LANES)[number];
  /** Of the whole course. */
  readonly patterns: readonly Pattern[];
  /** Of lessons. */
  readonly count: number;
  readonly draft: DraftPlan;
  readonly chipOf: ChipsOf;
}

function Lane({ lane, patterns, count, draft, chipOf }: LaneProps) {
  const own = patterns.filter(({ kind }) => lane.kinds.some(laneKind => laneKind === kind));
  const items = packLane(own, draft.placed, draft.judgement?.lessons ?? []);
  return (
    <section>
      <h2>{lane.word}</h2>
      <div
        style={{ gridTemplateColumns: `repeat(${count}, minmax(0, 1fr))` }}
        data-narrow={count >= NARROW_LESSONS || undefined}
      >
        {items.map(item => {
          const chip = chipOf(item.pattern.id);
          return chip && <Row key={item.pattern.id} item={item} chip={chip} />;
        })}
      </div>
    </section>
  );
}

interface RowProps {
  readonly item: LaneItem;
  readonly chip: FigureOnMapProps;
}

/** A figure with its review marks behind it. Drawn again only when something of it has changed. */
const Row = memo(function Row({ item, chip }: RowProps) {
  const { library } = useCourse();
  const { lesson, row, reviews } = item;
  const end = Math.max(lesson, ...reviews.map(review => review.lesson));
  return (
    <>
      {end > lesson && (
        <span aria-hidden className="line" style={{ gridRow: row, gridColumn: `${lesson} / ${end + 1}` }} />
      )}
      <div className="place" style={{ gridRow: row, gridColumn: lesson }}>
        <FigureOnMap {...chip} />
      </div>
      {reviews.map((review, index) => (
        <span
          key={`review-${index + 1}`}
          className={review.within ? 'review within' : 'review'}
          title={review.within && `in passing, within ${figureName(library, review.within)}`}
          style={{ gridRow: row, gridColumn: review.lesson }}
        >
          {review.minutes.toFixed(1)}
        </span>
      ))}
    </>
  );
}, dequal);
