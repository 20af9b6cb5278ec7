// The stands that figures can lead to from a start: how the couple stands, what was danced last and how often in a row, and which
// choice is open. Breadth first; as many nodes as figures by their ways, facings and rows.
import { modulo } from '../model/units.ts';
import { feetAgree } from '../steps/links.ts';
import type { Choice, CombineRequest, Stand } from './request.ts';
import { ANY_HOLD, facingCircle, type SequenceFigure, type SequenceWay } from './usable-figures.ts';

export interface StandNode extends Stand {
  readonly index: number;
  /** The figure danced last; undefined at the start. */
  readonly last: SequenceFigure | undefined;
  /** How often it was danced in a row. */
  readonly row: number;
  /** A bit for each choice whose figure was just set after the one it follows. */
  readonly open: number;
  readonly moves: Move[];
}

/** A figure danced on one of its ways from one stand to the next. */
export interface Move {
  readonly figure: SequenceFigure;
  readonly way: SequenceWay;
  readonly to: StandNode;
  /** A bit for each time that it must be danced: of those the lowest that is open is met. */
  readonly must: number;
  /** A bit for each choice that is met with it. */
  readonly chosen: number;
}

/** The bits that are met after a move. */
export function metAfter(met: number, { must, chosen }: Pick<Move, 'must' | 'chosen'>): number {
  const open = must & ~met;
  return met | chosen | (open & -open);
}

export interface StandGraph {
  readonly nodes: readonly StandNode[];
  readonly isEnd: (node: StandNode) => boolean;
  /** Bits that must all be met. */
  readonly all: number;
}

/** What is not asked, to find out what stands in the way. */
export type RuleKind = 'hold' | 'foot' | 'facing' | 'row' | 'must';

/** The graph of a request over its figures; rules that are left out are not asked. */
export function buildStandGraph(
  request: CombineRequest,
  figures: readonly SequenceFigure[],
  leftOut: ReadonlySet<RuleKind> = new Set(),
): StandGraph {
  const rules = rulesOf(request, figures, leftOut);
  const nodes: StandNode[] = [];
  const known = new Map<string, StandNode>();
  const nodeAt = (
    stand: Stand,
    last: SequenceFigure | undefined,
    { row, open }: { row: number; open: number },
  ) => {
    const key = `${stand.hold} ${stand.facing} ${last?.id ?? ''} ${row} ${open}`;
    const kept = known.get(key);
    if (kept) return kept;
    const node: StandNode = { ...stand, index: nodes.length, last, row, open, moves: [] };
    known.set(key, node);
    nodes.push(node);
    return node;
  };
  nodeAt(rules.start, undefined, { row: 0, open: 0 });
  for (const node of nodes)
    for (const figure of figures) {
      if (!rules.mayBegin(node, figure)) continue;
      const row = node.last === figure ? Math.min(node.row + 1, rules.mostRow) : 1;
      const { met, open } = rules.choicesAfter(node, figure);
      for (const way of figure.ways) {
        const hold = rules.holdAfter(node, way);
        if (hold === undefined) continue;
        const feet = Object.fromEntries(figure.ends);
        const facing = rules.facingAfter(node, figure);
        const to = nodeAt({ hold, feet, facing }, figure, { row, open });
        node.moves.push({ figure, way, to, must: rules.mustBits(figure), chosen: met });
      }
    }
  return { nodes, isEnd: rules.isEnd, all: rules.all };
}

/** Bits of numbers are asked in one go: more musts and choices than these cannot be asked for. */
export const MOST_MUSTS = 24;

function rulesOf(
  { dance, start, end, use, must, choices, maxInRow, beats }: CombineRequest,
  figures: readonly SequenceFigure[],
  leftOut: ReadonlySet<RuleKind>,
) {
  const asks = (rule: RuleKind) => !leftOut.has(rule);
  const circle = figures[0]?.figure.dance.id === dance ? facingCircle(figures[0].figure.dance) : 360;
  const musts = asks('must') ? must : [];
  const asked = asks('must') ? choices : [];
  const mayUse = new Set(use);
  const facingOf = (degrees: number) => (asks('facing') ? modulo(degrees, circle) : 0);
  const goal: Stand =
    typeof end === 'object' ? end : { ...start, facing: start.facing + (end === 'opposite' ? 180 : 0) };
  const shortest = Math.min(...figures.map(one => one.beats));
  const asksRow = asks('row') && maxInRow * shortest < beats;
  const feetFit = (feet: Stand['feet'], wanted: SequenceFigure['starts']) =>
    !asks('foot') || wanted.every(([role, foot]) => feetAgree(feet[role] ?? 'any', foot));
  return {
    start: { ...start, facing: facingOf(start.facing) },
    mostRow: asksRow ? maxInRow : 1,
    all: 2 ** (musts.length + asked.length) - 1,
    mustBits: ({ id }: SequenceFigure) =>
      musts.reduce((bits, one, index) => (one === id ? bits | (1 << index) : bits), 0),
    mayBegin: (node: StandNode, figure: SequenceFigure) =>
      feetFit(node.feet, figure.starts) &&
      (!asks('facing') || isAligned(figure, node.facing, circle)) &&
      (!asksRow || node.last !== figure || node.row < maxInRow) &&
      isWithinChoice(node, figure, asked, mayUse),
    holdAfter: (node: Stand, { entry, exit }: SequenceWay) => {
      if (entry === ANY_HOLD) return node.hold;
      return !asks('hold') || entry === node.hold ? exit : undefined;
    },
    facingAfter: (node: Stand, { turn }: SequenceFigure) => facingOf(node.facing + turn),
    choicesAfter: (node: StandNode, { id }: SequenceFigure) => {
      let [met, open] = [0, 0];
      for (const [index, choice] of asked.entries()) {
        const bit = 1 << index;
        const isAfter = node.last?.id === choice.after;
        if (id === choice.before && (node.open & bit || (isAfter && choice.of.includes(null))))
          met |= bit << musts.length;
        if (isAfter && choice.of.includes(id)) open |= bit;
      }
      return { met, open };
    },
    isEnd: (node: StandNode) =>
      node.last !== undefined &&
      (!asks('hold') || node.hold === goal.hold || dancesAlone(node)) &&
      (!asks('foot') || feetMeet(node, goal)) &&
      (!asks('facing') || modulo(node.facing - goal.facing, circle) === 0) &&
      isOver(node, asked, mayUse),
  };
}

function dancesAlone({ last }: StandNode): boolean {
  return last?.figure.dance.roles === 'solo';
}

function feetMeet({ last, feet }: StandNode, goal: Stand): boolean {
  return (last?.ends ?? []).every(([role]) => feetAgree(feet[role] ?? 'any', goal.feet[role] ?? 'any'));
}

function isAligned({ aligned }: SequenceFigure, facing: number, circle: number): boolean {
  return aligned === undefined || aligned.some(start => modulo(start - facing, circle) === 0);
}

/** A figure that may not be danced otherwise is danced between the two of its choice, or not. */
function isWithinChoice(
  node: StandNode,
  figure: SequenceFigure,
  choices: readonly Choice[],
  mayUse: ReadonlySet<string>,
): boolean {
  const isOnly = ({ id }: SequenceFigure) => !mayUse.has(id);
  if (isOnly(figure))
    return choices.some(choice => choice.after === node.last?.id && choice.of.includes(figure.id));
  if (!node.last || !isOnly(node.last)) return true;
  return choices.some((choice, index) => node.open & (1 << index) && choice.before === figure.id);
}

function isOver(node: StandNode, choices: readonly Choice[], mayUse: ReadonlySet<string>): boolean {
  return choices.length === 0 || !node.last || mayUse.has(node.last.id);
}
