import type { Combination, Filling } from '@map-step/core';

type Items = Combination['steps'];
type Item = Items[number];

/** Figures in turn; the same one at once again is one item, danced so many times. */
export function itemsFrom(patterns: readonly string[]): Items {
  const items: { pattern: string; times?: number }[] = [];
  for (const pattern of patterns) {
    const last = items.at(-1);
    if (last?.pattern === pattern) last.times = (last.times ?? 1) + 1;
    else items.push({ pattern });
  }
  return items;
}

/** With figures found for stretches, the last stretch first; and where some of the items outside them are then. */
export function withFillings(
  items: Items,
  fillings: readonly Filling[],
  at: readonly number[],
): { readonly steps: Items; readonly at: readonly number[] } {
  return fillings.reduce(
    (now, { from, to, patterns }) => {
      const found = itemsFrom(patterns);
      const moved = found.length - (to - from);
      return {
        steps: [...now.steps.slice(0, from), ...found, ...now.steps.slice(to)],
        at: now.at.map(index => (index < to ? index : index + moved)),
      };
    },
    { steps: items, at },
  );
}

export function withFigure(items: Items, at: number, pattern: string): Items {
  return items.map((item, index) => {
    if (index !== at) return item;
    return 'oneOf' in item ? { pattern } : { ...item, pattern };
  });
}

export function withInserted(items: Items, at: number, pattern: string): Items {
  return [...items.slice(0, at), { pattern }, ...items.slice(at)];
}

export function without(items: Items, at: number): Items {
  return items.filter((_, index) => index !== at);
}

/** An item moved by so many places; as it was at either end. */
export function movedBy(items: Items, at: number, by: number): Items {
  return movedTo(items, at, Math.min(items.length - 1, Math.max(0, at + by)));
}

export function movedTo(items: Items, at: number, to: number): Items {
  const item = items[at];
  if (!item || at === to) return items;
  const rest = without(items, at);
  return [...rest.slice(0, to), item, ...rest.slice(to)];
}

/** Danced so many times; once is how it is written without. */
export function withTimes(items: Items, at: number, times: number): Items {
  return changed(items, at, item => {
    const { times: _, last, ...rest } = item;
    return { ...rest, ...(times > 1 && { times, ...(last !== undefined && { last }) }) };
  });
}

/** The last of several times danced as another figure; as the others when undefined. */
export function withLast(items: Items, at: number, last: string | undefined): Items {
  return changed(items, at, ({ last: _, ...rest }) => ({ ...rest, ...(last !== undefined && { last }) }));
}

export function withNote(items: Items, at: number, note: string): Items {
  return changed(items, at, ({ note: _, ...rest }) => ({ ...rest, ...(note !== '' && { note }) }));
}

type Danced = Extract<Item, { pattern: string }>;

function changed(items: Items, at: number, change: (item: Danced) => Danced): Items {
  return items.map((item, index) => (index === at && 'pattern' in item ? change(item) : item));
}

/** One of several in the place of an item, or none; a single one is no choice. */
export function withChoice(items: Items, at: number, oneOf: readonly (string | null)[]): Items {
  const [only] = oneOf;
  const item: Item = oneOf.length === 1 && only != null ? { pattern: only } : { oneOf };
  return items.map((one, index) => (index === at ? item : one));
}
