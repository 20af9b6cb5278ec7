// Finds the first place where a text stops being JSON (RFC 8259), and how deep it nests, before anything
// recurses over it. One pass with an explicit stack; linear.

export interface JsonFault {
  /** Characters from the start of the text. */
  readonly position: number;
  readonly message: string;
}

export const MAX_DEPTH = 32;

const ESCAPE = /\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4})/y;
const NUMBER = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?/y;
const WORD = /true|false|null/y;
const SPACE = /[ \t\n\r]*/y;

type Expectation = 'value' | 'first-value' | 'first-key' | 'key' | 'colon' | 'next';

export interface JsonBounds {
  readonly depth: number;
  /** How many values the text may hold in all; no bound when it is left out. */
  readonly values?: number;
}

/** Undefined when the text is JSON within these bounds. */
export function findJsonFault(
  text: string,
  { depth, values = Number.POSITIVE_INFINITY }: JsonBounds = { depth: MAX_DEPTH },
): JsonFault | undefined {
  const open: ('{' | '[')[] = [];
  let count = 0;
  let expected: Expectation = 'value';
  let position = skip(SPACE, text, 0);
  while (position < text.length) {
    const character = text.charAt(position);
    let end = position + 1;
    if (
      (character === '}' && (expected === 'next' || expected === 'first-key') && open.at(-1) === '{') ||
      (character === ']' && (expected === 'next' || expected === 'first-value') && open.at(-1) === '[')
    ) {
      open.pop();
      expected = 'next';
    } else if (expected === 'next') {
      if (open.length === 0) return { position, message: 'expected the end of the file' };
      if (character !== ',')
        return { position, message: `expected "," or "${open.at(-1) === '{' ? '}' : ']'}"` };
      expected = open.at(-1) === '{' ? 'key' : 'value';
    } else if (expected === 'colon') {
      if (character !== ':') return { position, message: 'expected ":" after a key' };
      expected = 'value';
    } else if (expected === 'key' || expected === 'first-key') {
      end = skipString(text, position);
      if (end === position) return { position, message: 'expected a key in double quotes' };
      expected = 'colon';
    } else if (character === '{' || character === '[') {
      open.push(character);
      if (open.length > depth) return { position, message: `nests deeper than ${depth} levels` };
      count += 1;
      expected = character === '{' ? 'first-key' : 'first-value';
    } else {
      end =
        character === '"'
          ? skipString(text, position)
          : Math.max(skip(NUMBER, text, position), skip(WORD, text, position));
      if (end === position) return { position, message: 'expected a value' };
      expected = 'next';
      count += 1;
    }
    if (count > values)
      return { position, message: `holds more than ${values.toLocaleString('en-GB')} values` };
    position = skip(SPACE, text, end);
  }
  if (open.length > 0 || expected !== 'next')
    return { position: text.length, message: 'the file ends too early' };
  return undefined;
}

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const FIRST_PRINTED = 0x20;

/** The end of the string that begins here; `position` itself where there is none. Strings of any length. */
function skipString(text: string, position: number): number {
  if (text.charCodeAt(position) !== QUOTE) return position;
  let at = position + 1;
  while (at < text.length) {
    const code = text.charCodeAt(at);
    if (code === QUOTE) return at + 1;
    if (code < FIRST_PRINTED) return position;
    const next = code === BACKSLASH ? skip(ESCAPE, text, at) : at + 1;
    if (next === at) return position;
    at = next;
  }
  return position;
}

function skip(token: RegExp, text: string, position: number): number {
  token.lastIndex = position;
  return token.test(text) ? token.lastIndex : position;
}
