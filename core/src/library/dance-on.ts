// The dance goes on: each figure of a library joined to each that may follow it, and danced over and over.
import {
  type CarriedHint,
  carriedHints,
  type DancedWay,
  NOT_OFF,
  type Off,
  offAfter,
} from '../couple/carry.ts';
import { figureClosure, footRepeats } from '../floor/closure.ts';
import { entryAt } from '../model/entry-at.ts';
import { groupBy } from '../model/group-by.ts';
import type { Figure } from '../steps/figure.ts';
import { allExitHolds, entryHolds } from '../steps/holds.ts';
import { canFollow, holdsAndFeetLink } from '../steps/links.ts';
import { type DancedFigure, danceFigure, danceFigures, entryOf, exitOf } from './danced-figures.ts';
import { findingOf, type JoinFinding } from './join-words.ts';
import type { Library } from './library.ts';

const CODES = { collide: 'join-collide', apart: 'join-apart', 'wrong-side': 'join-wrong-side' } as const;
const GRAIN = 0.05;
const LEAST_TIMES = 4;
const MOST_TIMES = 8;
const ROUNDS = 4;

/** The figures of a library, danced once for whatever is asked of the ways between them. */
export interface DanceOn {
  /** What fails after a figure, which may stand in the library in another form: each link, then over and over. */
  after(figure: Figure): readonly JoinFinding[];
  /** The figures that may follow it, and how each joins on the floor, in the order of the library. */
  joins(figure: Figure): readonly FigureJoin[];
}

/** `care`: it goes as dancers adapt by themselves, and would not if they did not; `fails`: it does not go all the same. */
export interface FigureJoin {
  readonly id: string;
  readonly goes: 'well' | 'care' | 'fails';
  /** Where the follower is left, and what happens then; empty where it goes well. */
  readonly left: string;
  readonly there: string;
}

/**
 * Dances a library on: each link from the middle of its hold, then each figure over and over, or by turns with the first that
 * leads to and from it. Each figure is danced once for each of its ways; a link is a look-up.
 */
export function danceOn(library: Library): DanceOn {
  let whole: Floor | undefined;
  const around = (figure: Figure) => {
    whole ??= floorOf(danceFigures(library));
    const { all } = whole;
    const there = all.find(one => one.figure === figure);
    if (there) return { own: there, floor: whole };
    const own = danceFigure(figure);
    if (!own) return undefined;
    // In its own form, in the place of what the library has under its id.
    const others = all.map(one => (one.figure.pattern.id === figure.pattern.id ? own : one));
    return { own, floor: { ...whole, all: others.includes(own) ? others : [...others, own] } };
  };
  return {
    after: figure => {
      const found = around(figure);
      return found ? findingsAfter(found.own, found.floor) : [];
    },
    joins: figure => {
      const found = around(figure);
      if (!found) return [];
      const { own, floor } = found;
      return floor.all.filter(next => floor.mayFollow(own, next)).map(next => howItJoins(own, next));
    },
  };
}

type Rule = (one: DancedFigure, next: DancedFigure) => boolean;

/** The figures that are danced among each other, and who may follow whom. */
interface Floor {
  readonly all: readonly DancedFigure[];
  readonly mayFollow: Rule;
  /** By hold and feet. */
  readonly links: Rule;
}

function floorOf(all: readonly DancedFigure[]): Floor {
  return { all, mayFollow: onceAPair(canFollow), links: onceAPair(holdsAndFeetLink) };
}

/** What lets figures follow one another is one of few kinds: each pair of kinds is looked at once. */
function onceAPair(rule: (one: Figure, next: Figure) => boolean): Rule {
  const known = new Map<string, Map<string, boolean>>();
  return (one, next) => {
    const after = known.get(one.ends) ?? new Map<string, boolean>();
    known.set(one.ends, after);
    const isKnown = after.get(next.starts) ?? rule(one.figure, next.figure);
    after.set(next.starts, isKnown);
    return isKnown;
  };
}

/** As dancers adapt, and as it would be if they did not. */
function howItJoins(own: DancedFigure, next: DancedFigure): FigureJoin {
  const { id } = next.figure.pattern;
  if (own === next) return { id, goes: 'well', left: '', there: '' };
  const [fault] = joinOf(own, next);
  if (fault) return { id, goes: 'fails', left: fault.left, there: fault.there };
  const [stiff] = joinOf(own, next, false);
  return { id, goes: stiff ? 'care' : 'well', left: stiff?.left ?? '', there: stiff?.there ?? '' };
}

/** What fails between the figures of a library, in their order. */
export function findJoins(library: Library): readonly JoinFinding[] {
  const floor = floorOf(danceFigures(library));
  return floor.all.flatMap(one => findingsAfter(one, floor));
}

/** What fails where the second figure is danced after the first, and where both go on by turns; after itself, over and over. */
export function findJoinsOf(library: Library, first: string, second: string): readonly JoinFinding[] {
  const floor = floorOf(danceFigures(library));
  const pair = floor.all.filter(({ figure }) => figure.pattern.id === first || figure.pattern.id === second);
  return pair
    .flatMap(one => findingsAfter(one, floor))
    .filter(one => one.times !== undefined || one.first === first)
    .filter(one => {
      const both = [one.first, one.second];
      return (
        both.includes(first) && both.includes(second) && (first === second) === (one.first === one.second)
      );
    });
}

function findingsAfter(one: DancedFigure, floor: Floor): readonly JoinFinding[] {
  // After itself it is danced over and over.
  const others = floor.all.filter(next => next !== one && floor.mayFollow(one, next));
  return [...others.flatMap(next => joinOf(one, next)), ...repeatOf(one, floor)];
}

/** For each way into A the exit, and the exit of B, with the fewest hints; what fails first. */
function joinOf(first: DancedFigure, second: DancedFigure, adapts = true): readonly JoinFinding[] {
  const found = new Map<string, JoinFinding>();
  for (const ends of endsOf(first, adapts)) {
    let best: { hints: readonly CarriedHint[]; off: Off } | undefined;
    for (const { hold, off, cut, key } of ends) {
      const hints = hintsFrom(second, { hold, cut, key, adapts });
      if (hints && (!best || hints.length < best.hints.length)) best = { hints, off };
    }
    const hint = best?.hints[0];
    if (!best || !hint) continue;
    const code = CODES[hint.code];
    if (!found.has(code))
      found.set(code, findingOf({ first, second, failing: second, code, hint, off: best.off }));
  }
  return [...found.values()];
}

interface End {
  readonly hold: string;
  readonly off: Off;
  readonly cut: Off;
  readonly key: string;
}

const knownEnds = new WeakMap<DancedFigure, readonly (readonly End[])[]>();

/** Where a figure leaves the couple, for each way into it by each way out. */
function endsOf(danced: DancedFigure, adapts: boolean): readonly (readonly End[])[] {
  const kept = adapts ? knownEnds.get(danced) : undefined;
  if (kept) return kept;
  const ends = [...groupBy(danced.ways, entryOf).values()].map(ways =>
    ways.map((way): End => {
      const off = offAfter(way, NOT_OFF, adapts);
      const cut = { ahead: wholeGrains(off.ahead), side: wholeGrains(off.side) };
      const hold = exitOf(way);
      return { hold, off, cut, key: `${hold} ${cut.ahead.toFixed(2)} ${cut.side.toFixed(2)}` };
    }),
  );
  if (adapts) knownEnds.set(danced, ends);
  return ends;
}

/** The same off leads into a figure from many others: it is danced once. */
const knownHints = new WeakMap<DancedFigure, Map<string, readonly CarriedHint[] | undefined>>();

/** What fails where a figure is come into in a hold off by so much, by the exit with the fewest; undefined where it is no way in. */
function hintsFrom(
  danced: DancedFigure,
  { hold, cut, key, adapts }: Omit<End, 'off'> & { readonly adapts: boolean },
): readonly CarriedHint[] | undefined {
  const byKey = knownHints.get(danced) ?? new Map<string, readonly CarriedHint[] | undefined>();
  knownHints.set(danced, byKey);
  if (adapts && byKey.has(key)) return byKey.get(key);
  const all = danced.ways.filter(way => entryOf(way) === hold).map(way => carriedHints(way, cut, adapts));
  const [first, ...others] = all;
  const least = first && others.reduce((best, one) => (one.length < best.length ? one : best), first);
  if (adapts) byKey.set(key, least);
  return least;
}

/** Towards nothing, in whole grains. */
function wholeGrains(metres: number): number {
  return Math.trunc(metres / GRAIN + Math.sign(metres) * 1e-9) * GRAIN;
}

/** A figure over and over; where it cannot follow itself, by turns with the first that links to and from it. */
function repeatOf(one: DancedFigure, floor: Floor): readonly JoinFinding[] {
  const { figure } = one;
  if (followsItself(figure)) {
    const times = Math.min(MOST_TIMES, Math.max(LEAST_TIMES, figureClosure(figure).all ?? LEAST_TIMES));
    return overAndOver([one], times);
  }
  const partner = partnerOf(one, floor);
  const isTold = (first: DancedFigure, second: DancedFigure) =>
    floor.mayFollow(first, second) && joinOf(first, second).length > 0;
  if (!partner || isTold(one, partner) || isTold(partner, one)) return [];
  // Once a pair, at the one that stands first.
  const isTwice =
    floor.all.indexOf(partner) < floor.all.indexOf(one) &&
    !followsItself(partner.figure) &&
    partnerOf(partner, floor) === one;
  return isTwice ? [] : overAndOver([one, partner], ROUNDS);
}

/** The first of the library that links to a figure and from it. */
function partnerOf(one: DancedFigure, { all, links }: Floor): DancedFigure | undefined {
  return all.find(other => other !== one && links(one, other) && links(other, one));
}

/** True where a figure may follow itself by hold and feet, or on the other feet. */
export function followsItself(figure: Figure): boolean {
  if (holdsAndFeetLink(figure, figure)) return true;
  if (footRepeats(figure) !== 2) return false;
  const [entries, exits] = [entryHolds(figure.pattern), allExitHolds(figure.pattern)];
  return figure.dance.roles === 'solo' || entries.some(entry => exits.includes(entry));
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
