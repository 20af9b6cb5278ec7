import { modulo } from '../model/units.ts';
import { type Cut, canJoin, figureCuts } from '../steps/cuts.ts';
import { type Figure, figureTurn } from '../steps/figure.ts';
import { alignments, canFollow, holdsAndFeetLink } from '../steps/links.ts';
import type { FreeFoot } from '../steps/weight.ts';
import { isOffered, type Library } from './library.ts';

export interface Links {
  /** Ids of the figures that may follow, in the order of the library. */
  readonly after: readonly string[];
  readonly before: readonly string[];
}

/**
 * What may follow a figure and what it may follow; figures with faults are left out. The figure stands in the
 * library in its own form, also where that holds another under its id or none.
 */
export function figureLinks(library: Library, figure: Figure): Links {
  const others = figuresWith(library, figure);
  return {
    after: others.filter(other => canFollow(figure, other)).map(idOf),
    before: others.filter(other => canFollow(other, figure)).map(idOf),
  };
}

/** Solo figures that may follow on the other foot, with left and right changed, and not as they are. */
export function linksOnOtherFoot(library: Library, figure: Figure): readonly string[] {
  if (figure.dance.roles !== 'solo') return [];
  return figuresWith(library, figure)
    .filter(other => !canFollow(figure, other) && canFollow(figure, onOtherFoot(other)))
    .map(idOf);
}

function onOtherFoot(figure: Figure): Figure {
  const other = (foot: FreeFoot): FreeFoot => (foot === 'L' ? 'R' : foot === 'R' ? 'L' : foot);
  const parts = figure.parts.map(part => ({ ...part, start: other(part.start), end: other(part.end) }));
  return { ...figure, parts };
}

/**
 * The shortest way by links from a figure back to itself, as the ids danced in between; empty when it can follow
 * itself, undefined when nothing leads back. Breadth first, each figure once.
 */
export function findWayBack(library: Library, start: Figure): readonly string[] | undefined {
  if (canFollow(start, start)) return [];
  const others = figuresWith(library, start).filter(figure => figure !== start);
  const cameFrom = new Map<Figure, Figure>();
  let edge = [start];
  while (edge.length > 0) {
    const next: Figure[] = [];
    for (const figure of edge)
      for (const other of others) {
        if (cameFrom.has(other) || !canFollow(figure, other)) continue;
        cameFrom.set(other, figure);
        if (canFollow(other, start)) return trail(other, start, cameFrom);
        next.push(other);
      }
    edge = next;
  }
  return undefined;
}

function trail(last: Figure, start: Figure, cameFrom: ReadonlyMap<Figure, Figure>): readonly string[] {
  const ids: string[] = [];
  for (let at: Figure | undefined = last; at && at !== start; at = cameFrom.get(at)) ids.unshift(idOf(at));
  return ids;
}

export interface MakeUp {
  readonly id: string;
  /** Degrees that the couple turns besides the figure's own turn, to the left positive. */
  readonly degrees: number;
}

/**
 * When a figure on a line of dance turned by `danced` degrees instead of its own turn: how much each figure that
 * goes on from its hold and feet must turn more, the least first. Elsewhere nothing has to be made up.
 */
export function turnsToMakeUp(library: Library, figure: Figure, danced: number): readonly MakeUp[] {
  if (figure.dance.floor !== 'line') return [];
  const facings = alignments(figure).map(start => start + danced);
  return figuresWith(library, figure)
    .filter(other => holdsAndFeetLink(figure, other))
    .map(other => ({ id: idOf(other), degrees: leastTurn(facings, alignments(other)) }))
    .sort((a, b) => Math.abs(a.degrees) - Math.abs(b.degrees));
}

/** By how much a figure's turn came up short: what is left of it, to the left positive. */
export function turnShortBy(figure: Figure, danced: number): number {
  return figureTurn(figure) - danced;
}

function leastTurn(from: readonly number[], to: readonly number[]): number {
  const turns = from.flatMap(facing => to.map(start => modulo(start - facing + 180, 360) - 180));
  return turns.reduce((least, turn) => (Math.abs(turn) < Math.abs(least) ? turn : least));
}

export interface Join {
  readonly head: Cut;
  readonly tail: Cut;
}

/** The halves of a figure with those of others: its heads with their tails, then their heads with its tails. */
export function figureJoins(library: Library, figure: Figure): readonly Join[] {
  const own = figureCuts(figure);
  if (own.length === 0) return [];
  const others = figuresWith(library, figure)
    .filter(other => other !== figure)
    .flatMap(figureCuts);
  return [
    ...own.flatMap(head => others.filter(tail => canJoin(head, tail)).map(tail => ({ head, tail }))),
    ...own.flatMap(tail => others.filter(head => canJoin(head, tail)).map(head => ({ head, tail }))),
  ];
}

/** The figures on offer without faults, in the order of the library, with this one in the place of its id or at the end. */
function figuresWith(library: Library, figure: Figure): readonly Figure[] {
  const isThere = library.readings.has(idOf(figure));
  const there = [...library.readings.values()].flatMap(reading =>
    idOf(reading.figure) === idOf(figure)
      ? [figure]
      : reading.faults.length === 0 && isOffered(reading.figure.pattern)
        ? [reading.figure]
        : [],
  );
  return isThere ? there : [...there, figure];
}

function idOf({ pattern }: Figure): string {
  return pattern.id;
}
