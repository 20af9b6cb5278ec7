// When a figure does not end as it should: how the couple stands then, what can be danced on from there, and the shortest way home.
import type { Library } from '../library/library.ts';
import type { Hold } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { modulo, ticks } from '../model/units.ts';
import { type Figure, figureTurn, findPart, partTurn } from '../steps/figure.ts';
import { holdTouches, touchKey } from '../steps/hold-shape.ts';
import { exitHolds, findHold } from '../steps/holds.ts';
import { alignments } from '../steps/links.ts';
import type { FreeFoot } from '../steps/weight.ts';
import { homeStart } from './home-start.ts';
import { type CombineRequest, type Stand, standOf } from './request.ts';
import { shortestThrough } from './shortest-through.ts';
import { buildStandGraph, type RuleKind } from './stand-graph.ts';
import { ANY_HOLD, usableFigure } from './usable-figures.ts';

/** What went wrong: a turn that stopped so many degrees short, a hand that was missed, the weight on the other foot. */
export type Mishap =
  | { readonly kind: 'short'; readonly degrees: number }
  | { readonly kind: 'hand' }
  | { readonly kind: 'foot' };

export interface Rescue {
  readonly mishap: Mishap;
  /** The hold that the couple is in then; undefined where the dance has none like it: the turn is finished first. */
  readonly hold: string | undefined;
  /** Ids of figures that can be danced from there, in the order in which they were given. */
  readonly next: readonly string[];
  /** Ids on the shortest way to where the basics begin; undefined where there is none. */
  readonly home: readonly string[] | undefined;
}

const SHORT_BY = [45, 90, 180];

/** What may happen at the end of a figure, and what is known to go on from there; `known`: figures that may be danced. */
export function rescuesOf(library: Library, figure: Figure, known: readonly string[]): readonly Rescue[] {
  const end = endOf(figure);
  const home = homeStart(library, known);
  if (!end || !home) return [];
  const stands: readonly { mishap: Mishap; stand: Stand | undefined }[] = [
    ...SHORT_BY.flatMap(degrees => shortOf(figure, end, degrees)),
    ...missedHand(figure, end),
    ...wrongFoot(end),
  ];
  return stands.map(({ mishap, stand }): Rescue => {
    if (!stand) return { mishap, hold: undefined, next: [], home: undefined };
    return {
      mishap,
      hold: stand.hold,
      ...waysFrom(library, figure, { stand, known, home: standOf(home.start) }),
    };
  });
}

function endOf(figure: Figure): Stand | undefined {
  const usable = usableFigure(figure);
  const [entry] = figure.pattern.entry ?? [];
  const isSolo = figure.dance.roles === 'solo';
  if (!usable || (!isSolo && entry === undefined)) return undefined;
  const hold = entry === undefined ? ANY_HOLD : (exitHolds(figure.pattern, entry)[0] ?? ANY_HOLD);
  const [facing = 0] = figure.dance.floor === 'line' ? alignments(figure) : [];
  return { hold, feet: Object.fromEntries(usable.ends), facing: facing + figureTurn(figure) };
}

/** The follower stands less far round the leader, or the couple on the line of dance. */
function shortOf(
  figure: Figure,
  end: Stand,
  degrees: number,
): readonly { mishap: Mishap; stand: Stand | undefined }[] {
  const [lead, follow] = [findPart(figure, 'lead'), findPart(figure, 'follow')];
  const mishap: Mishap = { kind: 'short', degrees };
  if (!lead || !follow) return [];
  const round = partTurn(follow) - partTurn(lead);
  if (Math.abs(round) >= degrees) {
    const own = findHold(figure.dance, end.hold);
    if (own?.rel === undefined) return [];
    const hold = holdLike(figure, own, own.rel - Math.sign(round) * degrees, false);
    return [{ mishap, stand: hold && { ...end, hold: hold.id } }];
  }
  const turn = figureTurn(figure);
  if (figure.dance.floor !== 'line' || Math.abs(turn) < degrees) return [];
  return [{ mishap, stand: { ...end, facing: end.facing - Math.sign(turn) * degrees } }];
}

function missedHand(figure: Figure, end: Stand): readonly { mishap: Mishap; stand: Stand | undefined }[] {
  const own = findHold(figure.dance, end.hold);
  if (!own || holdTouches(own).length === 0) return [];
  const hold = holdLike(figure, own, own.rel, true);
  return hold ? [{ mishap: { kind: 'hand' }, stand: { ...end, hold: hold.id } }] : [];
}

function wrongFoot(end: Stand): readonly { mishap: Mishap; stand: Stand }[] {
  const other = (foot: FreeFoot): FreeFoot => (foot === 'L' ? 'R' : foot === 'R' ? 'L' : foot);
  const feet = Object.fromEntries(Object.entries(end.feet).map(([role, foot]) => [role, other(foot)]));
  const isOther = Object.values(end.feet).some(foot => foot === 'L' || foot === 'R');
  return isOther ? [{ mishap: { kind: 'foot' }, stand: { ...end, feet } }] : [];
}

/** The hold of the dance at this angle that touches no more than another does, the most of it; fewer where that is asked. */
function holdLike(
  { dance }: Figure,
  own: Hold,
  rel: number | undefined,
  touchesFewer: boolean,
): Hold | undefined {
  const has = new Set(holdTouches(own).map(touchKey));
  const touches = (hold: Hold) => holdTouches(hold).length;
  return dance.holds
    .filter(hold => hold !== own && isAt(hold.rel, rel))
    .filter(hold => holdTouches(hold).every(touch => has.has(touchKey(touch))))
    .filter(hold => !touchesFewer || touches(hold) < has.size)
    .reduce<Hold | undefined>((best, one) => (best && touches(best) >= touches(one) ? best : one), undefined);
}

function isAt(rel: number | undefined, wanted: number | undefined): boolean {
  return rel === undefined || wanted === undefined || modulo(rel - wanted, 360) === 0;
}

interface Way {
  readonly stand: Stand;
  readonly known: readonly string[];
  readonly home: Stand;
}

function waysFrom(
  library: Library,
  { dance }: Figure,
  { stand, known, home }: Way,
): Pick<Rescue, 'next' | 'home'> {
  const usable = known.flatMap(id => {
    const figure = library.readings.get(id)?.figure;
    return (figure?.dance.id === dance.id && usableFigure(figure)) || [];
  });
  const request: CombineRequest = {
    ...{ dance: dance.id, use: usable.map(({ id }) => id), beats: ticks(1), start: stand, end: home },
    ...{ must: [], choices: [], maxInRow: Number.POSITIVE_INFINITY, count: 1 },
  };
  const leftOut = new Set<RuleKind>(dance.floor === 'line' ? ['row', 'must'] : ['facing', 'row', 'must']);
  const graph = buildStandGraph(request, usable, leftOut);
  const next = new Set(entryAt(graph.nodes, 0).moves.map(({ figure }) => figure.id));
  return { next: [...next], home: shortestThrough(graph)?.map(({ id }) => id) };
}
