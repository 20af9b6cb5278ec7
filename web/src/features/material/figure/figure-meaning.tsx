import { chakra } from '@chakra-ui/react';
import {
  barsPerMinute,
  type Figure,
  figureClosure,
  figureName,
  figureTurn,
  findWayBack,
  printBeats,
  quickestStep,
  type StepKind,
  secondsAt,
  TICKS_PER_BEAT,
  turnInWords,
} from '@map-step/core';
import { type ReactNode, useState } from 'react';
import { Group } from '../../../ui/group.tsx';
import { NumberField } from '../../../ui/number-field.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { Around } from './around-figure.tsx';

/** What the sheet means, computed: time, coming back, what may stand around it. */
export function FigureMeaning({ figure }: { figure: Figure }) {
  return (
    <>
      <InTime figure={figure} />
      <ComingBack figure={figure} />
      <Around figure={figure} />
    </>
  );
}

const STEP_KINDS: Readonly<Record<StepKind, string>> = {
  travels: 'the step with the least time',
  triple: 'the part of a triple with the least time',
  sound: 'the tap with the least time',
};

function InTime({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const { pattern, dance, beats } = figure;
  const ranges = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  const usual = ranges[0] ? Math.round((ranges[0].min + ranges[0].max) / 2) : 120;
  const [typed, setTyped] = useState<number>();
  const tempo = typed ?? usual;
  const quickest = quickestStep(figure, tempo, library.levels.get(pattern.level ?? '')?.shortest);
  const isTooQuick = quickest !== undefined && quickest.ms < quickest.limit;
  return (
    <Group title="In time">
      {beats === null ? (
        <p>No set timing: it cannot be counted into bars and phrases.</p>
      ) : (
        <>
          <Fact value={printBeats(beats)} unit="beats">
            {printBars(beats / TICKS_PER_BEAT / dance.beatsPerBar)} of {dance.beatsPerBar}
          </Fact>
          <Fact value={secondsAt(beats, tempo).toFixed(1)} unit="s">
            at{' '}
            <chakra.span display="inline-block" verticalAlign="middle">
              <NumberField
                label="Tempo in beats a minute"
                min={20}
                max={400}
                value={tempo}
                save={setTyped}
                isLive
              />
            </chakra.span>{' '}
            beats, {barsPerMinute(tempo, dance.beatsPerBar).toFixed(0)} bars a minute
          </Fact>
          {quickest && (
            <Fact value={quickest.ms.toFixed(0)} unit="ms" tone={isTooQuick ? 'caution' : undefined}>
              {STEP_KINDS[quickest.kind]}; this level can do {quickest.limit} ms
              {isTooQuick ? ': too quick at this tempo' : ''}
            </Fact>
          )}
        </>
      )}
      <Label>
        Usual tempo {ranges.map(({ min, max }) => `${min} to ${max}`).join(', ') || 'not set'} beats a minute
      </Label>
    </Group>
  );
}

function ComingBack({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const name = (id: string) => figureName(library, id);
  const { foot, facing, phrase, hold, all, beats } = figureClosure(figure);
  const turn = figureTurn(figure);
  const way = hold === null ? findWayBack(library, figure) : undefined;
  return (
    <Group title="Danced again and again">
      <Fact value={times(foot)} unit="">
        {foot === null
          ? 'the roles never come back to their feet together'
          : foot === 1
            ? 'the feet are as at the start each time'
            : 'until the feet are back'}
      </Fact>
      {figure.beats !== null && (
        <Fact value={times(phrase)} unit="">
          {phrase === 1
            ? `it fits the phrase of ${figure.dance.phrase} each time`
            : `until it meets the phrase of ${figure.dance.phrase}`}
        </Fact>
      )}
      <Fact value={times(facing)} unit="">
        {facingWords(figure, facing, turn)}
      </Fact>
      {hold === null && (
        <p>
          It ends in a hold it cannot start from
          {way === undefined
            ? '; no figure leads back yet.'
            : `; the shortest way back: ${way.map(name).join(', ')}.`}
        </p>
      )}
      {all !== null && all > 1 && (
        <p>
          <strong>
            All of it comes together after {all} times{beats === null ? '' : `, ${printBeats(beats)} beats`}.
          </strong>
        </p>
      )}
    </Group>
  );
}

function facingWords(figure: Figure, facing: number | null, turn: number): string {
  const { floor } = figure.dance;
  if (floor === 'spot' || floor === 'free') return 'it may end facing any way here';
  const turned = turn === 0 ? 'without a turn' : `turning ${turnInWords(turn)}`;
  const where =
    floor === 'slot' ? 'in the slot' : floor === 'line' ? 'along the line of dance' : 'to the first wall';
  return facing === 1 ? `${turned} it faces as before ${where}` : `until it faces ${where} again, ${turned}`;
}

interface FactProps {
  readonly value: string;
  readonly unit: string;
  readonly tone?: 'caution' | undefined;
  readonly children: ReactNode;
}

/** A number, its unit, and what it says. */
function Fact({ value, unit, tone, children }: FactProps) {
  return (
    <chakra.p
      display="grid"
      gridTemplateColumns="4.5rem 1fr"
      columnGap="2"
      alignItems="baseline"
      color={tone}
    >
      <chakra.span fontFamily="title" fontWeight="700" fontSize="lg" fontVariantNumeric="tabular-nums">
        {value} <Label>{unit}</Label>
      </chakra.span>
      <span>{children}</span>
    </chakra.p>
  );
}

function times(repeats: number | null): string {
  return repeats === null ? 'never' : repeats === 1 ? 'once' : repeats === 2 ? 'twice' : `${repeats} times`;
}

function printBars(bars: number): string {
  const number = Number.isInteger(bars) ? String(bars) : bars.toFixed(2).replace(/0$/, '');
  return `${number} ${bars === 1 ? 'bar' : 'bars'}`;
}
