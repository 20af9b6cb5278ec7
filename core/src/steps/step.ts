import type { Foot } from '../model/document.ts';
import type { CheckCode } from '../model/issue.ts';
import { failure, type Result, success } from '../model/result.ts';
import { type Action, BOTH_FEET_ACTIONS, QUALIFIERS, type Qualifier } from '../model/step-words.ts';

/** One step of a part. Turns in degrees, anticlockwise positive; `turnBefore` is made before the foot lands. */
export interface Step {
  readonly foot: Foot;
  readonly turnBefore: number;
  readonly action: Action;
  readonly qualifiers: readonly Qualifier[];
  readonly turnAfter: number;
}

export interface StepFault {
  readonly code: Extract<CheckCode, 'bad-step' | 'unknown-action'>;
  readonly message: string;
}

const TURN = /^[+-]\d{1,4}$/;
const SHAPE = 'FOOT [TURN] ACTION [QUALIFIER…] [TURN], such as "L fwd" or "R +90 side small"';

/** The steps of a part, as written between its commas; an empty part has none. */
export function splitPart(part: string): readonly string[] {
  return part.trim() === '' ? [] : part.split(',').map(step => step.trim());
}

/** A turn goes by eighths, and a step holds two whole ones at most, before and after it together. */
const EIGHTH = 45;
const MOST_TURN = 720;

/** Reads one step in the actions of its dance. A refusal says what would be taken. */
export function parseStep(
  text: string,
  actions: Pick<ReadonlyMap<string, unknown>, 'has' | 'keys'>,
): Result<Step, StepFault> {
  const words = text.trim().split(/\s+/);
  const foot = words.shift()?.toUpperCase();
  if (foot !== 'L' && foot !== 'R' && foot !== 'B')
    return bad(`"${text}" does not begin with a foot; write L, R or B: ${SHAPE}`);
  const turnBefore = takeTurn(words);
  const action = words.shift()?.toLowerCase();
  if (action === undefined) return bad(`"${text}" has no action; write ${SHAPE}`);
  if (TURN.test(action)) return bad(`"${text}" turns twice before its action; write ${SHAPE}`);
  if (!actions.has(action))
    return failure({
      code: 'unknown-action',
      message: `"${action}" is not an action of this dance; it has ${nearestOf(action, actions.keys())}`,
    });
  if (foot === 'B' && !BOTH_FEET_ACTIONS.has(action))
    return bad(`both feet cannot "${action}"; B goes with ${[...BOTH_FEET_ACTIONS].join(', ')}`);
  const qualifiers: Qualifier[] = [];
  while (words.length > 0 && isQualifier(words[0])) qualifiers.push(words.shift() as Qualifier);
  const turnAfter = takeTurn(words);
  if (words.length > 0)
    return bad(
      `"${words.join(' ')}" is not understood in "${text}"; after the action stand ${QUALIFIERS.join(', ')}, and a turn such as +90`,
    );
  const twice = qualifiers.find((qualifier, index) => qualifiers.indexOf(qualifier) !== index);
  if (twice) return bad(`"${twice}" stands twice in "${text}"`);
  const odd = [turnBefore, turnAfter].find(turn => turn % EIGHTH !== 0);
  if (odd !== undefined) return bad(oddTurn(odd));
  if (Math.abs(turnBefore) + Math.abs(turnAfter) > MOST_TURN)
    return bad(`"${text}" turns more than ${MOST_TURN}, two whole turns, in one step`);
  return success({ foot, turnBefore, action, qualifiers, turnAfter });
}

/** The step as it is written in a part. */
export function printStep(step: Step): string {
  const turn = (degrees: number) => (degrees === 0 ? [] : [degrees > 0 ? `+${degrees}` : String(degrees)]);
  return [step.foot, ...turn(step.turnBefore), step.action, ...step.qualifiers, ...turn(step.turnAfter)].join(
    ' ',
  );
}

/** Degrees that the dancer turns in the step, before and after the foot lands. */
export function stepTurn(step: Step): number {
  return step.turnBefore + step.turnAfter;
}

const MOST_NAMED = 8;

/** Words that would be taken instead of one that is not: those that begin most alike first, and as many as can be read at once. */
export function nearestOf(word: string, taken: Iterable<string>): string {
  const all = [...taken];
  const alike = new Map(all.map(other => [other, lettersAlike(word, other)]));
  const named = all.toSorted((a, b) => (alike.get(b) ?? 0) - (alike.get(a) ?? 0)).slice(0, MOST_NAMED);
  return `${named.join(', ')}${all.length > named.length ? ' and more' : ''}`;
}

function lettersAlike(a: string, b: string): number {
  const [one, other] = [a.toLowerCase(), b.toLowerCase()];
  let count = 0;
  while (count < one.length && one[count] === other[count]) count += 1;
  return count;
}

function oddTurn(turn: number): string {
  const below = Math.floor(turn / EIGHTH) * EIGHTH;
  const signed = (degrees: number) => (degrees > 0 ? `+${degrees}` : `${degrees}`);
  return `turns go by eighths, 45 degrees: write ${signed(below)} or ${signed(below + EIGHTH)}, not ${signed(turn)}`;
}

function takeTurn(words: string[]): number {
  return words[0] !== undefined && TURN.test(words[0]) ? Number(words.shift()) : 0;
}

function isQualifier(word: string | undefined): word is Qualifier {
  return QUALIFIERS.some(qualifier => qualifier === word);
}

function bad(message: string): Result<never, StepFault> {
  return failure({ code: 'bad-step', message });
}
