import type { Touch } from '../model/document.ts';
import { danceActions, type Figure, type FigurePart } from '../steps/figure.ts';
import { hasParallelHands, holdTouches, isHandToHand, touchKey } from '../steps/hold-shape.ts';
import { type Couple, type HoldLine, holdLines, readCouple } from './couple-time.ts';
import { type DancedLine, danceLines } from './together.ts';
import { type Turned, turnedBy, turnsByEvent } from './turns.ts';

const NAMED = ['grip', 'neck', 'dip', 'lean'] as const;
export type NeededCaution = 'arm-turn' | 'wrap' | 'spin' | 'close-hold' | 'space' | (typeof NAMED)[number];

const HALF = 180;
const WHOLE = 360;
const TRAVEL_ON_LINE = 0.8;
const TRAVEL = 1;

/** The codes of the cautions that a figure asks for, each once, in a fixed order; with its couple where it has one. */
export function neededCautions(
  figure: Figure,
  couple = readCouple(figure),
  danced = couple ? danceLines(couple) : [],
): readonly NeededCaution[] {
  const asked = new Set<NeededCaution>();
  for (const part of figure.parts) {
    if (isSpinning(part)) asked.add('spin');
    for (const { step } of part.steps) {
      const named = NAMED.find(word => word === step?.action);
      if (named && danceActions(figure.dance).has(named)) asked.add(named);
    }
  }
  if (!couple && figure.parts.some(part => part.role === 'solo' && turnedOneWay(part) >= WHOLE))
    asked.add('spin');
  if (couple) {
    const turns = turnsByEvent(couple);
    const lines = danced.flat();
    for (const { line } of lines) addOfLine(asked, line, turns);
    if (lines[0] && needsSpace(figure, lines[0])) asked.add('space');
  }
  return ORDER.filter(code => asked.has(code));
}

const ORDER: readonly NeededCaution[] = [
  ...(['arm-turn', 'wrap', 'spin', 'close-hold', 'space'] as const),
  ...NAMED,
];

function addOfLine(asked: Set<NeededCaution>, line: HoldLine, turns: readonly Turned[]): void {
  const turning = turnedTouches(line, turns);
  if (turning.size > 0) asked.add('arm-turn');
  if (turning.size > 1) asked.add('wrap');
  for (const { hold } of line) {
    if (hold.contact === 'body') asked.add('close-hold');
    if (hasParallelHands(hold) && hold.rel !== undefined && hold.rel !== HALF) asked.add('wrap');
    if (holdTouches(hold).some(({ lead, follow }) => lead === 'neck' || follow === 'neck')) asked.add('neck');
  }
  if (spinsAlone(line, turns)) asked.add('spin');
}

/** The pairs of hands that are kept from hold to hold through a half turn of one against the other, or more. */
function turnedTouches(line: HoldLine, turns: readonly Turned[]): ReadonlySet<string> {
  const turned = new Set<string>();
  let begun = new Map<string, number>();
  for (const { hold, event } of line) {
    const now = turnedBy(turns, event);
    const against = now.follow - now.lead;
    const keys = holdTouches(hold).filter(isHandToHand).map(touchKey);
    for (const key of keys) {
      const since = begun.get(key);
      if (since !== undefined && Math.abs(against - since) >= HALF) turned.add(key);
    }
    begun = new Map(keys.map(key => [key, begun.get(key) ?? against]));
  }
  return turned;
}

/** A whole turn one way while nothing touches. */
function spinsAlone(line: HoldLine, turns: readonly Turned[]): boolean {
  return line.some(({ hold, event }, index) => {
    const next = line[index + 1];
    if (!next || holdTouches(hold).length > 0) return false;
    const [from, to] = [turnedBy(turns, event), turnedBy(turns, next.event)];
    return [to.lead - from.lead, to.follow - from.follow].some(degrees => Math.abs(degrees) >= WHOLE);
  });
}

function isSpinning(part: FigurePart): boolean {
  return turnedOneWay(part) > WHOLE;
}

/** The most degrees that a dancer turns to one side. */
function turnedOneWay({ steps }: FigurePart): number {
  let [left, right] = [0, 0];
  for (const { step } of steps) {
    if (!step) continue;
    left += Math.max(0, step.turnBefore) + Math.max(0, step.turnAfter);
    right += Math.max(0, -step.turnBefore) + Math.max(0, -step.turnAfter);
  }
  return Math.max(left, right);
}

/** On a line the length of the leader's path counts, elsewhere how far off the leader ends. */
function needsSpace({ dance }: Figure, { poses }: DancedLine): boolean {
  const middles = [{ x: 0, y: 0 }, ...poses.map(({ lead }) => lead.middle)];
  const ways = middles
    .slice(1)
    .map(({ x, y }, index) => Math.hypot(x - (middles[index]?.x ?? 0), y - (middles[index]?.y ?? 0)));
  if (dance.floor === 'line') return ways.reduce((sum, way) => sum + way, 0) >= TRAVEL_ON_LINE - 1e-9;
  const end = middles.at(-1) ?? { x: 0, y: 0 };
  return Math.hypot(end.x, end.y) > TRAVEL;
}

/** A hand that its owner turns away from while it is kept low. */
export interface ArmBehind {
  readonly role: 'lead' | 'follow';
  readonly hand: 'left' | 'right';
}

/** Hands kept from hold to hold, low in either, whose owner turns away by a half or more, alone and against the partner. */
export function armsBehind(couple: Couple): readonly ArmBehind[] {
  const turns = turnsByEvent(couple);
  const found = new Map<string, ArmBehind>();
  for (const line of holdLines(couple).flat()) {
    let kept = new Map<string, KeptHand>();
    for (const { hold, event } of line) {
      const now = turnedBy(turns, event);
      const touches = holdTouches(hold).filter(isHandToHand);
      const before = kept;
      kept = new Map(
        touches.map(touch => [touchKey(touch), keptOn(touch, now, before.get(touchKey(touch)))]),
      );
      for (const touch of touches) {
        const since = kept.get(touchKey(touch))?.lowSince;
        if (since) for (const arm of turnedAway(touch, since, now)) found.set(`${arm.role} ${arm.hand}`, arm);
      }
    }
  }
  return [...found.values()];
}

/** A pair of hands where a hold begins: what both have turned by then, and by the first of the holds from which it is kept low. */
interface KeptHand {
  readonly now: Turned;
  readonly isLow: boolean;
  readonly lowSince: Turned | undefined;
}

function keptOn({ height }: Touch, now: Turned, before: KeptHand | undefined): KeptHand {
  const isLow = height === 'low';
  const isKeptLow = before !== undefined && (isLow || before.isLow);
  return { now, isLow, lowSince: isKeptLow ? (before.lowSince ?? before.now) : undefined };
}

function turnedAway(touch: Touch, since: Turned, now: Turned): readonly ArmBehind[] {
  const own = { lead: now.lead - since.lead, follow: now.follow - since.follow };
  return (['lead', 'follow'] as const).flatMap(role => {
    const hand = touch[role] === 'left-hand' ? 'left' : 'right';
    const away = hand === 'left' ? -1 : 1;
    const against = own[role] - own[role === 'lead' ? 'follow' : 'lead'];
    return own[role] * away >= HALF && against * away >= HALF ? [{ role, hand }] : [];
  });
}
