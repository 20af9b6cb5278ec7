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

/** Reads one step. `isAction` knows the actions of the dance. */
export function parseStep(text: string, isAction: (word: string) => boolean): Result<Step, StepFault> {
  const words = text.trim().split(/\s+/);
  const foot = words.shift()?.toUpperCase();
  if (foot !== 'L' && foot !== 'R' && foot !== 'B')
    return bad(`"${text}" does not begin with a foot; write L, R or B: ${SHAPE}`);
  const turnBefore = takeTurn(words);
  const action = words.shift()?.toLowerCase();
  if (action === undefined) return bad(`"${text}" has no action; write ${SHAPE}`);
  if (TURN.test(action)) return bad(`"${text}" turns twice before its action; write ${SHAPE}`);
  if (!isAction(action))
    return failure({ code: 'unknown-action', message: `"${action}" is not an action of this dance` });
  if (foot === 'B' && !BOTH_FEET_ACTIONS.has(action))
    return bad(`both feet cannot "${action}"; B goes with ${[...BOTH_FEET_ACTIONS].join(', ')}`);
  const qualifiers: Qualifier[] = [];
  while (words.length > 0 && isQualifier(words[0])) qualifiers.push(words.shift() as Qualifier);
  const turnAfter = takeTurn(words);
  if (words.length > 0) return bad(`"${words.join(' ')}" is not understood in "${text}"; write ${SHAPE}`);
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

function takeTurn(words: string[]): number {
  return words[0] !== undefined && TURN.test(words[0]) ? Number(words.shift()) : 0;
}

function isQualifier(word: string | undefined): word is Qualifier {
  return QUALIFIERS.some(qualifier => qualifier === word);
}

function bad(message: string): Result<never, StepFault> {
  return failure({ code: 'bad-step', message });
}
