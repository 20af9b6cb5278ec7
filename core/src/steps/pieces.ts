import type { Dance } from '../model/document.ts';
import type { Ticks } from '../model/units.ts';
import { timedSteps } from '../timing/calls.ts';
import { parseRhythm } from '../timing/rhythm.ts';
import { danceActions, danceBeats, type Figure, type FigurePart } from './figure.ts';
import { naturalStep } from './mirror.ts';
import { parseStep, printStep, type Step, splitPart } from './step.ts';
import { type FreeFoot, readWeight } from './weight.ts';

/** A named run of steps that a dance reads as one word. */
export interface Piece {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly Step[];
  /** Ticks of each step; null where its rhythm sets none. */
  readonly lengths: readonly (Ticks | null)[];
}

/** The pieces of a dance that can be read whole, the longest first. */
export function dancePieces(dance: Dance): readonly Piece[] {
  const actions = danceActions(dance);
  const pieces = (dance.pieces ?? []).flatMap(({ id, name, rhythm, steps: text }) => {
    const parsed = splitPart(text).map(step => parseStep(step, actions));
    const steps = parsed.flatMap(step => (step.ok ? [step.value] : []));
    const lengths = pieceLengths(dance, rhythm, steps.length);
    return steps.length === parsed.length && lengths?.length === steps.length
      ? [{ id, name, steps, lengths }]
      : [];
  });
  return pieces.sort((a, b) => b.steps.length - a.steps.length);
}

function pieceLengths(dance: Dance, rhythm: string, freeSteps: number) {
  const parsed = parseRhythm(rhythm, {
    slow: danceBeats(dance, 'slow'),
    quick: danceBeats(dance, 'quick'),
    split: dance.split,
    cycle: dance.countCycle,
    freeSteps,
  });
  return parsed.ok ? timedSteps(parsed.value).map(({ length }) => length) : undefined;
}

/** The steps of a piece begun on the free foot: the other foot's form where it is written for that one. */
export function pieceOn(dance: Dance, piece: Piece, free: FreeFoot): readonly Step[] {
  const actions = danceActions(dance);
  const { start } = readWeight(piece.steps, step => actions.get(step.action) ?? 'takes');
  const isOther = (free === 'L' && start === 'R') || (free === 'R' && start === 'L');
  return isOther ? otherFootForm(dance, piece.steps) : piece.steps;
}

/** Left and right changed; a solo dancer's turns change sign with them. */
export function otherFootForm(dance: Dance, steps: readonly Step[]): readonly Step[] {
  return steps.map(step => naturalStep(step, dance.roles === 'solo' ? 'image' : 'alike'));
}

/** A figure as it is danced the second time: on the other feet where it ends on them. */
export function inOtherFootForm(figure: Figure): Figure {
  const parts = figure.parts.map(part => ({
    ...part,
    steps: part.steps.map(one => ({
      ...one,
      step: one.step && (otherFootForm(figure.dance, [one.step])[0] ?? one.step),
    })),
  }));
  return { ...figure, parts };
}

export interface NamedRun {
  readonly name: string;
  /** Index of the first step and of the one after the last. */
  readonly from: number;
  readonly to: number;
}

/** The runs of a part that are a piece of the dance, on either foot, from the first step on, the longest first. */
export function namedRuns(dance: Dance, part: FigurePart): readonly NamedRun[] {
  const written = part.steps.map(({ step }) => (step ? printStep(step) : ''));
  const pieces = dancePieces(dance).map(({ name, steps, lengths }) => ({
    name,
    lengths,
    forms: [steps, otherFootForm(dance, steps)].map(form => form.map(printStep)),
  }));
  const isAt = (from: number, { lengths, forms }: (typeof pieces)[number]) =>
    lengths.every((length, index) => (part.steps[from + index]?.time?.length ?? null) === length) &&
    forms.some(form => form.every((step, index) => written[from + index] === step));
  const runs: NamedRun[] = [];
  for (let from = 0; from < written.length; from += 1) {
    const piece = pieces.find(candidate => isAt(from, candidate));
    if (!piece) continue;
    const to = from + piece.lengths.length;
    runs.push({ name: piece.name, from, to });
    from = to - 1;
  }
  return runs;
}
