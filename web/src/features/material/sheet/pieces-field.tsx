import { chakra } from '@chakra-ui/react';
import {
  circleThrough,
  type Dance,
  failure,
  type Library,
  type Pattern,
  printMadeText,
  readMadeText,
  suggestMade,
  writeMade,
} from '@map-step/core';
import { dequal } from 'dequal/lite';
import { type KeyboardEvent, type RefObject, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { TypedField } from '../../../ui/typed-field.tsx';
import { useCourse } from '../../course/course-context.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';

interface PiecesFieldProps {
  readonly editing: FigureEditing;
  readonly field: RefObject<HTMLInputElement | null>;
  /** What comes after the pieces: the first step. */
  goOn(): void;
}

/** What the figure is made of, as a teacher says it; Enter writes rhythm, steps and holds of both roles. */
export function PiecesField({ editing, field, goOn }: PiecesFieldProps) {
  const { library } = useCourse();
  const { pattern, reading } = editing;
  const { dance } = reading.figure;
  const written = printMadeText(pattern.made ?? [], library);
  const [typed, setTyped] = useState(written);
  const [fault, setFault] = useState<string>();
  useEffect(() => setTyped(written), [written]);
  const edit = (text: string) => {
    setTyped(text);
    setFault(undefined);
  };
  /** True when what was typed has been taken over. */
  const take = (): boolean => {
    // Untouched it stays what it is, whatever its figures are called by now.
    if (typed === written) return true;
    if (typed.trim() === '') {
      if (pattern.made) editing.change('Not made of pieces', withoutMade);
      setFault(undefined);
      return true;
    }
    const made = readPieces(typed, pattern, library, dance);
    const fields = made.ok ? writeMade(made.value, dance, id => library.readings.get(id)?.figure) : made;
    if (!made.ok || !fields.ok) {
      const faults = made.ok ? (fields.ok ? [] : fields.fault) : made.fault;
      setFault(faults.map(({ message }) => message).join('; '));
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
  const onKey = (event: KeyboardEvent, picked: string | undefined) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    if (picked !== undefined) {
      edit(picked);
      return;
    }
    let isTaken = false;
    flushSync(() => {
      isTaken = take();
    });
    if (isTaken) goOn();
  };
  return (
    <chakra.div flex="2 1 20rem" maxW="36rem">
      <TypedField
        label="Made of pieces"
        value={typed}
        isReadOnly={!editing.mayWrite}
        fault={fault}
        suggestions={typed === written ? [] : suggestMade(typed, library, dance)}
        set={edit}
        take={edit}
        onKey={onKey}
        leave={() => {
          if (typed !== written) take();
        }}
        input={{ ref: field, placeholder: 'Basic ×3, 3–6 of Wrap, Basic ×2 last Ending' }}
      />
    </chakra.div>
  );
}

/** The pieces, unless they lead back to the figure itself. */
function readPieces(
  text: string,
  pattern: Pattern,
  library: Library,
  dance: Dance,
): ReturnType<typeof readMadeText> {
  const made = readMadeText(text, library, dance);
  if (!made.ok) return made;
  const circle = circleThrough({ ...pattern, made: made.value }, library.patterns, 'made-cycle');
  const message = `nothing can be made of itself: ${circle}`;
  return circle === undefined ? made : failure([{ piece: 0, message }]);
}

function withoutMade({ made: _, ...rest }: Pattern): Pattern {
  return rest;
}

/** A figure without what its pieces write. */
function withoutWritten(pattern: Pattern): Pattern {
  const { rhythm: _r, beats: _b, holds: _h, turn: _t, split: _s, cycle: _c, ...rest } = withoutMade(pattern);
  return rest;
}
