// A document seen as named fields, so that two people's changes meet only where they touch the same one.
// A field is a key (`name`), an entry of a list whose entries are told apart (`staff/ana`, `holds/3`), or a step of a part
// (`parts/lead/3 of 8`).

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

/** How the entries of a list are told apart. Every other list is one field as a whole. */
interface EntryNames {
  /** `ana`, or `ana 2026-03-09`. */
  of(entry: Fields): string;
  /** An entry under the name that a change gives it. */
  put(entry: Fields, name: string): Fields;
}

/** By a key, and where one may come twice (a student who leaves and comes back) by the day from which the entry holds. */
function byKey(first: string, second?: string): EntryNames {
  return {
    of: entry => {
      const more = second === undefined ? null : ownValue(entry, second);
      return more === null ? String(entry[first]) : `${String(entry[first])} ${String(more)}`;
    },
    put: (entry, name) => {
      const [one = name, other] = name.split(' ');
      return { ...entry, [first]: one, ...(second && other && { [second]: other }) };
    },
  };
}

/** By the event of a figure on which they stand. */
const byEvent: EntryNames = {
  of: ({ event }) => String(event),
  put: (entry, name) => ({ ...entry, event: Number(name) }),
};

/** A name is short enough for a change to be sent; what it leaves out of two alike makes them one field as a whole. */
const MOST_OF_WORDS = 40;
const MOST_OF_CODE = 20;

/** By what they say: one who writes it otherwise takes one away and puts another. */
const byWords: EntryNames = {
  of: ({ kind, event = null, role = null, code = null, text }) =>
    [
      ...[kind, event, role, String(code ?? '').slice(0, MOST_OF_CODE)],
      ...[String(text).length, String(text).slice(0, MOST_OF_WORDS)],
    ].join(' '),
  put: entry => entry,
};

const ENTRY_NAMES: Readonly<Record<string, EntryNames>> = {
  items: byKey('pattern'),
  placed: byKey('pattern'),
  staff: byKey('person', 'from'),
  students: byKey('student', 'from'),
  cancelled: byKey('date'),
  holds: byEvent,
  cuts: byEvent,
  tracks: byKey('quality', 'role'),
  marks: byWords,
};

/** The texts of a dancer's steps: each step is a field by its place among so many. */
const PARTS = 'parts';
/** A part of which more steps change is written anew. */
const MOST_STEPS = 24;
const STEP_FIELD = /^(lead|follow|solo)(?:\/(\d+) of (\d+))?$/;

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

/** The changes that make one body of another, entry by entry where a list has keyed entries, step by step in a part. */
export function changesBetween(before: object, after: object): readonly FieldChange[] {
  return changedFields(before, after).flatMap(change =>
    (change.field === PARTS ? stepChanges(change) : (entryChanges(change) ?? [change])).filter(
      ({ from, to }) => !dequal(from, to),
    ),
  );
}

/** The changes of a list by its entries; undefined where two of them could not be told apart. */
function entryChanges({ field, from, to }: FieldChange): readonly FieldChange[] | undefined {
  const names = ownEntry(ENTRY_NAMES, field);
  if (names === undefined) return undefined;
  const byName = (list: Json) =>
    new Map<string, Json>(entriesOf(list).map(entry => [names.of(entry), entry]));
  const [old, now] = [byName(from), byName(to)];
  if (old.size !== entriesOf(from).length || now.size !== entriesOf(to).length) return undefined;
  return [...new Set([...old.keys(), ...now.keys()])].map(name => ({
    field: `${field}/${name}`,
    from: old.get(name) ?? null,
    to: now.get(name) ?? null,
  }));
}

/** Step by step where a dancer has as many as before, else the dancer's whole part; all parts where others dance. */
function stepChanges(change: FieldChange): readonly FieldChange[] {
  const [old, now] = [fieldsOf(change.from ?? {}), fieldsOf(change.to ?? {})];
  const roles = Object.keys(now);
  if (!dequal(Object.keys(old).sort(), roles.toSorted())) return [change];
  return roles.flatMap(role => {
    const [from, to] = [stepsOf(old[role] ?? null), stepsOf(now[role] ?? null)];
    const field = `${PARTS}/${role}`;
    const changed = from.filter((step, index) => step !== to[index]).length;
    if (from.length < 2 || from.length !== to.length || changed > MOST_STEPS)
      return [{ field, from: old[role] ?? null, to: now[role] ?? null }];
    return from.map((step, index) => ({
      field: `${field}/${index + 1} of ${from.length}`,
      from: step,
      to: to[index] ?? null,
    }));
  });
}

function stepsOf(text: Json): readonly string[] {
  return typeof text === 'string' ? text.split(',').map(step => step.trim()) : [];
}

/** The changes that put back what these did. */
export function reverseChanges(changes: readonly FieldChange[]): readonly FieldChange[] {
  return changes.map(({ field, from, to }) => ({ field, from: to, to: from })).reverse();
}

/** What stands in a field; null when nothing does. */
export function readField(body: unknown, field: string): Json {
  const { key, step, names, entry } = splitField(field);
  const value = ownValue(fieldsOf(body), key);
  if (step) return readStep(value, step);
  if (names === undefined) return value;
  return entriesOf(value).find(one => names.of(one) === entry) ?? null;
}

/** A body as it is in JSON, where a key may or may not be. */
function fieldsOf(body: unknown): Fields {
  return body as Fields;
}

function writeField(body: Fields, field: string, to: Json): Fields {
  const { key, step, names, entry } = splitField(field);
  if (step) return withKey(body, key, writeStep(ownValue(body, key), step, to));
  if (names === undefined) return withKey(body, key, to);
  const entries = entriesOf(ownValue(body, key));
  const at = entries.findIndex(one => names.of(one) === entry);
  if (to === null) return withKey(body, key, entries.toSpliced(at, at < 0 ? 0 : 1));
  const added = names.put(fieldsOf(to), entry);
  return withKey(body, key, at < 0 ? [...entries, added] : entries.with(at, added));
}

/** A part, or one of so many steps of it. */
interface StepField {
  readonly role: string;
  readonly index?: number;
  readonly count?: number;
}

function readStep(parts: Json, { role, index, count }: StepField): Json {
  const text = ownValue(fieldsOf(parts ?? {}), role);
  if (index === undefined) return text;
  const steps = stepsOf(text);
  return steps.length === count ? (steps[index] ?? null) : null;
}

function writeStep(parts: Json, field: StepField, to: Json): Json {
  const before = fieldsOf(parts ?? {});
  const { role, index } = field;
  if (index === undefined) return withKey(before, role, to);
  // A step that is not there cannot become another.
  if (readStep(parts, field) === null) return parts;
  const steps = stepsOf(before[role] ?? null).with(index, String(to));
  return { ...before, [role]: steps.join(', ') };
}

interface FieldPlace {
  readonly key: string;
  readonly entry: string;
  readonly names?: EntryNames;
  readonly step?: StepField;
}

function splitField(field: string): FieldPlace {
  const slash = field.indexOf('/');
  const [key, entry] = slash < 0 ? [field, ''] : [field.slice(0, slash), field.slice(slash + 1)];
  const [, role, place, count] = (key === PARTS && STEP_FIELD.exec(entry)) || [];
  if (role !== undefined) {
    const step = place === undefined ? { role } : { role, index: Number(place) - 1, count: Number(count) };
    return { key, entry, step };
  }
  const names = slash < 0 ? undefined : ownEntry(ENTRY_NAMES, key);
  return names === undefined ? { key: field, entry: '' } : { key, entry, names };
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
