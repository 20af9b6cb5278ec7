import type { z } from 'zod';
import { CLASS_ROUTES } from './class-routes.ts';
import type { RouteDefinition } from './route-definition.ts';
import type { StaffRole } from './session.ts';
import { STUDIO_ROUTES } from './studio-routes.ts';

/** The one table of routes and rights, on top of their paths; the server refuses to start with a route that is missing here. */
export const ROUTES = { ...STUDIO_ROUTES, ...CLASS_ROUTES } as const satisfies Record<
  string,
  RouteDefinition
>;

export type RouteName = keyof typeof ROUTES;

/** What a route is given under a key of its definition; nothing where it has none. */
type Given<Name extends RouteName, Key extends 'params' | 'query' | 'body' | 'answer'> =
  (typeof ROUTES)[Name] extends Record<Key, infer Schema extends z.ZodType> ? z.output<Schema> : undefined;
export type ParamsOf<Name extends RouteName> = Given<Name, 'params'>;
export type QueryOf<Name extends RouteName> = Given<Name, 'query'>;
export type BodyOf<Name extends RouteName> = Given<Name, 'body'>;
export type AnswerOf<Name extends RouteName> = Given<Name, 'answer'>;

/** True when a person of this role may call the route at all. */
export function mayCall(route: RouteName, role: StaffRole | undefined): boolean {
  const { access } = ROUTES[route];
  if (access === 'anyone') return true;
  if (role === undefined) return false;
  return access === 'signed-in' || (access as readonly StaffRole[]).includes(role);
}
