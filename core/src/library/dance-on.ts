// The dance goes on: each figure of a library joined to each that may follow it, and danced over and over.
import {
  type CarriedHint,
  carriedHints,
  type DancedWay,
  danceWay,
  NOT_OFF,
  type Off,
  offAfter,
} from '../couple/carry.ts';
import { type Couple, holdLines, readCouple } from '../couple/couple-time.ts';
import { otherForm } from '../couple/drift.ts';
import { dancePoses } from '../couple/together.ts';
import { figureClosure, footRepeats } from '../floor/closure.ts';
import { entryAt } from '../model/entry-at.ts';
import { modulo, printMetres } from '../model/units.ts';
import { stepCount } from '../steps/counts.ts';
import { type Figure, partTurn } from '../steps/figure.ts';
import { holdPlace } from '../steps/hold-shape.ts';
import { allExitHolds, entryHolds } from '../steps/holds.ts';
import { canFollow, holdsAndFeetLink } from '../steps/links.ts';
import { isOffered, type Library } from './library.ts';

/** A join, or a figure danced over and over, that fails where each figure by itself does not. */
export interface JoinFinding {
  readonly first: string;
  readonly second: string;
  /** The time, or the round of both, that fails. */
  readonly times?: number;
  readonly code: 'join-collide' | 'join-apart' | 'join-wrong-side' | 'creeps';
  /** The figure that fails, and the follower's step of it. */
  readonly figure: string;
  readonly step: number;
  /** Off: carried into the second figure, or left after the first time. */
  readonly metres: number;
  readonly message: string;
}

const CODES = { collide: 'join-collide', apart: 'join-apart', 'wrong-side': 'join-wrong-side' } as const;
const GRAIN = 0.05;
const LEAST_TIMES = 4;
const MOST_TIMES = 8;
const ROUNDS = 4;

/** The figures of a library, danced once for whatever is asked of the ways between them. */
export interface DanceOn {
  /** What fails after a figure, which may stand in the library in another form: each link, then over and over. */
  after(figure: Figure): readonly JoinFinding[];
}

/**
 * Dances a library on: each link from the middle of its hold, then each figure over and over, or by turns with the first that
 * leads to and from it. Each figure is danced once for each of its ways; a link is a look-up.
 */
export function danceOn(library: Library): DanceOn {
  const danced = danceFigures(library);
  return {
    after: figure => {
      const own = danced.find(one => one.figure === figure) ?? danceFigure(figure);
      if (!own) return [];
      // In its own form, in the place of what the library has under its id.
      const all = danced.map(one => (one.figure.pattern.id === figure.pattern.id ? own : one));
      return findingsAfter(own, all.includes(own) ? all : [...all, own]);
    },
  };
}

/** What fails between the figures of a library, in their order. */
export function findJoins(library: Library): readonly JoinFinding[] {
  const danced = danceFigures(library);
  return danced.flatMap(one => findingsAfter(one, danced));
}

/** What fails where the second figure is danced after the first, and where both go on by turns; after itself, over and over. */
export function findJoinsOf(library: Library, first: string, second: string): readonly JoinFinding[] {
  const all = danceFigures(library);
  const pair = all.filter(({ figure }) => figure.pattern.id === first || figure.pattern.id === second);
  return pair
    .flatMap(one => findingsAfter(one, all))
    .filter(one => one.times !== undefined || one.first === first)
    .filter(one => {
      const both = [one.first, one.second];
      return (
        both.includes(first) && both.includes(second) && (first === second) === (one.first === one.second)
      );
    });
}

function findingsAfter(one: DancedFigure, all: readonly DancedFigure[]): readonly JoinFinding[] {
  return [...all.flatMap(next => joinOf(one, next)), ...repeatOf(one, all)];
}

interface DancedFigure {
  readonly figure: Figure;
  readonly couple: Couple;
  readonly ways: readonly DancedWay[];
  /** On the other feet, where that is how it goes on. */
  readonly otherWays: readonly DancedWay[];
}

function danceFigures(library: Library): readonly DancedFigure[] {
  return [...library.readings.values()].flatMap(({ figure, faults }) =>
    faults.length === 0 && isOffered(figure.pattern) ? (danceFigure(figure) ?? []) : [],
  );
}

function danceFigure(figure: Figure): DancedFigure | undefined {
  const couple = readCouple(figure);
  if (!couple) return undefined;
  const otherWays = footRepeats(figure) === 2 ? waysOf(otherForm(couple)) : [];
  return { figure, couple, ways: waysOf(couple), otherWays };
}

/** Its ways whose holds fit what both turn. */
function waysOf(couple: Couple): readonly DancedWay[] {
  const { dance } = couple.figure;
  const turn = partTurn(couple.follow) - partTurn(couple.lead);
  return holdLines(couple)
    .flat()
    .filter(line => {
      const [from, to] = [line[0].hold.rel, (line.at(-1) ?? line[0]).hold.rel];
      return from === undefined || to === undefined || modulo(to - from - turn, 360) === 0;
    })
    .map(line => danceWay(dance, line, dancePoses(couple, line)));
}

const entryOf = ({ line }: DancedWay) => line[0].hold.id;
const exitOf = ({ line }: DancedWay) => (line.at(-1) ?? line[0]).hold.id;

/** For each way into A the exit, and the exit of B, with the fewest hints; what fails first. */
function joinOf(first: DancedFigure, second: DancedFigure): readonly JoinFinding[] {
  // After itself it is danced over and over.
  if (first === second || !canFollow(first.figure, second.figure)) return [];
  const found = new Map<string, JoinFinding>();
  for (const entry of new Set(first.ways.map(entryOf))) {
    let best: { hints: readonly CarriedHint[]; off: Off } | undefined;
    for (const way of first.ways.filter(one => entryOf(one) === entry)) {
      const off = offAfter(way, NOT_OFF);
      const cut = { ahead: wholeGrains(off.ahead), side: wholeGrains(off.side) };
      for (const next of second.ways.filter(one => entryOf(one) === exitOf(way))) {
        const hints = hintsAt(next, cut);
        if (!best || hints.length < best.hints.length) best = { hints, off };
      }
    }
    const hint = best?.hints[0];
    if (!best || !hint) continue;
    const code = CODES[hint.code];
    if (!found.has(code))
      found.set(code, findingOf({ first, second, failing: second, code, hint, off: best.off }));
  }
  return [...found.values()];
}

/** The same off leads into a way from many figures: it is danced once. */
const known = new WeakMap<DancedWay, Map<string, readonly CarriedHint[]>>();

function hintsAt(way: DancedWay, off: Off): readonly CarriedHint[] {
  const byOff = known.get(way) ?? new Map<string, readonly CarriedHint[]>();
  known.set(way, byOff);
  const key = `${off.ahead.toFixed(2)} ${off.side.toFixed(2)}`;
  const hints = byOff.get(key) ?? carriedHints(way, off);
  byOff.set(key, hints);
  return hints;
}

/** Towards nothing, in whole grains. */
function wholeGrains(metres: number): number {
  return Math.trunc(metres / GRAIN + Math.sign(metres) * 1e-9) * GRAIN;
}

/** A figure over and over; where it cannot follow itself, by turns with the first that links to and from it. */
function repeatOf(one: DancedFigure, all: readonly DancedFigure[]): readonly JoinFinding[] {
  const { figure } = one;
  if (followsItself(figure)) {
    const times = Math.min(MOST_TIMES, Math.max(LEAST_TIMES, figureClosure(figure).all ?? LEAST_TIMES));
    return overAndOver([one], times);
  }
  const partner = partnerOf(one, all);
  if (!partner || joinOf(one, partner).length > 0 || joinOf(partner, one).length > 0) return [];
  // Once a pair, at the one that stands first.
  const isTwice =
    all.indexOf(partner) < all.indexOf(one) &&
    !followsItself(partner.figure) &&
    partnerOf(partner, all) === one;
  return isTwice ? [] : overAndOver([one, partner], ROUNDS);
}

/** The first of the library that links to a figure and from it. */
function partnerOf(one: DancedFigure, all: readonly DancedFigure[]): DancedFigure | undefined {
  return all.find(
    other =>
      other !== one &&
      holdsAndFeetLink(one.figure, other.figure) &&
      holdsAndFeetLink(other.figure, one.figure),
  );
}

function followsItself(figure: Figure): boolean {
  if (holdsAndFeetLink(figure, figure)) return true;
  const exits = allExitHolds(figure.pattern);
  return footRepeats(figure) === 2 && entryHolds(figure.pattern).some(entry => exits.includes(entry));
}

/** So many rounds of figures, uncut, from each way in: the first hint after the first figure. */
function overAndOver(round: readonly DancedFigure[], times: number): readonly JoinFinding[] {
  const [first] = round;
  if (!first) return [];
  for (const entry of new Set(first.ways.map(entryOf))) {
    let off = NOT_OFF;
    let hold = entry;
    let afterFirst: Off = NOT_OFF;
    for (let time = 1; time <= times; time += 1) {
      for (const [index, danced] of round.entries()) {
        const isOther = danced.otherWays.length > 0 && time % 2 === 0;
        const next = entryAt(round, (index + 1) % round.length);
        const way = bestWay(isOther ? danced.otherWays : danced.ways, hold, next, off);
        if (!way) return [];
        const isFirst = time === 1 && index === 0;
        const [hint] = isFirst ? [] : carriedHints(way, off);
        if (hint)
          return [
            findingOf({
              ...{ first, second: round.at(-1) ?? first, failing: danced, code: 'creeps', hint, times: time },
              off: time === 1 ? off : afterFirst,
            }),
          ];
        off = offAfter(way, off);
        hold = exitOf(way);
      }
      if (time === 1) afterFirst = off;
    }
  }
  return [];
}

/** From a hold the way, to a hold that leads on, with the fewest hints. */
function bestWay(
  ways: readonly DancedWay[],
  hold: string,
  next: DancedFigure,
  off: Off,
): DancedWay | undefined {
  const goesOn = new Set(entryHolds(next.figure.pattern));
  let best: { way: DancedWay; hints: number } | undefined;
  for (const way of ways) {
    if (entryOf(way) !== hold || !goesOn.has(exitOf(way))) continue;
    const hints = carriedHints(way, off).length;
    if (!best || hints < best.hints) best = { way, hints };
  }
  return best?.way;
}

interface Found {
  readonly first: DancedFigure;
  readonly second: DancedFigure;
  readonly failing: DancedFigure;
  readonly code: JoinFinding['code'];
  readonly hint: CarriedHint;
  readonly off: Off;
  readonly times?: number;
}

function findingOf({ first, second, failing, code, hint, off, times }: Found): JoinFinding {
  const metres = Math.hypot(off.ahead, off.side);
  const { figure, couple } = failing;
  const [a, b] = [first.figure.pattern.name, second.figure.pattern.name];
  const count = stepCount(figure, couple.follow, hint.step);
  const way = offInWords(off, first);
  const alone = first === second;
  const message =
    times === undefined
      ? `${a} leaves the follower ${way}; in ${b} at ${count} ${hint.words}`
      : `${alone ? 'over and over' : `by turns with ${b}`} it leaves the follower ${way} each time; the ${ordinal(times)} time ${alone ? '' : `in ${figure.pattern.name} `}at ${count} ${hint.words}`;
  return {
    ...{ first: first.figure.pattern.id, second: second.figure.pattern.id },
    ...(times !== undefined && { times }),
    ...{ code, figure: figure.pattern.id, step: hint.step, metres, message },
  };
}

function ordinal(number: number): string {
  return (
    ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'][number - 1] ?? `${number}th`
  );
}

/** Which way the follower is off, seen along the direction of the hold. */
function offInWords({ ahead, side }: Off, { ways }: DancedFigure): string {
  const hold = ways[0]?.line.at(-1)?.hold;
  const { middle } = hold ? holdPlace(hold) : { middle: { ahead: 1, side: 0 } };
  const usual = Math.hypot(middle.ahead, middle.side);
  const [cos, sin] = usual === 0 ? [1, 0] : [middle.ahead / usual, middle.side / usual];
  const [along, across] = [ahead * cos + side * sin, side * cos - ahead * sin];
  if (Math.abs(along) >= Math.abs(across))
    return `${printMetres(along)} too ${along > 0 ? 'far away' : 'near'}`;
  return `${printMetres(across)} too far to the leader’s ${across > 0 ? 'left' : 'right'}`;
}
