import type { z } from 'zod';
import { FORMAT, type StudioDocument } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
import { type Path, pointer } from '../model/issue.ts';
import { failure, type Result, success } from '../model/result.ts';
import { findJsonFault, type JsonBounds, MAX_DEPTH } from './scan-json.ts';
import { studioDocument } from './schema.ts';
import { upgradeDocument } from './upgrade.ts';

/** Why a file cannot be used: where it is, what is there and what is expected. */
export interface FileFault {
  /** `character 120 (line 4, column 7)` or a JSON pointer. */
  readonly at: string;
  readonly message: string;
}

/** Reads a file of any version as one of today's; texts come back in NFC. All faults of the shape are told, in document order. */
export function readDocument(
  text: string,
  bounds?: JsonBounds,
): Result<StudioDocument, readonly FileFault[]> {
  const parsed = readJson(text, bounds);
  return parsed.ok ? readShape(studioDocument, upgradeDocument(parsed.value)) : parsed;
}

/** Reads JSON after its syntax and bounds are known to be good, and holds no text that cannot be kept. */
export function readJson(
  text: string,
  bounds: JsonBounds = { depth: MAX_DEPTH },
): Result<unknown, readonly FileFault[]> {
  const source = text.replace(/^\uFEFF/, '');
  const fault = findJsonFault(source, bounds);
  if (fault)
    return failure([{ at: placeInText(source, fault.position), message: `not JSON: ${fault.message}` }]);
  const value: unknown = JSON.parse(source.normalize('NFC'));
  const place = MAY_BE_BROKEN.test(source) ? findBrokenText(value, []) : undefined;
  if (place) return failure([{ at: pointer(place) || '/', message: BROKEN }]);
  return success(value);
}

const BROKEN = 'holds a character that cannot be kept (NUL, or half of a pair); take it out';
const MAY_BE_BROKEN = /\\u0000|\\u[dD][89a-fA-F]|\p{Surrogate}/u;
// biome-ignore lint/suspicious/noControlCharactersInRegex: PostgreSQL keeps no NUL
const BROKEN_TEXT = /\u0000|\p{Surrogate}/u;

/** True when a text holds what no database keeps: NUL, or half of a surrogate pair. */
export function isBrokenText(text: string): boolean {
  return BROKEN_TEXT.test(text);
}

/** Where the first such text or key stands. */
function findBrokenText(value: unknown, path: Path): Path | undefined {
  if (typeof value === 'string') return isBrokenText(value) ? path : undefined;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, entry] of Object.entries(value)) {
    const found = isBrokenText(key) ? path : findBrokenText(entry, [...path, key]);
    if (found) return found;
  }
  return undefined;
}

/** Checks parsed JSON against a schema. */
export function readShape<Shape>(
  schema: z.ZodType<Shape>,
  value: unknown,
): Result<Shape, readonly FileFault[]> {
  const parsed = schema.safeParse(value);
  return parsed.success ? success(parsed.data) : failure(parsed.error.issues.flatMap(describeIssue));
}

function placeInText(text: string, position: number): string {
  const before = text.slice(0, position).split('\n');
  return `character ${position} (line ${before.length}, column ${(before.at(-1)?.length ?? 0) + 1})`;
}

function describeIssue(issue: z.core.$ZodIssue): FileFault[] {
  const path = issue.path as (string | number)[];
  if (issue.code === 'unrecognized_keys')
    return issue.keys.map(key => ({
      at: pointer([...path, shorten(key)]),
      message: `"${shorten(key)}" is not a key of ${FORMAT} here`,
    }));
  if (issue.code === 'invalid_union') {
    const deepest = issue.errors.flat().sort((a, b) => b.path.length - a.path.length)[0];
    if (deepest && deepest.path.length > 0)
      return describeIssue({ ...deepest, path: [...path, ...deepest.path] });
  }
  return [{ at: pointer(path.map(shorten)) || '/', message: messageOf(issue) }];
}

/** What a reader of a file calls the types of its format. */
const TYPES: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an entry with keys',
  record: 'an entry with keys',
};

function messageOf(issue: z.core.$ZodIssue): string {
  if (issue.code === 'invalid_type' && issue.message.endsWith('received undefined')) return 'is missing';
  if (issue.code === 'invalid_type')
    return `${ownEntry(TYPES, issue.expected) ?? 'something else'} is expected here`;
  if (issue.code !== 'too_big') return issue.message.replace(/^Invalid input: /, '');
  const most = Number(issue.maximum).toLocaleString('en-GB');
  if (issue.origin === 'string') return `is longer than ${most} characters`;
  if (issue.origin === 'array') return `holds more than ${most} entries`;
  return `is above ${most}`;
}

const LONGEST_NAME = 60;

function shorten<Part extends string | number>(part: Part): Part | string {
  return typeof part === 'string' && part.length > LONGEST_NAME ? `${part.slice(0, LONGEST_NAME)}…` : part;
}
