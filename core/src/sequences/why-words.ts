// Why there is no sequence, in a teacher's words.
import { printBeats } from '../model/fraction.ts';
import { modulo, type Ticks, ticks } from '../model/units.ts';
import { findHold } from '../steps/holds.ts';
import { turnInWords } from '../steps/words.ts';
import type { Asked } from './asked.ts';
import type { Conflict } from './must-conflict.ts';
import type { CombineRequest } from './request.ts';
import { waysOf } from './shortest-through.ts';
import type { StandGraph } from './stand-graph.ts';
import type { SequenceFigure } from './usable-figures.ts';

export function untimedMessage(ids: readonly string[]): string {
  if (ids.length === 0) return 'no figure is given that may be danced';
  return `${listed(ids)} ${ids.length === 1 ? 'has' : 'have'} no beats, so that nobody can say how the music is met`;
}

/** Where a way ends that is asked for by hold, or by hold and feet. */
export function wayMessage(
  { request, figures }: Asked,
  graph: StandGraph,
  rule: 'hold' | 'foot',
  must: string | undefined,
): string {
  const stands = rule === 'hold' ? holdOf(figures, request.start.hold) : 'this hold on these feet';
  const [start] = graph.nodes;
  if (!start || start.moves.length === 0) return `no figure of these begins in ${stands}`;
  if (must === undefined)
    return `no way of these figures leads from ${stands} ${goalWords(request, figures, rule)}`;
  const name = nameOf(figures, must);
  const { from } = waysOf(graph);
  const isReached = graph.nodes.some(
    node => from.has(node) && node.moves.some(({ figure }) => figure.id === must),
  );
  if (!isReached) return `${name} cannot be reached from ${stands} with these figures`;
  const leaves = [...new Set(figures.find(({ id }) => id === must)?.ways.map(({ exit }) => exit))];
  const left = rule === 'hold' ? leaves.map(hold => holdOf(figures, hold)).join(' or ') : 'how it ends';
  return `${name} has no way back: none of these figures leads on from ${left} ${goalWords(request, figures, rule)}`;
}

function goalWords(
  { start, end }: CombineRequest,
  figures: readonly SequenceFigure[],
  rule: 'hold' | 'foot',
) {
  if (rule === 'foot') return 'to the foot it has to end on';
  const goal = typeof end === 'object' ? end.hold : start.hold;
  return goal === start.hold ? 'back to where it began' : `to ${holdOf(figures, goal)}`;
}

export function lengthsMessage(beats: Ticks, lengths: readonly number[]): string {
  const near = [lengths.filter(one => one > 0 && one < beats).at(-1), lengths.find(one => one > beats)];
  const words = near.flatMap(one => (one === undefined ? [] : [printBeats(ticks(one))])).join(' or ');
  const instead = words ? `; ${words} would do` : '';
  return `the beats of these figures never add up to ${printBeats(beats)} with the couple where it has to end${instead}`;
}

export function facingMessage({ end, start }: CombineRequest, instead: readonly number[]): string {
  if (instead.length === 0)
    return 'no order of these figures lets each of them begin where it faces the line of dance as it has to';
  const wanted = typeof end === 'object' ? end.facing - start.facing : end === 'opposite' ? 180 : 0;
  const words = instead.map(more => turnInWords(shortWay(more - wanted))).join(', ');
  return `in these beats the couple always ends turned away from where it has to face: ${words}`;
}

function shortWay(degrees: number): number {
  const left = modulo(degrees, 360);
  return left > 180 ? left - 360 : left;
}

export function rowMessage(most: number, least: number | undefined): string {
  const instead = least === undefined ? '' : `; with ${least} there is a way`;
  return `some figure would have to be danced more often in a row than ${most}${instead}`;
}

export function mustsMessage({ request, figures }: Asked, { must, choices }: Conflict): string {
  const names = [
    ...[...new Set(must)].map(id => {
      const times = must.filter(one => one === id).length;
      return times > 1 ? `${nameOf(figures, id)} ${times} times` : nameOf(figures, id);
    }),
    ...choices.map(
      ({ after, before }) => `the choice between ${nameOf(figures, after)} and ${nameOf(figures, before)}`,
    ),
  ];
  const beats = printBeats(request.beats);
  const needed = must.reduce((sum, id) => sum + (figures.find(one => one.id === id)?.beats ?? 0), 0);
  if (needed > request.beats)
    return `${listed(names)} last ${printBeats(ticks(needed))} beats by themselves, more than ${beats}`;
  return names.length === 1
    ? `${names[0]} cannot be danced in ${beats} beats that end as they have to`
    : `${listed(names)} cannot all be danced in ${beats} beats that end as they have to`;
}

function nameOf(figures: readonly SequenceFigure[], id: string): string {
  return figures.find(figure => figure.id === id)?.figure.pattern.name ?? id;
}

function holdOf([first]: readonly SequenceFigure[], id: string): string {
  return (first && findHold(first.figure.dance, id)?.name) ?? id;
}

function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
