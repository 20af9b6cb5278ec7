import { failure, type Result, success } from '../model/result.ts';

export interface RhythmFault {
  /** Characters from the start of the text. */
  readonly position: number;
  readonly message: string;
  /** Where it is not the rhythm that is wrong, but its beats. */
  readonly of?: 'beats';
}

export interface RhythmToken {
  readonly kind: 'number' | 'part' | 'length';
  readonly label: string;
  readonly rest: boolean;
  readonly position: number;
}

const WORD = /^(?:slow|quick|\d+|[sq&ea])/i;

/** Splits a rhythm into counts, parts of a beat, slows and quicks; `(x)` marks x as a rest. */
export function tokenizeRhythm(text: string): Result<RhythmToken[], RhythmFault> {
  const tokens: RhythmToken[] = [];
  let position = 0;
  let open: number | null = null;
  let inside = 0;
  while (position < text.length) {
    const character = text.charAt(position);
    if (/\s/.test(character)) {
      position += 1;
    } else if (character === '(') {
      if (open !== null) return failure({ position, message: 'parentheses hold one event; close the first' });
      open = position++;
      inside = 0;
    } else if (character === ')') {
      if (open === null || inside !== 1)
        return failure({ position, message: 'parentheses hold exactly one event, such as (4)' });
      open = null;
      position += 1;
    } else {
      const word = WORD.exec(text.slice(position))?.[0];
      if (!word)
        return failure({
          position,
          message: `"${character}" is not part of a rhythm; use counts with e & a, or S and Q, or free`,
        });
      tokens.push({ ...readWord(word), rest: open !== null, position });
      position += word.length;
      inside += 1;
      if (open !== null && inside > 1)
        return failure({ position: open, message: 'parentheses hold one event; write (3) (4)' });
    }
  }
  if (open !== null) return failure({ position: open, message: 'this parenthesis is never closed' });
  return success(tokens);
}

export function isNumberToken(token: RhythmToken): boolean {
  return token.kind === 'number';
}

function readWord(word: string): { kind: RhythmToken['kind']; label: string } {
  if (/^\d/.test(word)) return { kind: 'number', label: word };
  if (/^[sq]/i.test(word)) return { kind: 'length', label: word.charAt(0).toUpperCase() };
  return { kind: 'part', label: word.toLowerCase() };
}
