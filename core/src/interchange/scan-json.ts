// Finds the first place where a text stops being JSON (RFC 8259), and how deep it nests, before anything
// recurses over it. One pass with an explicit stack; linear.

export interface JsonFault {
  /** Characters from the start of the text. */
  readonly position: number;
  readonly message: string;
}

export const MAX_DEPTH = 32;

// biome-ignore lint/suspicious/noControlCharactersInRegex: JSON forbids them unescaped in strings
const STRING = /"(?:[^"\\\u0000-\u001f]|\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4}))*"/y;
const NUMBER = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?/y;
const WORD = /true|false|null/y;
const SPACE = /[ \t\n\r]*/y;

type Expectation = 'value' | 'first-value' | 'first-key' | 'key' | 'colon' | 'next';

/** Undefined when the text is JSON no deeper than `maxDepth`. */
export function findJsonFault(text: string, maxDepth: number = MAX_DEPTH): JsonFault | undefined {
  const open: ('{' | '[')[] = [];
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
      end = skip(STRING, text, position);
      if (end === position) return { position, message: 'expected a key in double quotes' };
      expected = 'colon';
    } else if (character === '{' || character === '[') {
      open.push(character);
      if (open.length > maxDepth) return { position, message: `nests deeper than ${maxDepth} levels` };
      expected = character === '{' ? 'first-key' : 'first-value';
    } else {
      end = Math.max(...[STRING, NUMBER, WORD].map(token => skip(token, text, position)));
      if (end === position) return { position, message: 'expected a value' };
      expected = 'next';
    }
    position = skip(SPACE, text, end);
  }
  if (open.length > 0 || expected !== 'next')
    return { position: text.length, message: 'the file ends too early' };
  return undefined;
}

function skip(token: RegExp, text: string, position: number): number {
  token.lastIndex = position;
  return token.test(text) ? token.lastIndex : position;
}
