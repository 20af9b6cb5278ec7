import { chakra } from '@chakra-ui/react';
import { DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { judgePlan, lastIntroducing } from '@map-step/core';
import { useState } from 'react';
import { Failure } from '../../ui/failure.tsx';
import { Empty, Notice, Spoken } from '../../ui/parts.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { useCourseView } from '../course/course-view.ts';
import { Clash } from './clash.tsx';
import { MinutesProfile } from './minutes-profile.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { StrandBoard } from './strand-board.tsx';
import { usePlacing } from './use-placing.ts';
import { withNames } from './words.ts';

/** Strands across lessons: where each figure of the level is introduced, and what that costs and breaks. */
export function MapPage() {
  const { draft, library, me, answer } = useCourseView();
  const placing = usePlacing();
  const [chosen, choose] = useState<string>();
  const [spoken, say] = useState('');
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  useKeys({
    'Ctrl+z': () => placing.undo?.(),
    'Ctrl+Shift+Z': () => placing.redo?.(),
    Escape: () => choose(undefined),
  });
  const { problem, judgement } = draft;
  if (!problem || !judgement)
    return (
      <Notice tone="stop" title="This course cannot be planned yet">
        <chakra.ul pl="5">
          {draft.faults.map(fault => (
            <li key={fault}>{withNames(fault, library)}</li>
          ))}
        </chakra.ul>
      </Notice>
    );
  if (answer.course.items.length === 0)
    return (
      <Empty title="Nothing to teach yet">Import the figures of this level from the programme page.</Empty>
    );

  const mayChange = me.role === 'director';
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const move = (id: string, to: number | null) => {
    if (!mayChange || to === (draft.placed[id] ?? null)) return;
    if (to !== null && (to < 1 || to > lastIntroducing(problem))) return;
    const words = to === null ? `${nameOf(id)} left out` : `${nameOf(id)} to lesson ${to}`;
    const after = { ...draft.placed, [id]: to } as Record<string, number>;
    if (to === null) delete after[id];
    const broken = judgePlan(problem, after).broken.map(rule => `${nameOf(rule.at)} ${rule.message}`);
    placing.place([{ pattern: id, to }], words);
    say(`${words}. ${broken.length ? withNames(broken.join('. '), library) : 'Nothing is broken.'}`);
  };
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over) move(String(active.id), over.id === 'left' ? null : Number(over.id));
  };

  return (
    <DndContext
      sensors={sensors}
      onDragEnd={onDragEnd}
      onDragStart={({ active }) => choose(String(active.id))}
    >
      <chakra.div
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '15.5rem minmax(0, 1fr)' }}
        gap="5"
        alignItems="start"
      >
        <PlanPanel placing={placing} chosen={chosen} choose={choose} move={move} />
        <chakra.div overflowX={{ base: 'auto', lg: 'visible' }} minW="0">
          {placing.clash ? (
            <Clash placing={placing} />
          ) : (
            placing.error && <Failure error={placing.error} retry={placing.dismiss} />
          )}
          <StrandBoard chosen={chosen} choose={choose} move={move} />
          <MinutesProfile />
        </chakra.div>
      </chakra.div>
      <Spoken aria-live="polite">{spoken}</Spoken>
    </DndContext>
  );
}
