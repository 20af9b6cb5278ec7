import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { lastIntroducing } from '@map-step/core';
import { type ReactNode, useRef } from 'react';
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
        <chakra.p fontSize="xs" color="quiet" p="2" pt="6">
          Puts it together and checks: nothing new.
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

function Lane({ word, items, chipOf }: LaneProps) {
  const { answer } = useCourseView();
  return (
    <chakra.section position="relative" borderTop="1px solid" borderColor="line" pb="1">
      <chakra.h2 fontSize="xs" fontWeight="600" color="quiet" pl="1.5" lineHeight="1.3">
        {word}
      </chakra.h2>
      <chakra.div
        display="grid"
        gridTemplateColumns={`repeat(${answer.course.lessons.length}, minmax(0, 1fr))`}
        rowGap="0.5"
        alignItems="center"
      >
        {items.map(item => {
          const chip = chipOf(item.pattern.id);
          return (
            chip && (
              <Row key={item.pattern.id} item={item}>
                <FigureOnMap {...chip} />
              </Row>
            )
          );
        })}
      </chakra.div>
    </chakra.section>
  );
}

function Row({ item, children }: { item: LaneItem; children: ReactNode }) {
  const end = Math.max(item.lesson, ...item.reviews.map(({ lesson }) => lesson));
  return (
    <>
      {end > item.lesson && (
        <chakra.span
          aria-hidden
          gridRow={item.row}
          gridColumn={`${item.lesson} / ${end + 1}`}
          height="1px"
          bg="line"
          mr="50%"
        />
      )}
      <chakra.div gridRow={item.row} gridColumn={item.lesson} px="1" minW="0">
        {children}
      </chakra.div>
      {item.reviews.map(({ lesson, minutes }) => (
        <chakra.span
          key={lesson}
          gridRow={item.row}
          gridColumn={lesson}
          justifySelf="center"
          px="1"
          bg="paper"
          border="1px solid"
          borderColor="line"
          fontSize="xs"
          color="quiet"
          fontVariantNumeric="tabular-nums"
          title={`${item.pattern.name}: ${minutes} minutes of review`}
        >
          {minutes.toFixed(1)}
        </chakra.span>
      ))}
    </>
  );
}
