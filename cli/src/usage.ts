import { parseArgs } from 'node:util';

/** Input that cannot be used: one line on standard error, exit 2. */
export class UsageError extends Error {
  override readonly name = 'UsageError';
}

export interface Arguments {
  readonly words: readonly string[];
  readonly options: ReadonlyMap<string, string>;
}

/** Options that are said or not; every other one takes a value, which may begin with a minus. */
const FLAGS: ReadonlySet<string> = new Set(['from-nothing']);

/** Splits `FILE 3 --seed 1` into words and options. */
export function readArguments(list: readonly string[], known: readonly string[]): Arguments {
  const { values, positionals } = parse(list, known);
  const options = new Map<string, string>();
  for (const [name, all = []] of Object.entries(values)) {
    const [value, ...more] = all;
    if (more.length > 0) throw new UsageError(`--${name} stands twice`);
    if (value !== undefined) options.set(name, String(value));
  }
  return { words: positionals, options };
}

function parse(list: readonly string[], known: readonly string[]) {
  const options = Object.fromEntries(
    known.map(name => [name, { type: FLAGS.has(name) ? 'boolean' : 'string', multiple: true } as const]),
  );
  try {
    return parseArgs({ args: withValues(list, known), options, allowPositionals: true });
  } catch (error) {
    throw new UsageError(faultOf(error, list, known));
  }
}

/** `--beats -6` as `--beats=-6`, which is not taken for two options. */
function withValues(list: readonly string[], known: readonly string[]): string[] {
  const args: string[] = [];
  for (let index = 0; index < list.length; index += 1) {
    const word = list[index] ?? '';
    const value = list[index + 1];
    const name = word.startsWith('--') ? word.slice(2) : '';
    const takesValue = known.includes(name) && !FLAGS.has(name) && value !== undefined;
    args.push(takesValue ? `${word}=${value}` : word);
    if (takesValue) index += 1;
  }
  return args;
}

function faultOf(error: unknown, list: readonly string[], known: readonly string[]): string {
  const code = error instanceof Error && 'code' in error ? error.code : undefined;
  const unknown = list.find(
    word => word.startsWith('-') && !known.includes(word.slice(2).split('=')[0] ?? ''),
  );
  if (code === 'ERR_PARSE_ARGS_UNKNOWN_OPTION' && unknown !== undefined)
    return `${unknown} is not an option here; there are ${known.map(name => `--${name}`).join(' ') || 'none'}`;
  if (code === 'ERR_PARSE_ARGS_INVALID_OPTION_VALUE') return `${list.at(-1)} needs a value`;
  return error instanceof Error ? error.message : String(error);
}

/** The words a verb takes, by name; too few or too many are refused. */
export function takeWords(args: Arguments, ...names: readonly string[]): string[] {
  if (args.words.length !== names.length)
    throw new UsageError(`expected ${names.join(' ') || 'no words'}, got ${args.words.length} word(s)`);
  return [...args.words];
}

/** A whole number option in a range. */
export function wholeOption(
  args: Arguments,
  name: string,
  range: readonly [number, number],
): number | undefined {
  const text = args.options.get(name);
  return text === undefined ? undefined : readWhole(text, `--${name}`, range);
}

export function readWhole(text: string, what: string, [least, most]: readonly [number, number]): number {
  const value = Number(text);
  if (!/^-?\d+$/.test(text) || value < least || value > most)
    throw new UsageError(`${what} must be a whole number from ${least} to ${most}, got "${text}"`);
  return value;
}
