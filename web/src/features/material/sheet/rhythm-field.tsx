import { chakra } from '@chakra-ui/react';
import { type Pattern, readFigure } from '@map-step/core';
import { dequal } from 'dequal/lite';
import { type KeyboardEvent, type RefObject, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { TextField } from '../../../ui/text-field.tsx';
import { ALIGN, CLAPS, CYCLE } from '../figure/figure-fields.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { LineField } from './line-field.tsx';
import { PiecesField } from './pieces-field.tsx';
import { withRoom } from './room-for-parts.ts';

interface RhythmFieldProps {
  readonly editing: FigureEditing;
  readonly field: RefObject<HTMLInputElement | null>;
  /** The field of the pieces. */
  readonly pieces: RefObject<HTMLInputElement | null>;
  /** The figure with what is being typed, seen before it is taken over. */
  preview(pattern: Pattern | undefined): void;
  /** What comes after the rhythm: the first step. */
  goOn(): void;
}

/** The rhythm as it is said: counts, slows and quicks, or free; the columns follow while one types. */
export function RhythmField({ editing, field, pieces, preview, goOn }: RhythmFieldProps) {
  const { pattern, reading } = editing;
  const written = rhythmText(pattern);
  const [typed, setTyped] = useState(written);
  const [beats, setBeats] = useState(String(pattern.beats ?? ''));
  useEffect(() => setTyped(written), [written]);
  useEffect(() => setBeats(String(pattern.beats ?? '')), [pattern.beats]);
  const next = withRhythm(pattern, typed, beats);
  const { dance } = reading.figure;
  const fault = readFigure(withRoom(next, dance), dance).faults.find(({ code }) => code === 'rhythm');
  const isOfBeats = fault?.path[0] === 'beats';
  const take = () => {
    preview(undefined);
    if (!dequal(next, pattern)) editing.change('Rhythm', now => withRhythm(now, typed, beats));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === '*') {
      event.preventDefault();
      pieces.current?.focus();
    }
    if (event.key !== 'Enter') return;
    event.preventDefault();
    flushSync(take);
    if (!fault) goOn();
  };
  const edit = (text: string, count: string) => {
    setTyped(text);
    setBeats(count);
    preview(withRhythm(pattern, text, count));
  };
  const isReadOnly = !editing.mayWrite;
  return (
    <chakra.div className="no-print" display="flex" gap="2" alignItems="flex-end" flexWrap="wrap">
      <chakra.div flex="1 1 16rem" maxW="26rem">
        <TextField
          label="Rhythm: 1 2 3&4, SSQQ, or free"
          ref={field}
          value={typed}
          readOnly={isReadOnly}
          autoFocus={editing.isNew && pattern.rhythm === undefined}
          aria-invalid={fault !== undefined && !isOfBeats}
          aria-describedby="rhythm-fault"
          onChange={event => edit(event.target.value, beats)}
          onKeyDown={onKeyDown}
          onBlur={take}
          fontFamily="title"
          fontSize="lg"
        />
      </chakra.div>
      <chakra.div w="8rem">
        <TextField
          label="Beats"
          value={beats}
          placeholder="as counted"
          aria-invalid={isOfBeats}
          aria-describedby="rhythm-fault"
          readOnly={isReadOnly}
          onChange={event => edit(typed, event.target.value)}
          onKeyDown={onKeyDown}
          onBlur={take}
        />
      </chakra.div>
      <AroundRhythm editing={editing} goOn={goOn} />
      <PiecesField editing={editing} field={pieces} goOn={goOn} />
      <chakra.p
        id="rhythm-fault"
        aria-live="polite"
        color="stop"
        fontSize="sm"
        fontWeight="600"
        flex="1 1 12rem"
      >
        {typed.trim() !== '' && fault ? `${isOfBeats ? 'Beats' : 'Rhythm'}: ${fault.message}` : ''}
      </chakra.p>
    </chakra.div>
  );
}

/** What is counted up to, what is clapped, and on a line of dance where it starts. */
function AroundRhythm({ editing, goOn }: Pick<RhythmFieldProps, 'editing' | 'goOn'>) {
  const { dance } = editing.reading.figure;
  return (
    <>
      <chakra.div w="7rem">
        <LineField
          editing={editing}
          goOn={goOn}
          line={CYCLE}
          label="Counted up to"
          placeholder={String(dance.countCycle)}
        />
      </chakra.div>
      <chakra.div w="9rem">
        <LineField editing={editing} goOn={goOn} line={CLAPS} label="Clapped" />
      </chakra.div>
      {dance.floor === 'line' && (
        <chakra.div w="9rem">
          <LineField
            editing={editing}
            goOn={goOn}
            line={ALIGN}
            label="Starts at, to the line"
            placeholder="0°"
          />
        </chakra.div>
      )}
    </>
  );
}

/** One text for both roles, or the leader's / the follower's. */
function rhythmText({ rhythm }: Pattern): string {
  if (rhythm === undefined) return '';
  return typeof rhythm === 'string' ? rhythm : `${rhythm.lead} / ${rhythm.follow}`;
}

function withRhythm(pattern: Pattern, text: string, beats: string): Pattern {
  const { rhythm: _rhythm, beats: _beats, ...rest } = pattern;
  const [lead = '', ...others] = text.split('/').map(part => part.trim());
  // A third one is in nobody's part, and is refused as a sign that no rhythm has.
  const rhythm = others.length === 0 ? lead : { lead, follow: others.join(' / ') };
  const count = beats.trim();
  return {
    ...rest,
    ...(text.trim() !== '' && { rhythm }),
    ...(count !== '' && { beats: /^\d+$/.test(count) ? Number(count) : count }),
  };
}
