// What a teacher types into a cell of the step sheet: `b`, `L fwd`, `right +90 side`, `fwd, close`, or the name of
// a piece. A foot that is not named is the free one; an action may be cut short to how it begins.

import type { Dance, Foot, WeightClass } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
import { failure, type Result, success } from '../model/result.ts';
import type { Action } from '../model/step-words.ts';
import { danceActions } from './figure.ts';
import { dancePieces, pieceOn } from './pieces.ts';
import { nearestOf, parseStep, printStep, type Step, splitPart } from './step.ts';
import { type FreeFoot, readWeight } from './weight.ts';
import { actionInWords } from './words.ts';

/** Actions in the order in which a beginning is completed: the usual ones first. */
const USUAL: readonly Action[] = [
  ...['fwd', 'back', 'side', 'close', 'replace', 'place', 'tap', 'touch', 'cross-behind', 'cross-front'],
  ...['kick', 'hop', 'diag-fwd', 'diag-back', 'lock-behind', 'lock-front', 'pivot', 'point', 'swivel'],
  ...[
    'brush',
    'flick',
    'spin',
    'heel',
    'toe',
    'heel-drop',
    'scuff',
    'hitch',
    'sweep',
    'rise',
    'land',
    'wait',
    'dip',
  ],
];

const FEET: Readonly<Record<string, Foot>> = { l: 'L', left: 'L', r: 'R', right: 'R', both: 'B' };

export interface TypedContext {
  readonly dance: Dance;
  /** The foot that is free where the typing begins. */
  readonly free: FreeFoot;
}

/** What is typed most, in two letters. */
const SHORT: Readonly<Record<string, Action>> = {
  xf: 'cross-front',
  xb: 'cross-behind',
  df: 'diag-fwd',
  db: 'diag-back',
  lf: 'lock-front',
  lb: 'lock-behind',
};

const RUN = /^(?:xf|xb|df|db|lf|lb|[bcfprst]){2,}$/i;

/** `scsbr` is five steps, where no action begins so: the usual ones by their first letters. */
function runOf(word: string, actions: ReadonlyMap<Action, WeightClass>): readonly string[] {
  if (!RUN.test(word) || matchingActions(word.toLowerCase(), actions).length > 0) return [word];
  return word.toLowerCase().match(/xf|xb|df|db|lf|lb|[bcfprst]/g) ?? [word];
}

/** Reads what was typed into steps as they are written in a part; a fault says what is not understood. */
export function readTypedSteps(text: string, { dance, free }: TypedContext): Result<readonly Step[], string> {
  const actions = danceActions(dance);
  const pieces = dancePieces(dance);
  const steps: Step[] = [];
  for (const word of splitPart(text)) {
    const at = steps.length === 0 ? free : freeAfterAll(steps, free, actions);
    const piece = pieces.find(({ id, name }) => [id, name.toLowerCase()].includes(word.toLowerCase()));
    if (piece) {
      steps.push(...pieceOn(dance, piece, at));
      continue;
    }
    for (const one of runOf(word, actions)) {
      const next = steps.length === 0 ? free : freeAfterAll(steps, free, actions);
      const step = readTypedStep(idsForWords(one, actions), next, actions);
      if (!step.ok) return step;
      steps.push(step.value);
    }
  }
  return success(steps);
}

/** What a beginning can become, the likeliest first: whole steps as they are written, and pieces by name. */
export function suggestSteps(typed: string, { dance, free }: TypedContext, limit = 6): readonly string[] {
  const actions = danceActions(dance);
  const word = typed.split(',').at(-1)?.trimStart() ?? '';
  if (runOf(word, actions).length > 1) {
    const run = readTypedSteps(word, { dance, free });
    return run.ok ? [run.value.map(printStep).join(', ')] : [];
  }
  const last = idsForWords(word, actions);
  const { foot, turn, begun, rest } = takeApart(last);
  if (rest.length > 0) return [];
  const found = matchingActions(begun, actions).map(action =>
    [footFor(foot, action, free, actions), ...turn, action].join(' '),
  );
  const pieces = foot
    ? []
    : (dance.pieces ?? []).filter(piece => begins(piece, begun)).map(({ name }) => name);
  return [...found.slice(0, limit - Math.min(2, pieces.length)), ...pieces].slice(0, limit);
}

function begins(piece: { id: string; name: string }, begun: string): boolean {
  return begun.length > 1 && [piece.id, piece.name.toLowerCase()].some(word => word.startsWith(begun));
}

/** `cross in front` is one action: the words of an action give way to its id. */
function idsForWords(text: string, actions: ReadonlyMap<Action, WeightClass>): string {
  const lower = text.toLowerCase();
  const action = [...actions.keys()].find(id => {
    const words = actionInWords(id);
    return words.includes(' ') && lower.includes(words);
  });
  return action === undefined ? lower : lower.replace(actionInWords(action), action);
}

/** The words of one step by what they are. */
function takeApart(text: string) {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const [first = '', second] = words;
  // "r" alone begins an action such as replace; with something after it, it is a foot.
  const isFoot =
    ownEntry(FEET, first) !== undefined && (second !== undefined || /\s$/.test(text) || first.length > 1);
  const foot = isFoot ? ownEntry(FEET, words.shift() ?? '') : undefined;
  const turn = isTurn(words[0]) ? [words.shift() as string] : [];
  const [begun = '', ...rest] = words;
  return { foot, turn, begun, rest };
}

function isTurn(word: string | undefined): boolean {
  return word !== undefined && /^[+-]\d{1,4}$/.test(word);
}

function matchingActions(begun: string, actions: ReadonlyMap<Action, WeightClass>): readonly Action[] {
  const short = ownEntry(SHORT, begun);
  const own = [...actions.keys()].filter(action => !USUAL.includes(action));
  const found = [...own, ...USUAL].filter(
    action => action !== short && (action.startsWith(begun) || actionInWords(action).startsWith(begun)),
  );
  return short ? [short, ...found] : found;
}

function readTypedStep(
  text: string,
  free: FreeFoot,
  actions: ReadonlyMap<Action, WeightClass>,
): Result<Step, string> {
  const { foot, turn, begun, rest } = takeApart(text);
  const exact = [...actions.keys()].find(action => action === begun || actionInWords(action) === begun);
  const action = exact ?? (begun === '' ? undefined : matchingActions(begun, actions)[0]);
  if (action === undefined)
    return failure(
      begun === ''
        ? 'what does the foot do? write fwd, back, side …'
        : `"${begun}" is no action here; there are ${nearestOf(begun, actions.keys())}`,
    );
  const written = [footFor(foot, action, free, actions), ...turn, action, ...rest].join(' ');
  const step = parseStep(written, actions);
  return step.ok ? step : failure(step.fault.message);
}

/** The foot that was named; else the one that can do the action. */
function footFor(
  named: Foot | undefined,
  action: Action,
  free: FreeFoot,
  actions: ReadonlyMap<Action, WeightClass>,
): Foot {
  if (named) return named;
  if (action === 'land') return 'B';
  const foot = free === 'R' ? 'R' : 'L';
  const stays = actions.get(action) === 'stays' && free !== 'any' && free !== 'both';
  return stays ? (foot === 'L' ? 'R' : 'L') : foot;
}

function freeAfterAll(
  steps: readonly Step[],
  free: FreeFoot,
  actions: ReadonlyMap<Action, WeightClass>,
): FreeFoot {
  const { end } = readWeight(steps, step => actions.get(step.action) ?? 'takes');
  return end === 'any' ? free : end;
}
