import type { Role } from '../model/document.ts';
import { NUMBER_WORDS } from '../model/number-words.ts';
import type { Figure } from '../steps/figure.ts';

export type SlipKind = 'count' | 'side' | 'foot' | 'turn' | 'repeat' | 'name' | 'week' | 'hold';

/** A place of a text that disagrees with what is known. */
export interface Slip {
  readonly kind: SlipKind;
  /** Positions in the text, in UTF-16 units; the second is the one after the last. */
  readonly from: number;
  readonly to: number;
  readonly said: string;
  /** What would agree, in words. */
  readonly meant: string;
}

/** A stretch of a text that speaks of one figure. */
export interface Passage {
  readonly text: string;
  /** Where it begins in the whole text. */
  readonly at: number;
  readonly figure: Figure;
  /** Undefined where no role is named. */
  readonly role: Role | undefined;
}

/** A slip at a match within a passage. */
export function slipAt(
  kind: SlipKind,
  { at }: Pick<Passage, 'at'>,
  index: number,
  said: string,
  meant: string,
): Slip {
  return { kind, from: at + index, to: at + index + said.length, said, meant };
}

/** Matches a whole number as digits or as a word. */
export const NUMBER = `\\d+|${NUMBER_WORDS.slice(1).join('|')}`;

export function numberOf(word: string): number {
  const index = NUMBER_WORDS.indexOf(word.toLowerCase());
  return index >= 0 ? index : Number(word);
}
