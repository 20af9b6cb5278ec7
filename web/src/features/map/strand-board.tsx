import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { lastIntroducing, type Pattern } from '@map-step/core';
import { type ReactNode, useRef } from 'react';
import { useCourseView } from '../course/course-view.ts';
import { FigureOnMap, type MoveFigure } from './figure-on-map.tsx';
import { LANES, packLane } from './lanes.ts';
import { NeedCurves } from './need-curves.tsx';

export interface BoardProps {
  readonly chosen: string | undefined;
  readonly choose: (id: string | undefined) => void;
  readonly move: MoveFigure;
}

/** Lanes of figures over the columns of the lessons; the columns stand under the beads of the barre. */
export function StrandBoard(props: BoardProps) {
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
          {...props}
          word={lane.word}
          items={packLane(
            patterns.filter(({ kind }) => lane.kinds.some(laneKind => laneKind === kind)),
            draft.placed,
            lessons,
          )}
        />
      ))}
      <NeedCurves board={board} chosen={props.chosen} />
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

interface LaneProps extends BoardProps {
  readonly word: string;
  readonly items: ReturnType<typeof packLane>;
}

function Lane({ word, items, chosen, choose, move }: LaneProps) {
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
        {items.map(item => (
          <Row key={item.pattern.id} item={item}>
            <FigureOnMap
              pattern={item.pattern as Pattern}
              lesson={item.lesson}
              isChosen={chosen === item.pattern.id}
              choose={choose}
              move={move}
            />
          </Row>
        ))}
      </chakra.div>
    </chakra.section>
  );
}

function Row({ item, children }: { item: LaneProps['items'][number]; children: ReactNode }) {
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
