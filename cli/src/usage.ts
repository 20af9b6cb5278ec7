/** Input that cannot be used: one line on standard error, exit 2. */
export class UsageError extends Error {
  override readonly name = 'UsageError';
}

export interface Arguments {
  readonly words: readonly string[];
  readonly options: ReadonlyMap<string, string>;
}

/** Splits `FILE 3 --seed 1` into words and options; every option takes a value. */
export function readArguments(list: readonly string[], known: readonly string[]): Arguments {
  const words: string[] = [];
  const options = new Map<string, string>();
  for (let index = 0; index < list.length; index += 1) {
    const word = list[index] as string;
    if (!word.startsWith('--')) {
      words.push(word);
      continue;
    }
    const name = word.slice(2);
    const value = list[index + 1];
    if (!known.includes(name))
      throw new UsageError(
        `${word} is not an option here; there are ${known.map(o => `--${o}`).join(' ') || 'none'}`,
      );
    if (value === undefined) throw new UsageError(`${word} needs a value`);
    if (options.has(name)) throw new UsageError(`${word} stands twice`);
    options.set(name, value);
    index += 1;
  }
  return { words, options };
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
