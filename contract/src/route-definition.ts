import type { z } from 'zod';
import type { RoutePath } from './paths.ts';
import type { StaffRole } from './session.ts';

/** Who may call a route: anyone, anyone signed in, or these roles. */
export type Access = 'anyone' | 'signed-in' | readonly StaffRole[];

/**
 * Only the staff of the class named in the path, besides the director, on the days they were given:
 * - `lesson`: the day of the lesson in the path
 * - `events`: the days of the lessons and checks that the events of the body are of
 * - `check`: the day of the check in the path
 * - `today`: the day it is
 * - `staff-recap`: the day it is, for what is written for the staff
 */
export type OwnClass = 'lesson' | 'events' | 'check' | 'today' | 'staff-recap';

export interface RouteDefinition extends RoutePath {
  readonly access: Access;
  readonly ownClass?: OwnClass;
  /** Who may read what the answer tells, where that are fewer than who may call: asked as `ownClass`, and before anything. */
  readonly reads?: Extract<OwnClass, 'today' | 'staff-recap'>;
  /** An answer that holds a class, or what happened in it: whoever is not on its staff today is told counts, and nobody's name. */
  readonly tellsClass?: 'class' | 'events';
  readonly params?: z.ZodType;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  readonly answer: z.ZodType;
}

export const DIRECTOR = ['director'] as const;
/** Who writes down what the studio teaches and asks for. */
export const WRITING = ['director', 'teacher'] as const;
export const TEACHING = ['director', 'teacher', 'assistant', 'stand-in'] as const;
