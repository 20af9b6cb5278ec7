// One-key mends of what two bodies cannot do, and of what should be said beside it.
import type { Hold, Pattern, PatternMark } from '../model/document.ts';
import { markCount, stepCount } from '../steps/counts.ts';
import { writtenSteps } from '../steps/edit.ts';
import type { Figure, FigureFault } from '../steps/figure.ts';
import { holdTouches, isFrame, isHandToHand, touchKey } from '../steps/hold-shape.ts';
import { checkTurnAgainstHold, findHold } from '../steps/holds.ts';
import { findStepMend, type Mend } from '../steps/mend.ts';
import { printStep, type Step } from '../steps/step.ts';
import { stepInWords } from '../steps/words.ts';
import { checkArms, holdWoundBy } from './arms.ts';
import { neededCautions } from './cautions-needed.ts';
import { type Couple, holdLines, readCouple } from './couple-time.ts';
import { bestDanced, followTurns } from './describe-couple.ts';
import { isFaceToFace, neededStep } from './keep.ts';
import { neededSteps } from './needed-steps.ts';
import { readFigure } from './read-figure.ts';
import { checkTogether } from './together.ts';

/** The change that takes a fault or a hint away, where there is one that leaves fewer of them. */
export function findMend(figure: Figure, fault: Pick<FigureFault, 'code' | 'path'>): Mend | undefined {
  switch (fault.code) {
    case 'arms-wound':
      return mendArms(figure, fault.path);
    case 'apart':
    case 'wrong-side':
    case 'collide':
      return mendPlace(figure, Number(fault.path[2]));
    case 'caution-missing':
      return mendCautions(figure);
    default:
      return findStepMend(figure, fault);
  }
}

/** A hand let go before the arms wind, a let-go that comes sooner, or the hold that has this winding. */
function mendArms(figure: Figure, [at, index]: FigureFault['path']): Mend | undefined {
  const { pattern, dance } = figure;
  const holds = pattern.holds ?? [];
  const said = at === 'holds' ? holds[Number(index)]?.hold : [pattern.exit].flat()[0];
  const hold = findHold(dance, said === 'same' || said === undefined ? (pattern.entry?.[0] ?? '') : said);
  if (!hold) return undefined;
  const until = at === 'holds' ? holds[Number(index)] : undefined;
  const before = holds.filter(one => one !== until && one.event < (until?.event ?? Number.POSITIVE_INFINITY));
  const first = (before.at(-1)?.event ?? -1) + 1;
  const events = Array.from(
    { length: Math.max(0, (until?.event ?? eventCount(figure)) - first) },
    (_, k) => first + k,
  );
  const put = (other: Hold): Pattern =>
    until
      ? { ...pattern, holds: holds.map(one => (one === until ? { ...one, hold: other.id } : one)) }
      : { ...pattern, exit: other.id };
  const sooner = until
    ? events.map(event => ({
        words: `let go at ${markCount(figure, event)}: ${hold.name}`,
        pattern: { ...pattern, holds: holds.map(one => (one === until ? { ...one, event } : one)) },
      }))
    : [];
  const freed = dance.holds
    .filter(other => isLessOf(other, hold))
    .flatMap(free =>
      events.map(event => ({
        words: `let a hand go at ${markCount(figure, event)}: ${free.name}`,
        pattern: {
          ...put(free),
          holds: [
            ...before,
            { event, hold: free.id },
            ...holds.filter(one => !before.includes(one) && one !== until),
          ],
        },
      })),
    );
  const wound = [-720, -360, 360, 720]
    .flatMap(degrees => holdWoundBy(dance, hold, degrees) ?? [])
    .map(other => ({ words: `say that it is ${other.name}`, pattern: put(other) }));
  return [...sooner, ...freed, ...wound].find(({ pattern: mended }) => isBetter(figure, mended));
}

function eventCount({ parts }: Figure): number {
  return parts[0]?.rhythm.events.length ?? 0;
}

/** True where the arms have fewer faults, and nothing else has more. */
function isBetter(figure: Figure, pattern: Pattern): boolean {
  const mended = readFigure(pattern, figure.dance);
  const couple = readCouple(mended.figure);
  const before = readFigure(figure.pattern, figure.dance);
  return (
    couple !== undefined &&
    checkArms(couple).length < faultsOf(figure, checkArms) &&
    checkTurnAgainstHold(mended.figure).length <= checkTurnAgainstHold(figure).length &&
    mended.faults.length <= before.faults.length
  );
}

/** True for a hold with some of the hands of another, at the same facing. */
function isLessOf(less: Hold, of: Hold): boolean {
  const [few, all] = [less, of].map(hold => holdTouches(hold).filter(isHandToHand).map(touchKey));
  return (
    less.contact === of.contact &&
    few !== undefined &&
    all !== undefined &&
    few.length > 0 &&
    few.length < all.length &&
    few.every(key => all.includes(key)) &&
    ((less.rel ?? 0) - (of.rel ?? 0)) % 360 === 0
  );
}

/**
 * The follower's steps that go forward while the leader rocks back, face to face and in no frame: where most schools let both
 * rock back. Indices of the part.
 */
export function rocksApart(figure: Figure): readonly number[] {
  const couple = readCouple(figure);
  const line = couple && holdLines(couple).flat()[0];
  if (!line) return [];
  const needed = neededSteps(figure.dance, couple.lead, line, step => followTurns(couple, step));
  // Where both could rock: `needed` stands in the order of the leader's steps.
  const rocking = new Set(
    needed.flatMap(({ event, rocks, hold }, index) =>
      rocks && couple.lead.steps[index]?.step?.action === 'back' && !isFrame(hold) && isFaceToFace(hold)
        ? [event]
        : [],
    ),
  );
  return couple.follow.steps.flatMap(({ step, time }, index) =>
    step?.action === 'fwd' && rocking.has(time?.event ?? index) ? [index] : [],
  );
}

/** Both rock back wherever the leader does, in the follower's own steps. */
export function rockTogether(figure: Figure): Pattern {
  const apart = rocksApart(figure);
  if (apart.length === 0) return figure.pattern;
  const steps = writtenSteps(figure, 'follow').map((step, index) =>
    apart.includes(index) ? step.replace(/\bfwd\b/, 'back') : step,
  );
  const lead = writtenSteps(figure, 'lead').join(', ');
  return { ...figure.pattern, parts: { lead, follow: steps.join(', ') } };
}

function mendPlace(figure: Figure, index: number): Mend | undefined {
  const kept = keepingStep(figure, index);
  const mended = kept && readCouple(readFigure(kept.pattern, figure.dance).figure);
  if (!mended || checkTogether(mended).length >= faultsOf(figure, checkTogether)) return undefined;
  const count = stepCount(figure, mended.follow, index);
  return {
    words: `take the step that keeps the hold at ${count}: ${stepInWords(kept.step)}`,
    pattern: kept.pattern,
  };
}

/** A figure with one of the follower's steps as the one that keeps the hold; as it is where none would. */
export function makeStepKeep(figure: Figure, index: number): Pattern {
  return keepingStep(figure, index)?.pattern ?? figure.pattern;
}

/** The step that keeps the hold, in place of the follower's, with her own foot and turns. */
function keepingStep(figure: Figure, index: number): { step: Step; pattern: Pattern } | undefined {
  const couple = readCouple(figure);
  const danced = couple && bestDanced(couple);
  const own = couple?.follow.steps[index];
  if (!danced || !own?.step) return undefined;
  const event = own.time?.event ?? index;
  const needed = neededSteps(figure.dance, couple.lead, danced.line, step => followTurns(couple, step)).find(
    need => need.event === event,
  );
  if (!needed?.takes) return undefined;
  const step = neededStep(figure.dance, own.step, own.time, needed);
  const steps = writtenSteps(figure, 'follow').with(index, printStep(step));
  const lead = writtenSteps(figure, 'lead').join(', ');
  return { step, pattern: { ...figure.pattern, parts: { lead, follow: steps.join(', ') } } };
}

function faultsOf(figure: Figure, check: (couple: Couple) => readonly FigureFault[]): number {
  const couple = readCouple(figure);
  return couple ? check(couple).length : 0;
}

function mendCautions(figure: Figure): Mend | undefined {
  const { marks = [] } = figure.pattern;
  const there = new Set(marks.flatMap(({ kind, code }) => (kind === 'caution' && code ? [code] : [])));
  const missing = neededCautions(figure).filter(code => !there.has(code));
  if (missing.length === 0) return undefined;
  const added = missing.map((code): PatternMark => ({ kind: 'caution', text: '', code }));
  return {
    words: `add the ${missing.length === 1 ? 'caution' : 'cautions'} ${missing.join(', ')}`,
    pattern: { ...figure.pattern, marks: [...marks, ...added] },
  };
}
