// What a request says, read by the schemas of its route. A body is read last: never inflated, never longer or slower
// than its route takes.
import type { RouteDefinition } from '@map-step/contract';
import { type FileFault, MAX_DEPTH, readJson, readShape } from '@map-step/core';
import express, { type Request, type Response } from 'express';
import type { z } from 'zod';
import { HttpFault } from '../faults/http-fault.ts';

interface BodySize {
  readonly reader: ReturnType<typeof express.raw>;
  readonly longestMs: number;
  /** JSON values in all. */
  readonly values: number;
}

const size = (limit: string, seconds: number, values: number): BodySize => ({
  reader: express.raw({ type: () => true, limit, inflate: false }),
  longestMs: seconds * 1000,
  values,
});

const SIZES = {
  anonymous: size('16kb', 5, 100),
  usual: size('1mb', 20, 20_000),
  /** A file: kept as the bytes that come, and read where the work is done. */
  file: size('32mb', 120, 0),
} as const;

/** An address whose parts cannot be what they stand for names nothing. */
export function readParams({ params }: RouteDefinition, request: Request): unknown {
  if (!params) return undefined;
  const read = params.safeParse(request.params);
  if (!read.success) throw new HttpFault('not-found', 'There is nothing at this address.');
  return read.data;
}

export function readQuery({ query }: RouteDefinition, request: Request): unknown {
  return query && shapeOf(query, request.query);
}

/** The body as its schema has it; undefined for a route without one. */
export async function readBody(
  { access, body, takes }: RouteDefinition,
  request: Request,
  response: Response,
): Promise<unknown> {
  if (!body) return undefined;
  const bounds = access === 'anyone' ? SIZES.anonymous : takes ? SIZES.file : SIZES.usual;
  if (!takes && !request.is('application/json'))
    throw new HttpFault('bad-request', 'The request is not JSON.');
  const bytes = await readBytes(bounds, request, response);
  if (takes) return bytes;
  const json = readJson(bytes.toString('utf8'), { depth: MAX_DEPTH, values: bounds.values });
  if (!json.ok) throw refusal('The request is not JSON.', json.fault);
  return shapeOf(body, json.value);
}

function readBytes({ reader, longestMs }: BodySize, request: Request, response: Response): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const slow = new HttpFault('too-slow', 'This took too long to arrive. Nothing was changed; try again.');
    const timer = setTimeout(() => reject(slow), longestMs);
    reader(request, response, (error?: unknown) => {
      clearTimeout(timer);
      if (error) reject(error);
      else resolve(Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0));
    });
  });
}

function shapeOf<Shape>(schema: z.ZodType<Shape>, value: unknown): Shape {
  const shape = readShape(schema, value);
  if (!shape.ok) throw refusal(undefined, shape.fault);
  return shape.value;
}

function refusal(message: string | undefined, faults: readonly FileFault[]): HttpFault {
  const [first] = faults;
  return new HttpFault('bad-request', message ?? `${first?.at}: ${first?.message}`, { problems: faults });
}
