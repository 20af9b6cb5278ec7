// A document seen as named fields, so that two people's changes meet only where they touch the same one.
// A field is a key (`name`), or an entry of a list whose entries have a key of their own (`staff/ana`).

import { dequal } from 'dequal/lite';
import type { Json } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
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

/**
 * What tells the entries of a list apart: a key, and where one may come twice (a student who leaves and comes back, or
 * dances another role from a day on) the day from which the entry holds. Every other list is one field as a whole.
 */
const ENTRY_KEYS: Readonly<Record<string, readonly [string, string?]>> = {
  items: ['pattern'],
  placed: ['pattern'],
  staff: ['person', 'from'],
  students: ['student', 'from'],
  cancelled: ['date'],
};

/**
 * Applies all changes, or none and says which fields stand otherwise than they were seen. What stands as it is
 * wanted already is no clash. Order of keys does not matter; a new entry of a list comes last; a list left empty
 * stays as an empty list.
 */
export function applyChanges<Body>(
  body: Body,
  changes: readonly FieldChange[],
): Result<Body, readonly Clash[]> {
  const clashes: Clash[] = [];
  let fields = fieldsOf(body);
  for (const { field, from, to } of changes) {
    const theirs = readField(fields, field);
    if (dequal(theirs, to)) continue;
    if (dequal(theirs, from)) fields = writeField(fields, field, to);
    else clashes.push({ field, seen: from, mine: to, theirs });
  }
  return clashes.length > 0 ? failure(clashes) : success(fields as Body);
}

/** The fields in which two bodies differ, in the order in which they first stand; lists with keyed entries as one. */
export function changedFields(before: object, after: object): readonly FieldChange[] {
  const [old, now] = [fieldsOf(before), fieldsOf(after)];
  return [...new Set([...Object.keys(old), ...Object.keys(now)])]
    .map(field => ({ field, from: ownValue(old, field), to: ownValue(now, field) }))
    .filter(({ from, to }) => !dequal(from, to));
}

/** The changes that make one body of another, entry by entry where a list has keyed entries. */
export function changesBetween(before: object, after: object): readonly FieldChange[] {
  return changedFields(before, after).flatMap(change => {
    const list = ownEntry(ENTRY_KEYS, change.field);
    if (list === undefined) return [change];
    const names = [...entriesOf(change.from), ...entriesOf(change.to)].map(entry => nameOf(entry, list));
    return [...new Set(names)]
      .map(name => `${change.field}/${name}`)
      .map(field => ({ field, from: readField(before, field), to: readField(after, field) }))
      .filter(({ from, to }) => !dequal(from, to));
  });
}

/** The changes that put back what these did. */
export function reverseChanges(changes: readonly FieldChange[]): readonly FieldChange[] {
  return changes.map(({ field, from, to }) => ({ field, from: to, to: from })).reverse();
}

/** What stands in a field; null when nothing does. */
export function readField(body: unknown, field: string): Json {
  const { key, list, entry } = splitField(field);
  const value = ownValue(fieldsOf(body), key);
  if (list === undefined) return value;
  return entriesOf(value).find(one => nameOf(one, list) === entry) ?? null;
}

/** A body as it is in JSON, where a key may or may not be. */
function fieldsOf(body: unknown): Fields {
  return body as Fields;
}

function writeField(body: Fields, field: string, to: Json): Fields {
  const { key, list, entry } = splitField(field);
  if (list === undefined) return withKey(body, key, to);
  const entries = entriesOf(ownValue(body, key));
  const at = entries.findIndex(one => nameOf(one, list) === entry);
  if (to === null) return withKey(body, key, entries.toSpliced(at, at < 0 ? 0 : 1));
  const [name, from] = [entry.split(' ', 1)[0] ?? entry, entry.split(' ')[1]];
  const added = { ...fieldsOf(to), [list[0]]: name, ...(list[1] && from && { [list[1]]: from }) };
  return withKey(body, key, at < 0 ? [...entries, added] : entries.with(at, added));
}

type EntryKey = (typeof ENTRY_KEYS)[string];

function splitField(field: string): { key: string; list?: EntryKey; entry: string } {
  const slash = field.indexOf('/');
  const key = slash < 0 ? field : field.slice(0, slash);
  const list = slash < 0 ? undefined : ownEntry(ENTRY_KEYS, key);
  return list === undefined ? { key: field, entry: '' } : { key, list, entry: field.slice(slash + 1) };
}

/** An entry by its keys: `ana`, or `ana 2026-03-09`. */
function nameOf(entry: Fields, [first, second]: EntryKey): string {
  const more = second === undefined ? null : ownValue(entry, second);
  return more === null ? String(entry[first]) : `${String(entry[first])} ${String(more)}`;
}

function entriesOf(value: Json): readonly Fields[] {
  return Array.isArray(value) ? value.map(fieldsOf) : [];
}

function ownValue(body: Fields, key: string): Json {
  return Object.hasOwn(body, key) ? (body[key] ?? null) : null;
}

function withKey(body: Fields, key: string, value: Json): Fields {
  if (value !== null) return { ...body, [key]: value };
  const { [key]: _, ...rest } = body;
  return rest;
}
