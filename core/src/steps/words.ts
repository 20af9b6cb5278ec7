import { ownEntry } from '../model/entry-at.ts';
import { modulo } from '../model/units.ts';
import type { Step } from './step.ts';

const TURN_NAMES: Readonly<Record<number, string>> = {
  45: 'eighth',
  90: 'quarter',
  135: 'three eighths',
  180: 'half',
  225: 'five eighths',
  270: 'three quarters',
  315: 'seven eighths',
};

const ACTION_WORDS: Readonly<Record<string, string>> = {
  fwd: 'forward',
  'diag-fwd': 'diagonally forward',
  'diag-back': 'diagonally back',
  'cross-front': 'cross in front',
  'cross-behind': 'cross behind',
  'lock-front': 'lock in front',
  'lock-behind': 'lock behind',
  'heel-drop': 'heel drop',
};

const FOOT_WORDS = { L: 'left', R: 'right', B: 'both' } as const;

/** A turn as a teacher says it: `half right`, `full and quarter left`; anticlockwise is left. */
export function turnInWords(degrees: number): string {
  const size = Math.abs(degrees);
  const full = Math.floor(size / 360);
  const part = modulo(size, 360);
  const fullWords = full === 0 ? [] : [full === 1 ? 'full' : `${full} full`];
  const partWords = part === 0 ? [] : [TURN_NAMES[part] ?? `${part}°`];
  return `${[...fullWords, ...partWords].join(' and ')} ${degrees > 0 ? 'left' : 'right'}`;
}

/** A turn's words with their article, as they stand in a sentence: `a quarter left`, `half right`. */
export function withArticle(turn: string): string {
  return turn.replace(/^(quarter|full)\b/, 'a $1').replace(/^eighth\b/, 'an eighth');
}

/** An action as it is called: `forward`, `cross behind`. */
export function actionInWords(action: string): string {
  return ownEntry(ACTION_WORDS, action) ?? action;
}

/** What stands in a step's cell beside its foot, line by line: the action, how it is danced, the turns before it and after. */
export function cellWords(step: Step): readonly string[] {
  return [
    actionInWords(step.action),
    ...(step.qualifiers.length > 0 ? [step.qualifiers.join(', ')] : []),
    ...(step.turnBefore === 0 ? [] : [`${turnInWords(step.turnBefore)}, then step`]),
    ...(step.turnAfter === 0 ? [] : [`then ${turnInWords(step.turnAfter)}`]),
  ];
}

const QUALIFIER_WORDS: Readonly<Record<string, string>> = {
  ball: 'on the ball',
  heel: 'on the heel',
  toe: 'on the toe',
  flat: 'on the flat foot',
};

/** A step in words: `left forward, small, then a quarter left`. */
export function stepInWords(step: Step): string {
  const before = step.turnBefore === 0 ? '' : `, turning ${withArticle(turnInWords(step.turnBefore))}`;
  const after = step.turnAfter === 0 ? '' : `, then ${withArticle(turnInWords(step.turnAfter))}`;
  const how = step.qualifiers.map(word => `, ${ownEntry(QUALIFIER_WORDS, word) ?? word}`).join('');
  return `${FOOT_WORDS[step.foot]} ${actionInWords(step.action)}${how}${before}${after}`;
}
