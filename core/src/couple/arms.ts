// Arms that are kept: what two pairs of hands are wound by where the hold changes. For each way in, each way out.
import type { Dance, Hold } from '../model/document.ts';
import type { Path } from '../model/issue.ts';
import { modulo } from '../model/units.ts';
import { markCount } from '../steps/counts.ts';
import type { Figure, FigureFault } from '../steps/figure.ts';
import { holdTouches, isHandToHand, touchKey, twoHandsKey } from '../steps/hold-shape.ts';
import { turnInWords } from '../steps/words.ts';
import { type Couple, type HoldLine, type HoldPoint, holdLines } from './couple-time.ts';
import { type Turned, turnedBy, turnsByEvent } from './turns.ts';

/** What two pairs of hands are wound by between two holds of a stretch, in degrees; 0 is clean. */
export interface ArmStretch {
  readonly from: HoldPoint;
  readonly to: HoldPoint;
  readonly wound: number;
}

const ROLLED = 720;
const WHOLE = 360;

/**
 * The stretches of a line of holds: from the first hold with two pairs of hands to each later one that keeps both.
 * wound = the first `rel` + follower's turns - leader's since - its `rel`, not modulo 360; ±720 counts as 0 where
 * both turned 360 or more, one to the left and one to the right. Holds without `rel` are passed over.
 */
export function armStretches(line: HoldLine, turns: readonly Turned[]): readonly ArmStretch[] {
  const stretches: ArmStretch[] = [];
  let from: HoldPoint = line[0];
  for (const to of line.slice(1)) {
    if (!keepsBothHands(from.hold, to.hold)) {
      from = to;
      continue;
    }
    const [relIn, relOut] = [from.hold.rel, to.hold.rel];
    if (relIn === undefined || relOut === undefined) continue;
    const [lead, follow] = turnsBetween(turns, from.event, to.event);
    const wound = relIn + follow - lead - relOut;
    const isRolled =
      Math.abs(wound) === ROLLED && Math.abs(lead) >= WHOLE && Math.abs(follow) >= WHOLE && lead * follow < 0;
    stretches.push({ from, to, wound: isRolled ? 0 : wound });
  }
  return stretches;
}

/** Arms that end wound, or are let go too late; for each way in the way out with the fewest. */
export function checkArms(couple: Couple): FigureFault[] {
  const turns = turnsByEvent(couple);
  const found = new Map<string, FigureFault>();
  for (const lines of holdLines(couple)) {
    const faults = lines.map(line => lineFaults(couple, line, turns));
    const least = faults.reduce((best, one) => (one.length < best.length ? one : best));
    for (const fault of least) {
      const key = fault.path.join('/');
      if (!found.has(key)) found.set(key, fault);
    }
  }
  return [...found.values()];
}

function lineFaults({ figure }: Couple, line: HoldLine, turns: readonly Turned[]): FigureFault[] {
  const wound = armStretches(line, turns)
    .filter(stretch => stretch.wound !== 0)
    .map(stretch => fault(stretch.to.path, woundInWords(figure, stretch)));
  const late = line.slice(1).flatMap((point, index) => {
    const before = line[index];
    if (!before || point.path[0] !== 'holds' || !letsGo(before.hold, point.hold)) return [];
    const [lead, follow] = turnsBetween(turns, before.event, point.event - 1);
    const words = `the hands are let go at ${markCount(figure, point.event)}, after the arms were wound ${turnInWords(follow - lead)}; let one go sooner`;
    return Math.abs(follow - lead) >= WHOLE ? [fault(point.path, words)] : [];
  });
  return [...wound, ...late, ...turnedOut(line, turns)];
}

const HALF = 180;

/** From one hold in each other's arms to the next nobody turns out of them: what both turn is what the holds differ by, the short way. */
function turnedOut(line: HoldLine, turns: readonly Turned[]): FigureFault[] {
  const found: FigureFault[] = [];
  let from: HoldPoint | undefined;
  for (const point of line) {
    const { contact, rel } = point.hold;
    if (contact !== 'body') from = undefined;
    else if (!from) from = point;
    else if (from.hold.rel !== undefined && rel !== undefined) {
      const [lead, follow] = turnsBetween(turns, from.event, point.event);
      const against = follow - lead;
      const isShort = Math.abs(against) <= HALF && modulo(against - rel + from.hold.rel, WHOLE) === 0;
      if (isShort && !isTurnedPastHalf(turns, from.event, point.event)) continue;
      const words = `in ${point.hold.name} nobody turns out of the partner’s arms; the follower turns ${turnInWords(against)} against the leader`;
      found.push(fault(point.path, words));
    }
  }
  return found;
}

function isTurnedPastHalf(turns: readonly Turned[], after: number, upTo: number): boolean {
  for (let event = after + 1; event < upTo; event += 1) {
    const [lead, follow] = turnsBetween(turns, after, event);
    if (Math.abs(follow - lead) > HALF) return true;
  }
  return false;
}

function fault(path: Path, message: string): FigureFault {
  return { code: 'arms-wound', path, message };
}

function keepsBothHands(a: Hold, b: Hold): boolean {
  const hands = twoHandsKey(a);
  return hands !== undefined && hands === twoHandsKey(b);
}

function letsGo(a: Hold, b: Hold): boolean {
  return twoHandsKey(a) !== undefined && !keepsBothHands(a, b);
}

/** What both turn after one event up to the end of another. */
function turnsBetween(turns: readonly Turned[], after: number, upTo: number): readonly [number, number] {
  const [begin, end] = [turnedBy(turns, after), turnedBy(turns, Math.max(after, upTo))];
  return [end.lead - begin.lead, end.follow - begin.follow];
}

/** How far and which way, what let go would free it, and the hold that has this winding. */
function woundInWords(figure: Figure, { from, to, wound }: ArmStretch): string {
  const hands = holdTouches(from.hold).filter(isHandToHand).map(touchKey);
  const fits = holdWoundBy(figure.dance, to.hold, wound);
  return [
    `the arms end wound ${turnInWords(wound)} in ${to.hold.name}`,
    `let ${hands[1] ?? hands[0] ?? 'one hand'} go at ${markCount(figure, Math.max(0, from.event + 1))}`,
    ...(fits ? [`or say that it ends in ${fits.name}`] : []),
  ].join('; ');
}

/** The hold of the dance with the same hands, wound so much farther. */
export function holdWoundBy(dance: Dance, hold: Hold, wound: number): Hold | undefined {
  const { rel } = hold;
  if (rel === undefined) return undefined;
  return dance.holds.find(other => other.rel === rel + wound && keepsBothHands(hold, other));
}
