// Why there is no sequence: one kind of rule after the other is asked, from the hold on, until one cannot be met.
import { ticks } from '../model/units.ts';
import type { Asked } from './asked.ts';
import { fillCompletionTable, lengthsToEnd } from './completion-table.ts';
import { smallestConflict } from './must-conflict.ts';
import type { CombineRequest } from './request.ts';
import { shortestThrough } from './shortest-through.ts';
import { buildStandGraph, type RuleKind } from './stand-graph.ts';
import type { SequenceFigure } from './usable-figures.ts';
import {
  facingMessage,
  lengthsMessage,
  mustsMessage,
  rowMessage,
  untimedMessage,
  wayMessage,
} from './why-words.ts';

export interface NoSequence {
  readonly rule: 'untimed' | 'hold' | 'foot' | 'lengths' | 'facing' | 'row' | 'must' | 'place';
  readonly message: string;
  /** Figures outside the request, each of which alone opens a way; the shortest first. */
  readonly opens?: readonly string[];
  /** Where none does it alone: those that do it together. */
  readonly together?: readonly string[];
}

/** The reason, where even without the couple's place there is none; a search for each figure that could open a way. */
export function whyNone(asked: Asked): NoSequence {
  return (
    noBeats(asked) ??
    noWay(asked, 'hold', ['foot', 'facing', 'row', 'must']) ??
    noWay(asked, 'foot', ['facing', 'row', 'must']) ??
    noLength(asked) ??
    noFacing(asked) ??
    noRow(asked) ??
    noMusts(asked)
  );
}

function noBeats({ request, figures, untimed }: Asked): NoSequence | undefined {
  const missing = request.must.filter(id => untimed.includes(id));
  if (missing.length === 0 && figures.length > 0) return undefined;
  return { rule: 'untimed', message: untimedMessage(missing.length > 0 ? missing : untimed) };
}

/** Whether a way leads from the start to the end, and one through each must: by hold, or by hold and feet. */
function noWay(asked: Asked, rule: 'hold' | 'foot', rest: readonly RuleKind[]): NoSequence | undefined {
  const { request, figures, others } = asked;
  const leftOut = new Set(rest);
  const graph = buildStandGraph(request, figures, leftOut);
  const ways: readonly { readonly id?: string }[] = [{}, ...request.must.map(id => ({ id }))];
  const blocked = ways.find(({ id }) => shortestThrough(graph, id) === undefined);
  if (!blocked) return undefined;
  const message = wayMessage(asked, graph, rule, blocked.id);
  const outside = others.filter(other => figures.every(({ id }) => id !== other.id));
  const wayWith = (more: readonly SequenceFigure[]) => {
    const wider = { ...request, use: [...request.use, ...more.map(({ id }) => id)] };
    return shortestThrough(buildStandGraph(wider, [...figures, ...more], leftOut), blocked.id);
  };
  const opens = outside
    .flatMap(other => {
      const way = wayWith([other]);
      return way ? [{ id: other.id, length: way.length }] : [];
    })
    .sort((a, b) => a.length - b.length)
    .map(({ id }) => id);
  if (opens.length > 0) return { rule, message, opens };
  const all = wayWith(outside);
  const together = outside.filter(other => all?.includes(other)).map(({ id }) => id);
  return { rule, message, ...(together.length > 0 && { together }) };
}

/** Whether the beats can be filled at all. */
function noLength({ request, figures }: Asked): NoSequence | undefined {
  const graph = buildStandGraph(request, figures, new Set(['facing', 'row', 'must']));
  const lengths = lengthsToEnd(graph, ticks(request.beats * 2));
  if (lengths.includes(request.beats)) return undefined;
  return { rule: 'lengths', message: lengthsMessage(request.beats, lengths) };
}

function noFacing({ request, figures }: Asked): NoSequence | undefined {
  const leftOut = new Set<RuleKind>(['row', 'must']);
  if (isPossible(request, figures, leftOut)) return undefined;
  const instead = [45, 90, 135, 180, 225, 270, 315].filter(more => {
    const facing = request.start.facing + more;
    return isPossible({ ...request, end: { ...request.start, facing } }, figures, leftOut);
  });
  return { rule: 'facing', message: facingMessage(request, instead) };
}

const MOST_IN_ROW = 12;

function noRow({ request, figures }: Asked): NoSequence | undefined {
  const leftOut = new Set<RuleKind>(['must']);
  if (isPossible(request, figures, leftOut)) return undefined;
  let least = request.maxInRow + 1;
  while (least < MOST_IN_ROW && !isPossible({ ...request, maxInRow: least }, figures, leftOut)) least += 1;
  return { rule: 'row', message: rowMessage(request.maxInRow, least < MOST_IN_ROW ? least : undefined) };
}

function noMusts(asked: Asked): NoSequence {
  const { request, figures } = asked;
  const conflict = smallestConflict(request, (must, choices) =>
    isPossible({ ...request, must, choices }, figures, new Set()),
  );
  return { rule: 'must', message: mustsMessage(asked, conflict) };
}

function isPossible(
  request: CombineRequest,
  figures: readonly SequenceFigure[],
  leftOut: ReadonlySet<RuleKind>,
): boolean {
  const graph = buildStandGraph(request, figures, leftOut);
  const [start] = graph.nodes;
  return start !== undefined && fillCompletionTable(graph, request.beats).least(start, 0, 0) !== undefined;
}
