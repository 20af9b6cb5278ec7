import type { z } from 'zod';
import type { StudioDocument } from '../model/document.ts';
import { pointer } from '../model/issue.ts';
import { failure, type Result, success } from '../model/result.ts';
import { findJsonFault } from './scan-json.ts';
import { studioDocument } from './schema.ts';

/** Why a file cannot be used: where it is, what is there and what is expected. */
export interface FileFault {
  /** `character 120 (line 4, column 7)` or a JSON pointer. */
  readonly at: string;
  readonly message: string;
}

/** Reads a `mapstep/1` file; texts come back in NFC. All faults of the shape are told, in document order. */
export function readDocument(text: string): Result<StudioDocument, readonly FileFault[]> {
  const parsed = readJson(text);
  return parsed.ok ? readShape(studioDocument, parsed.value) : parsed;
}

/** Reads JSON after its syntax and depth are known to be good. */
export function readJson(text: string): Result<unknown, readonly FileFault[]> {
  const source = text.replace(/^\uFEFF/, '');
  const fault = findJsonFault(source);
  if (!fault) return success(JSON.parse(source.normalize('NFC')));
  return failure([{ at: placeInText(source, fault.position), message: `not JSON: ${fault.message}` }]);
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
      at: pointer([...path, key]),
      message: `"${key}" is not a key of mapstep/1 here`,
    }));
  if (issue.code === 'invalid_union') {
    const deepest = issue.errors.flat().sort((a, b) => b.path.length - a.path.length)[0];
    if (deepest && deepest.path.length > 0)
      return describeIssue({ ...deepest, path: [...path, ...deepest.path] });
  }
  return [{ at: pointer(path) || '/', message: issue.message.replace(/^Invalid input: /, '') }];
}
