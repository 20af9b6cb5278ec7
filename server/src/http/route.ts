import {
  mayCall,
  ROUTES,
  type RouteDefinition,
  type RouteName,
  type SignedInPerson,
} from '@map-step/contract';
import { readJson, readShape } from '@map-step/core';
import type { Express, Request, Response } from 'express';
import type { z } from 'zod';
import { printAnswer } from '../db/json-text.ts';
import type { Deps } from '../deps.ts';
import { HttpFault } from './http-fault.ts';

export interface RouteContext<Body> {
  readonly deps: Deps;
  readonly request: Request;
  readonly response: Response;
  readonly params: Readonly<Record<string, string>>;
  readonly body: Body;
}

export interface SignedInContext<Body> extends RouteContext<Body> {
  readonly who: SignedInPerson;
}

export interface Implementation {
  readonly name: RouteName;
  readonly run: (context: RouteContext<unknown>, who: SignedInPerson | undefined) => Promise<unknown>;
  readonly bodySchema: z.ZodType | undefined;
}

/** A route for people who are signed in. Its rights stand in the contract's table. */
export function route<Body = undefined>(
  name: RouteName,
  handle: (context: SignedInContext<Body>) => Promise<unknown>,
  bodySchema?: z.ZodType<Body>,
): Implementation {
  return {
    name,
    bodySchema,
    run: (context, who) => {
      if (!who) throw new HttpFault('not-signed-in', 'Sign in first.');
      return handle({ ...context, body: context.body as Body, who });
    },
  };
}

/** A route that anyone may call. */
export function publicRoute<Body = undefined>(
  name: RouteName,
  handle: (context: RouteContext<Body>) => Promise<unknown>,
  bodySchema?: z.ZodType<Body>,
): Implementation {
  return { name, bodySchema, run: context => handle({ ...context, body: context.body as Body }) };
}

const MAX_NAME = 4000;

/** A name in a query such as `?course=a`. */
export function nameIn(value: unknown): string | undefined {
  return typeof value === 'string' && value.length <= MAX_NAME ? value : undefined;
}

/** The page that a list is asked for, from 0. */
export function pageIn(value: unknown): number {
  const page = Number(value ?? 0);
  return Number.isInteger(page) && page >= 0 && page < 10_000 ? page : 0;
}

/** Mounts every route of the contract; throws when one has no implementation or two. */
export function mountRoutes(app: Express, deps: Deps, implementations: readonly Implementation[]): void {
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const found = implementations.filter(implementation => implementation.name === name);
    if (found.length !== 1) throw new Error(`the route ${name} has ${found.length} implementations`);
  }
  for (const { name, run, bodySchema } of implementations) {
    const definition: RouteDefinition = ROUTES[name];
    const method = definition.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    app[method](definition.path, async (request, response) => {
      const who = request.session.person;
      authorise(name, definition, request, who);
      const body = bodySchema ? readBody(request, bodySchema) : undefined;
      const params = request.params as Record<string, string>;
      const answer = await run({ deps, request, response, params, body }, who);
      if (!response.headersSent) response.type('json').send(printAnswer(answer ?? {}));
    });
  }
}

function authorise(
  name: RouteName,
  definition: RouteDefinition,
  request: Request,
  who: SignedInPerson | undefined,
) {
  if (definition.access !== 'anyone' && !who) throw new HttpFault('not-signed-in', 'Sign in first.');
  if (!mayCall(name, who?.role))
    throw new HttpFault(
      'not-allowed',
      `This is for: ${[...(definition.access as readonly string[])].join(', ')}.`,
    );
  if (definition.method === 'GET') return;
  const token = request.get('x-csrf-token');
  const isGood = who ? token === request.session.csrf : token !== undefined;
  if (!isGood)
    throw new HttpFault('old-page', 'This page is out of date. Load it again and repeat the change.');
}

function readBody<Body>(request: Request, schema: z.ZodType<Body>): Body {
  const text = typeof request.body === 'string' ? request.body : '';
  const json = readJson(text);
  if (!json.ok) throw new HttpFault('bad-request', 'The request is not JSON.', { problems: json.fault });
  const shape = readShape(schema, json.value);
  if (!shape.ok)
    throw new HttpFault('bad-request', `${shape.fault[0]?.at}: ${shape.fault[0]?.message}`, {
      problems: shape.fault,
    });
  return shape.value;
}
