// Makes bodies at the bounds of a schema: every text as long, every list as full, every number as large as it may be.
import type { z } from 'zod';

interface Budget {
  /** Values that may still be made; a body holds 20,000 at most. */
  left: number;
}

type Definition = Record<string, unknown> & { readonly type: string };
const definitionOf = (schema: z.ZodType): Definition => schema._zod.def as unknown as Definition;
const bagOf = (schema: z.ZodType) =>
  schema._zod.bag as { readonly maximum?: number; readonly patterns?: Set<RegExp> };

const LONGEST_LIST = 2000;
const USUAL_TEXT = 200;

/** A value that is as large as its schema lets it be; texts with a form of their own are one of those that they may be. */
export function atTheBounds(schema: z.ZodType, values = 15_000): unknown {
  return make(schema, { left: values }, 0);
}

function make(schema: z.ZodType, budget: Budget, index: number): unknown {
  budget.left -= 1;
  const definition = definitionOf(schema);
  const inner = (key: string) => definition[key] as z.ZodType;
  switch (definition.type) {
    case 'string':
      return textOf(schema, definition, index);
    case 'number':
      return Math.min(bagOf(schema).maximum ?? 1_000_000, 1_000_000);
    case 'boolean':
      return true;
    case 'literal':
      return (definition['values'] as readonly unknown[])[0];
    case 'enum':
      return Object.values(definition['entries'] as object)[0];
    case 'array':
      return listOf(inner('element'), mostOf(definition), budget);
    case 'tuple':
      return (definition['items'] as readonly z.ZodType[]).map(item => make(item, budget, index));
    case 'object':
      return Object.fromEntries(
        Object.entries(definition['shape'] as Record<string, z.ZodType>).map(([key, field]) => [
          key,
          make(field, budget, index),
        ]),
      );
    case 'record':
      return Object.fromEntries(
        Array.from({ length: 50 }, (_, at) => [`key-${at}`, make(inner('valueType'), budget, at)]),
      );
    case 'union':
      return largest(definition['options'] as readonly z.ZodType[], budget, index);
    case 'optional':
    case 'nullable':
    case 'exactOptional':
      return make(inner('innerType'), budget, index);
    case 'pipe':
      return make(inner('in'), budget, index);
    case 'lazy':
    case 'unknown':
    case 'any':
      return Array.from({ length: 20 }, () => 'x'.repeat(50));
    default:
      return null;
  }
}

/** How many entries a list may have. */
function mostOf({ checks = [] }: Definition & { readonly checks?: readonly z.core.$ZodCheck[] }): number {
  const bounds = checks.flatMap(({ _zod: { def } }) => ('maximum' in def ? Number(def.maximum) : []));
  return Math.min(LONGEST_LIST, ...bounds);
}

/** The choice that takes most to read. */
function largest(options: readonly z.ZodType[], budget: Budget, index: number): unknown {
  const made = options.map(option => {
    const own = { left: Math.min(budget.left, 2000) };
    const before = own.left;
    const value = make(option, own, index);
    return { value, spent: before - own.left, length: JSON.stringify(value ?? null).length };
  });
  const most = made.reduce((largest, one) => (one.length > largest.length ? one : largest));
  budget.left -= most.spent;
  return most.value;
}

function listOf(element: z.ZodType, most: number, budget: Budget): readonly unknown[] {
  const list: unknown[] = [];
  const share = { left: Math.max(1, Math.floor(budget.left / 4)) };
  while (list.length < Math.min(most, LONGEST_LIST) && share.left > 0)
    list.push(make(element, share, list.length));
  budget.left -= list.length;
  return list;
}

const FORMS: readonly string[] = [
  ...['2026-03-09', '2026-03-02T19:00:00Z', '19:30', 'Europe/London', 'a@b.example'],
  ...['11111111-1111-4111-8111-111111111111', '12', 'x'],
];

function textOf(schema: z.ZodType, definition: Definition, index: number): string {
  const most = Math.min(bagOf(schema).maximum ?? USUAL_TEXT, 100_000);
  const candidates = [`${'a'.repeat(50)}-${index}`, 'x'.repeat(most), ...FORMS];
  const fits = candidates.filter(text => schema.safeParse(text).success);
  const longest = fits.reduce((best, text) => (text.length > best.length ? text : best), '');
  return longest || (definition['format'] === 'guid' ? (FORMS[5] ?? '') : 'x');
}
