import { readFileSync, statSync } from 'node:fs';
import {
  documentErrors,
  type FileFault,
  type Result,
  readDocument,
  readJson,
  readShape,
  type StudioDocument,
} from '@map-step/core';
import type { z } from 'zod';
import { UsageError } from './usage.ts';

const MAX_BYTES = 64 * 1024 * 1024;

export function readStudio(file: string): StudioDocument {
  return orRefuse(file, readDocument(readText(file)));
}

/** A studio's document of which these figures (all, when none are named) have no error. */
export function readSoundStudio(file: string, figures?: ReadonlySet<string>): StudioDocument {
  const document = readStudio(file);
  const error = documentErrors(document).find(({ at }) => {
    const index = /^\/patterns\/(\d+)/.exec(at)?.[1];
    const pattern = index === undefined ? undefined : document.patterns?.[Number(index)]?.id;
    return pattern === undefined || !figures || figures.has(pattern);
  });
  if (error) throw new UsageError(`${file}: ${error.at}: ${error.message} (${error.code}); mend it first`);
  return document;
}

export function readValue<Shape>(file: string, schema: z.ZodType<Shape>): Shape {
  const parsed = orRefuse(file, readJson(readText(file)));
  return orRefuse(file, readShape(schema, parsed));
}

function readText(file: string): string {
  try {
    if (statSync(file).size > MAX_BYTES) throw new UsageError(`${file}: is larger than 64 MB`);
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const code = error instanceof Error && 'code' in error ? error.code : undefined;
    throw new UsageError(
      `${file}: ${code === 'ENOENT' ? 'there is no such file' : `cannot be read (${code})`}`,
    );
  }
}

function orRefuse<Value>(file: string, result: Result<Value, readonly FileFault[]>): Value {
  if (result.ok) return result.value;
  const [first, ...more] = result.fault;
  const rest = more.length ? ` (and ${more.length} more)` : '';
  throw new UsageError(`${file}: ${first?.at}: ${first?.message}${rest}`);
}
