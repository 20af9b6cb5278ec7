// A document seen as named fields, so that two people's changes meet only where they touch the same one.
// A field is a key (`name`), or an entry of a list whose entries have a key of their own (`staff/ana`).
import type { Json } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';

/** Null stands for a field that is not there. */
export interface FieldChange {
  readonly field: string;
  /** What the person saw. */
  readonly from: Json;
  readonly to: Json;
}

/** A field that somebody else has changed since: what was seen, what is wanted, what stands. */
export interface Clash {
  readonly field: string;
  readonly seen: Json;
  readonly mine: Json;
  readonly theirs: Json;
}

type Fields = { readonly [key: string]: Json };

/** What tells the entries of a list apart. Every other list is one field as a whole. */
const ENTRY_KEYS: { readonly [list: string]: string } = {
  items: 'pattern',
  placed: 'pattern',
  staff: 'person',
  students: 'student',
  cancelled: 'date',
};

/**
 * Applies all changes, or none and says which fields stand otherwise than they were seen. Order of keys does
 * not matter; a new entry of a list comes last; a list left empty stays as an empty list.
 */
export function applyChanges<Body>(
  body: Body,
  changes: readonly FieldChange[],
): Result<Body, readonly Clash[]> {
  const clashes: Clash[] = [];
  let fields = body as Fields;
  for (const { field, from, to } of changes) {
    const theirs = readField(fields, field);
    if (isSameJson(theirs, from)) fields = writeField(fields, field, to);
    else clashes.push({ field, seen: from, mine: to, theirs });
  }
  return clashes.length > 0 ? failure(clashes) : success(fields as Body);
}

/** The changes that put back what these did. */
export function reverseChanges(changes: readonly FieldChange[]): readonly FieldChange[] {
  return changes.map(({ field, from, to }) => ({ field, from: to, to: from })).reverse();
}

/** What stands in a field; null when nothing does. */
export function readField(body: unknown, field: string): Json {
  const { key, list, entry } = splitField(field);
  const value = ownValue(body as Fields, key);
  if (list === undefined) return value;
  return entriesOf(value).find(one => ownValue(one, list) === entry) ?? null;
}

/** True when two values are the same but for the order of keys, which a database may change. */
export function isSameJson(a: Json, b: Json): boolean {
  return canonicalJson(a) === canonicalJson(b);
}

/** A text that is equal for equal values, whatever the order of their keys. */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  );
}

function writeField(body: Fields, field: string, to: Json): Fields {
  const { key, list, entry } = splitField(field);
  if (list === undefined) return withKey(body, key, to);
  const entries = entriesOf(ownValue(body, key));
  const at = entries.findIndex(one => ownValue(one, list) === entry);
  if (to === null) return withKey(body, key, entries.toSpliced(at, at < 0 ? 0 : 1));
  const added = { ...(to as Fields), [list]: entry };
  return withKey(body, key, at < 0 ? [...entries, added] : entries.with(at, added));
}

function splitField(field: string): { key: string; list?: string; entry: string } {
  const slash = field.indexOf('/');
  const key = slash < 0 ? field : field.slice(0, slash);
  const list = slash < 0 ? undefined : ENTRY_KEYS[key];
  return list === undefined ? { key: field, entry: '' } : { key, list, entry: field.slice(slash + 1) };
}

function entriesOf(value: Json): readonly Fields[] {
  return Array.isArray(value) ? (value as readonly Fields[]) : [];
}

function ownValue(body: Fields, key: string): Json {
  return Object.hasOwn(body, key) ? (body[key] ?? null) : null;
}

function withKey(body: Fields, key: string, value: Json): Fields {
  if (value !== null) return { ...body, [key]: value };
  const { [key]: _, ...rest } = body;
  return rest;
}
