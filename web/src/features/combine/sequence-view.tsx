import { chakra } from '@chakra-ui/react';
import {
  type EveningFigures,
  type GivenSequence,
  halvesOf,
  standOf,
  type WalkFault,
  walkSequence,
} from '@map-step/core';
import { type KeyboardEvent, useMemo } from 'react';
import { Notice } from '../../ui/notice.tsx';
import { Button } from '../../ui/parts.tsx';
import { UndoRedo } from '../../ui/undo-redo.tsx';
import { useCourse } from '../course/course-context.ts';
import { FigureOptions } from './figure-options.tsx';
import { FloorDrawing } from './floor-drawing.tsx';
import { movedBy, movedTo, without, withTimes } from './items.ts';
import { PhraseBoard } from './phrase-board.tsx';
import { wholeInWords } from './sequence-words.ts';
import type { Hands } from './use-hands.ts';
import { useKeptFigures } from './use-kept-figures.ts';

interface SequenceViewProps {
  readonly had: EveningFigures;
  readonly hands: Hands;
  readonly chosen: number | undefined;
  choose(row: number): void;
}

/** A sequence at one glance: its phrases, its holds, its path on the floor; and what can be done with one figure. */
export function SequenceView({ had, hands, chosen, choose }: SequenceViewProps) {
  const { library } = useCourse();
  const { danced } = hands;
  const { dance } = had;
  const sequence = useMemo(
    (): GivenSequence => ({ dance, start: standOf(danced.start), steps: danced.steps, end: danced.end }),
    [dance, danced],
  );
  const walk = useMemo(() => walkSequence(library, sequence), [library, sequence]);
  const among = useMemo(() => {
    const whole = [...new Set([...had.lessons.flat().reverse(), ...had.known])];
    const figures = whole.flatMap(id => library.readings.get(id)?.figure ?? []);
    return [...whole, ...figures.flatMap(halvesOf)];
  }, [had, library]);
  const kept = useKeptFigures(danced.steps);
  const row = chosen === undefined ? undefined : walk.rows[chosen];
  const choices = new Set(danced.steps.flatMap((item, index) => ('oneOf' in item ? index : [])));
  const moveRow = (from: number, over: number) => {
    const [item, onto] = [walk.rows[from]?.item, walk.rows[over]?.item];
    if (item !== undefined && onto !== undefined && item !== onto)
      hands.edit('Moved', steps => movedTo(steps, item, onto));
  };
  return (
    <chakra.div
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.9fr) minmax(15rem, 1fr)' }}
      gap="5"
      alignItems="start"
    >
      <chakra.section aria-label="The sequence" display="grid" gap="3" minW="0">
        <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
          <chakra.p flex="1 1 18rem" role="status">
            {wholeInWords(walk, danced, dance)}
          </chakra.p>
          {hands.mayWrite && (
            <chakra.span display="inline-flex" gap="2" className="no-print">
              <UndoRedo undo={hands.undo} redo={hands.redo} />
            </chakra.span>
          )}
        </chakra.div>
        <Faults faults={walk.faults} choose={choose} />
        <PhraseBoard
          {...{ walk, dance, choices, chosen, choose }}
          kept={kept.at}
          drop={hands.mayWrite ? moveRow : undefined}
          onFigureKey={(event, at) => hands.mayWrite && takeKey(event, hands, walk.rows[at]?.item)}
        />
      </chakra.section>
      <chakra.aside aria-label="Beside the sequence" minW="0">
        <FloorDrawing {...{ walk, dance, chosen }} />
        {row && (
          <FigureOptions
            {...{ hands, sequence, row, kept, among }}
            before={walk.rows[(chosen ?? 0) - 1]?.pattern}
            fault={walk.faults.find(fault => fault.row === chosen)}
          />
        )}
      </chakra.aside>
    </chakra.div>
  );
}

/** Changes by key what a figure of the board comes from. */
function takeKey(event: KeyboardEvent, hands: Hands, at: number | undefined): boolean {
  if (at === undefined) return false;
  const item = hands.danced.steps[at];
  const times = item && 'pattern' in item ? (item.times ?? 1) : 1;
  switch (event.key) {
    case 'Backspace':
    case 'Delete':
      hands.edit('Taken out', steps => without(steps, at));
      return true;
    case '+':
      hands.edit('Once more', steps => withTimes(steps, at, times + 1));
      return true;
    case '-':
      hands.edit('Once less', steps => withTimes(steps, at, Math.max(1, times - 1)));
      return true;
    case 'ArrowLeft':
    case 'ArrowRight':
      if (!event.shiftKey) return false;
      hands.edit('Moved', steps => movedBy(steps, at, event.key === 'ArrowLeft' ? -1 : 1));
      return true;
    default:
      return false;
  }
}

function Faults({ faults, choose }: { faults: readonly WalkFault[]; choose(row: number): void }) {
  if (faults.length === 0) return null;
  return (
    <Notice
      tone="stop"
      title={
        faults.length === 1
          ? 'It cannot be danced through'
          : `It cannot be danced through: ${faults.length} places`
      }
    >
      <chakra.ul listStyleType="none" p="0">
        {faults.map(({ row, code, message }) => (
          <li key={`${row} ${code} ${message}`}>
            <Button size="small" look="quiet" textAlign="left" onClick={() => choose(row)}>
              {message}
            </Button>
          </li>
        ))}
      </chakra.ul>
    </Notice>
  );
}
