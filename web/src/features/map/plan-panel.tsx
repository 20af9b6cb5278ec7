import { chakra } from '@chakra-ui/react';
import { useDroppable } from '@dnd-kit/core';
import { format } from 'date-fns';
import { Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Button, Field, Label, Notice, TextArea } from '../../ui/parts.tsx';
import { placedOf, useCourseView } from '../course/course-view.ts';
import { ChosenFigure } from './chosen-figure.tsx';
import { FigureOnMap, type MoveFigure } from './figure-on-map.tsx';
import type { Placing } from './use-placing.ts';
import { usePlanner } from './use-planner.ts';
import { Verdict } from './verdict.tsx';

interface PanelProps {
  readonly placing: Placing;
  readonly chosen: string | undefined;
  readonly choose: (id: string | undefined) => void;
  readonly move: MoveFigure;
}

/** The words beside the board: what to do next, how good the plan is, what is left out. */
export function PlanPanel({ placing, chosen, choose, move }: PanelProps) {
  const { me, draft, answer } = useCourseView();
  const planner = usePlanner(placed => {
    const changes = answer.course.items.map(({ pattern }) => ({ pattern, to: placed[pattern] ?? null }));
    placing.place(changes, 'The level planned');
  });
  const isDirector = me.role === 'director';
  return (
    <chakra.aside display="grid" gap="4" aria-label="The plan">
      {isDirector && (
        <chakra.div display="grid" gap="2">
          {planner.progress ? (
            <Button look="next" size="large" onClick={planner.stop}>
              Stop and keep this plan
            </Button>
          ) : (
            <Button look="next" size="large" onClick={planner.start} disabled={placing.isSaving}>
              Plan this level
            </Button>
          )}
          <chakra.div display="flex" gap="2" alignItems="center">
            <Button size="small" onClick={placing.undo} disabled={!placing.undo}>
              <Undo2 size={15} aria-hidden /> Undo
            </Button>
            <Button size="small" onClick={placing.redo} disabled={!placing.redo}>
              <Redo2 size={15} aria-hidden /> Redo
            </Button>
            <Label aria-live="polite">{planner.progress ? '' : placing.isSaving ? 'saving' : 'saved'}</Label>
          </chakra.div>
        </chakra.div>
      )}
      <Verdict progress={planner.progress} />
      {chosen !== undefined && <ChosenFigure id={chosen} move={isDirector ? move : undefined} />}
      <LeftOut chosen={chosen} choose={choose} move={move} />
      {isDirector && !planner.progress && (
        <Publish placing={placing} hasBroken={(draft.judgement?.broken.length ?? 0) > 0} />
      )}
    </chakra.aside>
  );
}

function LeftOut({ chosen, choose, move }: Omit<PanelProps, 'placing'>) {
  const { draft, library } = useCourseView();
  const { setNodeRef, isOver } = useDroppable({ id: 'left' });
  const left = draft.judgement?.left ?? [];
  return (
    <chakra.section
      ref={setNodeRef}
      bg={isOver ? 'nowTint' : undefined}
      borderTop="1px solid"
      borderColor="line"
      pt="2"
    >
      <chakra.h2 fontSize="md">Left out: {left.length}</chakra.h2>
      <chakra.div display="grid" gap="1" mt="1">
        {left.length === 0 && <Label>Drag a figure here to leave it out.</Label>}
        {left.map(id => {
          const pattern = library.patterns.get(id);
          return (
            pattern && (
              <FigureOnMap
                key={id}
                pattern={pattern}
                lesson={undefined}
                isChosen={chosen === id}
                choose={choose}
                move={move}
              />
            )
          );
        })}
      </chakra.div>
    </chakra.section>
  );
}

function Publish({ placing, hasBroken }: { placing: Placing; hasBroken: boolean }) {
  const { answer, draft, today } = useCourseView();
  const [isOpen, setOpen] = useState(false);
  const published = placedOf(answer.published);
  const changed = answer.course.items.filter(
    ({ pattern }) => published[pattern] !== draft.placed[pattern],
  ).length;
  const publish = (data: FormData) => {
    placing.publish(String(data.get('name')), String(data.get('note')));
    setOpen(false);
  };
  return (
    <chakra.section borderTop="1px solid" borderColor="line" pt="2" display="grid" gap="2">
      <p>
        {answer.published
          ? `Published: ${answer.published.name}, ${format(new Date(answer.published.at), 'd MMM')}. `
          : 'Not published yet. '}
        {answer.published &&
          (changed === 0 ? 'The classes follow this plan.' : `${changed} figures differ from it.`)}
      </p>
      {hasBroken && <Notice tone="now" title="Mend what is broken before you publish." />}
      {isOpen ? (
        <chakra.form action={publish} display="grid" gap="2">
          <chakra.label>
            <Label>Name of this version</Label>
            <Field name="name" defaultValue={`Plan of ${today}`} required />
          </chakra.label>
          <chakra.label>
            <Label>Note to the staff</Label>
            <TextArea name="note" rows={2} />
          </chakra.label>
          <Button type="submit">Publish to the staff</Button>
        </chakra.form>
      ) : (
        <Button onClick={() => setOpen(true)} disabled={hasBroken || placing.isSaving || changed === 0}>
          Publish this plan …
        </Button>
      )}
    </chakra.section>
  );
}
