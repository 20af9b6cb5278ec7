// A follower's part that is not written but taken from the leader's and the holds, step by step.
import type { Dance, Hold } from '../model/document.ts';
import { modulo, printMetres } from '../model/units.ts';
import type { FigureFault, FigurePart, FigureStep, KeepSteps } from '../steps/figure.ts';
import { isFrame, type Placed, twoHandsKey } from '../steps/hold-shape.ts';
import { type Step, stepTurn } from '../steps/step.ts';
import { stepLength, takesWeight } from './body-track.ts';
import { type HoldLine, holdLines } from './couple-time.ts';
import { type NeededStep, neededSteps, type StepTurns, stepsBetween } from './needed-steps.ts';
import { isPromenade, isWalk } from './together.ts';

const FARTHEST = 0.7;
const NO_WAY = 0.12;
const SMALL = 0.6;
const EIGHTH = 45;
const OTHER_FOOT = { L: 'R', R: 'L', B: 'B' } as const;

/** By the eighth of a circle outward of forward. */
const ACTIONS: Readonly<Record<number, string>> = {
  0: 'fwd',
  45: 'diag-fwd',
  90: 'side',
  135: 'diag-back',
  180: 'back',
  [-180]: 'back',
  [-135]: 'cross-behind',
  [-90]: 'cross-front',
  [-45]: 'cross-front',
};

/** The follower's steps that keep the couple together, from the first entry to its first exit. */
export const keepSteps: KeepSteps = figure => {
  const [lead] = figure.parts;
  const lastEvent = Math.max(0, (lead?.rhythm.events.length ?? 1) - 1);
  const line = holdLines({ figure, lastEvent })[0]?.[0];
  if (!lead || !line) return { steps: [], faults: [] };
  const { dance } = figure;
  const turns = keptTurns(dance, lead, line);
  const needed = neededSteps(dance, lead, line, step => turns[step] ?? NO_TURN);
  const faults: FigureFault[] = [];
  const steps = lead.steps.map((one, index) => {
    const need = needed[index];
    if (!one.step || !need) return null;
    const message = refusal(need);
    if (message) faults.push({ code: 'bad-step', path: ['parts', 'follow', index], message });
    return keptStep(dance, one, need, turns[index] ?? NO_TURN);
  });
  return { steps, faults };
};

const NO_TURN: StepTurns = { before: 0, after: 0 };

function refusal({ way, round }: NeededStep): string | undefined {
  const metres = Math.hypot(way.ahead, way.side);
  if (round > FARTHEST)
    return `the leader’s turn takes the follower ${printMetres(round)} round: no step keeps this hold`;
  if (metres > FARTHEST + 1e-9)
    return `keeping this hold takes a step of ${printMetres(metres)}: write the follower’s part`;
  return undefined;
}

/** The leader's turns, and the change of `rel` over the taking steps in which the leader turns, or over all. */
function keptTurns(dance: Dance, lead: FigurePart, line: HoldLine): readonly StepTurns[] {
  const extra = new Map<number, number>();
  for (const [index, to] of line.entries()) {
    const from = line[index - 1];
    if (!from) continue;
    const taking = stepsBetween(lead, from.event, to.event).filter(step =>
      takesWeight(dance, stepAt(lead, step)),
    );
    const turning = taking.filter(step => turnOf(stepAt(lead, step)) !== 0);
    const over = turning.length > 0 ? turning : taking;
    const change = changeOfRel(from.hold, to.hold);
    const share = EIGHTH * Math.floor(change / over.length / EIGHTH + 0.5);
    for (const [place, step] of over.entries())
      extra.set(step, place === over.length - 1 ? change - share * place : share);
  }
  return lead.steps.map(({ step }, index): StepTurns => {
    const [before, after, more] = [step?.turnBefore ?? 0, step?.turnAfter ?? 0, extra.get(index) ?? 0];
    return before === 0 && after !== 0 ? { before, after: after + more } : { before: before + more, after };
  });
}

function stepAt({ steps }: FigurePart, index: number): FigureStep {
  return steps[index] ?? { step: null, time: null, natural: null };
}

function turnOf({ step }: FigureStep): number {
  return step ? stepTurn(step) : 0;
}

/** Unwound with two hands kept, else the short way. */
function changeOfRel(from: Hold, to: Hold): number {
  if (from.rel === undefined || to.rel === undefined) return 0;
  const hands = twoHandsKey(from);
  const change = to.rel - from.rel;
  if (hands !== undefined && hands === twoHandsKey(to)) return change;
  const short = modulo(change, 360);
  return short > 180 ? short - 360 : short;
}

function keptStep(dance: Dance, one: FigureStep, need: NeededStep, turns: StepTurns): Step {
  const lead = one.step as Step;
  const foot = OTHER_FOOT[lead.foot];
  const kept = { ...lead, foot, turnBefore: turns.before, turnAfter: turns.after };
  const isPlain = foot === 'B' || !need.takes || lead.action === 'replace';
  if (isPlain || (isPromenade(need.hold) && isWalk(one))) return kept;
  const qualifiers = lead.qualifiers.filter(word => word === 'shared');
  if (need.rocks && !isFrame(need.hold) && isFaceToFace(need.hold))
    return { ...kept, action: 'back', qualifiers: lead.qualifiers };
  return neededStep(dance, { ...kept, qualifiers }, one.time, need);
}

/** True where partners look at each other; also where nothing is said of it. */
export function isFaceToFace({ rel }: Hold): boolean {
  return rel === undefined || modulo(rel, 360) === 180;
}

/** The step that goes nearest to a way: its foot, turns and qualifiers as given. */
export function neededStep(
  dance: Dance,
  given: Step,
  time: FigureStep['time'],
  { way, rocks }: Pick<NeededStep, 'way' | 'rocks'>,
): Step {
  const metres = Math.hypot(way.ahead, way.side);
  if (metres < NO_WAY) return { ...given, action: given.action === 'place' ? 'place' : 'close' };
  const action = actionTowards(way, given.foot === 'R' ? 'R' : 'L');
  const plain = { ...given, action, qualifiers: given.qualifiers.filter(word => word !== 'small') };
  const length = stepLength(dance, plain, time, rocks) * (action.startsWith('cross') ? CROSS_SHARE : 1);
  return metres < SMALL * length ? { ...plain, qualifiers: ['small', ...plain.qualifiers] } : plain;
}

/** A cross goes inward by its length, and half as far ahead or back. */
const CROSS_SHARE = Math.hypot(1, 0.5);

function actionTowards({ ahead, side }: Placed, foot: 'L' | 'R'): string {
  const outward = foot === 'L' ? side : -side;
  const degrees = (Math.atan2(outward, ahead) * 180) / Math.PI;
  return ACTIONS[EIGHTH * Math.round(degrees / EIGHTH)] ?? 'fwd';
}
