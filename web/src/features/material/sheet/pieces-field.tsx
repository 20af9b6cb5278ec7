import { chakra } from '@chakra-ui/react';
import { type Pattern, printMadeText, readMadeText, writeMade } from '@map-step/core';
import { dequal } from 'dequal/lite';
import { type KeyboardEvent, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { TextField } from '../../../ui/text-field.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';

interface PiecesFieldProps {
  readonly editing: FigureEditing;
  /** What comes after the pieces: the first step. */
  goOn(): void;
}

/** What the figure is made of, as a teacher says it; Enter writes rhythm, steps and holds of both roles. */
export function PiecesField({ editing, goOn }: PiecesFieldProps) {
  const { library } = useCourse();
  const { pattern, reading } = editing;
  const { dance } = reading.figure;
  const written = printMadeText(pattern.made ?? [], library);
  const [typed, setTyped] = useState(written);
  const [fault, setFault] = useState<string>();
  useEffect(() => setTyped(written), [written]);
  /** True when what was typed has been taken over. */
  const take = (): boolean => {
    // Untouched it stays what it is, whatever its figures are called by now.
    if (typed === written) return true;
    if (typed.trim() === '') {
      if (pattern.made) editing.change('Not made of pieces', withoutMade);
      setFault(undefined);
      return true;
    }
    const made = readMadeText(typed, library, dance);
    const fields = made.ok ? writeMade(made.value, dance, id => library.readings.get(id)?.figure) : made;
    if (!made.ok || !fields.ok) {
      setFault(
        (made.ok ? (fields.ok ? [] : fields.fault) : made.fault).map(({ message }) => message).join('; '),
      );
      return false;
    }
    setFault(undefined);
    if (!dequal(made.value, pattern.made ?? []))
      editing.change('Made of pieces', now => ({
        ...withoutWritten(now),
        made: made.value,
        ...fields.value,
      }));
    return true;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    let isTaken = false;
    flushSync(() => {
      isTaken = take();
    });
    if (isTaken) goOn();
  };
  return (
    <chakra.div flex="2 1 20rem" maxW="36rem">
      <TextField
        label="Made of pieces"
        placeholder="Basic ×3, 3–6 of Wrap, Basic ×2 last Ending"
        value={typed}
        readOnly={!editing.mayWrite}
        fault={fault}
        onChange={event => {
          setTyped(event.target.value);
          setFault(undefined);
        }}
        onKeyDown={onKeyDown}
        onBlur={() => {
          if (typed !== written) take();
        }}
      />
    </chakra.div>
  );
}

function withoutMade({ made: _, ...rest }: Pattern): Pattern {
  return rest;
}

/** A figure without what its pieces write. */
function withoutWritten(pattern: Pattern): Pattern {
  const { rhythm: _r, beats: _b, holds: _h, turn: _t, split: _s, cycle: _c, ...rest } = withoutMade(pattern);
  return rest;
}
