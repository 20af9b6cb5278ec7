import {
  type AnswerOf,
  type BodyOf,
  mayCall,
  type ParamsOf,
  type QueryOf,
  ROUTES,
  type RouteDefinition,
  type RouteName,
  type SignedInPerson,
} from '@map-step/contract';
import type { Express, Request, Response } from 'express';
import { openTurns } from '../bounds/turns.ts';
import type { OfStudio, OrderOf, ReadingTask, ResultOf } from '../compute/tasks.ts';
import { inStudioWorking } from '../compute/work-first.ts';
import { printAnswer, type Told } from '../db/json-text.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import type { Deps } from '../deps.ts';
import { HttpFault } from '../faults/http-fault.ts';
import type { PersonLimit } from './crowd.ts';
import { readBody, readParams, readQuery } from './read-call.ts';

export interface Call<Name extends RouteName> {
  readonly deps: Deps;
  readonly request: Request;
  readonly response: Response;
  readonly params: ParamsOf<Name>;
  readonly query: QueryOf<Name>;
  readonly body: BodyOf<Name>;
}

export interface SignedInCall<Name extends RouteName> extends Call<Name> {
  readonly who: SignedInPerson;
}

/** What a request turned out to be; its parts are of the types that the route's own schemas gave them. */
export interface AnyCall {
  readonly deps: Deps;
  readonly request: Request;
  readonly response: Response;
  readonly params: unknown;
  readonly query: unknown;
  readonly body: unknown;
}

type Run = (call: AnyCall, who: SignedInPerson | undefined, guards: Guards) => Promise<unknown>;

export interface Implementation {
  readonly name: RouteName;
  readonly run: Run;
}

/** What decides who somebody is and what is theirs. */
export interface Guards {
  /** The person of a session as they stand now; undefined when the session holds no longer. */
  identify(request: Request): Promise<SignedInPerson | undefined>;
  readonly limitPerson: PersonLimit;
  /** Refuses who is not on the staff of the class on the days that a call is about. */
  requireOwnClass(
    scope: StudioScope,
    definition: RouteDefinition,
    who: SignedInPerson,
    call: AnyCall,
  ): Promise<void>;
  /** An answer as far as it is meant for who asks. */
  forWhoAsks(
    scope: StudioScope,
    definition: RouteDefinition,
    call: AnyCall & { readonly who: SignedInPerson },
    answer: unknown,
  ): Promise<unknown>;
}

/** A route for people who are signed in, in one transaction on their studio. */
export function route<Name extends RouteName>(
  name: Name,
  work: (scope: StudioScope, call: SignedInCall<Name>) => Promise<Told<AnswerOf<Name>>>,
): Implementation {
  const run: Run = async (call, who, guards) => {
    const known = requireSignedIn(who);
    return inStudioWorking(call.deps, known.studio, async scope => {
      await guards.requireOwnClass(scope, ROUTES[name], known, call);
      const answer = await work(scope, { ...call, who: known } as SignedInCall<Name>);
      tellLeftOut(call.response, scope.leftOut);
      return guards.forWhoAsks(scope, ROUTES[name], { ...call, who: known }, answer);
    });
  };
  return { name, run };
}

/** A route for people who are signed in that opens its transactions itself. */
export function routeWithoutScope<Name extends RouteName>(
  name: Name,
  work: (call: SignedInCall<Name>) => Promise<Told<AnswerOf<Name>>>,
): Implementation {
  return {
    name,
    run: async (call, who) => work({ ...call, who: requireSignedIn(who) } as SignedInCall<Name>),
  };
}

/** Has a thread read the caller's studio and make the answer of it. */
export async function readInThread<Name extends ReadingTask>(
  { deps, who, response }: Pick<SignedInCall<RouteName>, 'deps' | 'who' | 'response'>,
  task: Name,
  more: Omit<OrderOf<Name>, keyof OfStudio>,
): Promise<ResultOf<Name>['answer']> {
  const order = { databaseUrl: deps.databaseUrl, studio: who.studio, ...more } as OrderOf<Name>;
  const { answer, leftOut } = await deps.computer.run(who.studio, task, order);
  tellLeftOut(response, new Set(leftOut));
  return answer;
}

/** A route that anyone may call. */
export function publicRoute<Name extends RouteName>(
  name: Name,
  work: (call: Call<Name>) => Promise<Told<AnswerOf<Name>>>,
): Implementation {
  return { name, run: async call => work(call as Call<Name>) };
}

/** Requests of one person that are worked on at a time: their page hardly notices, and the others are served in between. */
const AT_ONCE = 2;
const MOST_OF_PERSON = 60;
const OWN_BUSY = new HttpFault(
  'too-many',
  'You ask for very much at once. Wait a few seconds and try again.',
);

/** Mounts every route of the contract; throws when one has no implementation or two. */
export function mountRoutes(
  app: Express,
  deps: Deps,
  guards: Guards,
  implementations: readonly Implementation[],
): void {
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const found = implementations.filter(implementation => implementation.name === name);
    if (found.length !== 1) throw new Error(`the route ${name} has ${found.length} implementations`);
  }
  const turns = openTurns({ atOnce: AT_ONCE, most: MOST_OF_PERSON, refusal: OWN_BUSY });
  for (const { name, run } of implementations) {
    const definition: RouteDefinition = ROUTES[name];
    const method = definition.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
    app[method](definition.path, async (request, response) => {
      response.locals.route = name;
      // Who it is and whether they may is known before anything of a body is read.
      const who = await guards.identify(request);
      const person = who && `${who.studio} ${who.id}`;
      if (person) guards.limitPerson.ask(person, request);
      authorise(name, definition, request, who);
      const call: AnyCall = {
        deps,
        request,
        response,
        params: readParams(definition, request),
        query: readQuery(definition, request),
        body: await readBody(definition, request, response),
      };
      const work = () => run(call, who, guards);
      const answer = await (person ? turns.take(person, work) : work());
      // A stream has answered already; a text is a file, of the type that its route has set.
      if (response.headersSent) return;
      const text = typeof answer === 'string' ? answer : printAnswer(answer);
      if (person) guards.limitPerson.answered(person, text.length);
      if (typeof answer !== 'string') response.type('json');
      response.send(text);
    });
  }
}

function requireSignedIn(who: SignedInPerson | undefined): SignedInPerson {
  if (!who) throw new HttpFault('not-signed-in', 'Sign in first.');
  return who;
}

function authorise(
  name: RouteName,
  definition: RouteDefinition,
  request: Request,
  who: SignedInPerson | undefined,
): void {
  if (definition.access !== 'anyone') requireSignedIn(who);
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

const MOST_TOLD = 20;

/** Rows that could not be read are told beside the answer, which does without them. */
function tellLeftOut(response: Response, leftOut: ReadonlySet<string>): void {
  if (leftOut.size === 0 || response.headersSent) return;
  response.set('Map-Step-Left-Out', encodeURIComponent([...leftOut].slice(0, MOST_TOLD).join(' ')));
}
