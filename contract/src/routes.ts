import type { Person } from '@map-step/core';
import { z } from 'zod';
import { IN_PATH, IN_QUERY } from './addresses.ts';
import { documentCommandBody } from './commands.ts';
import { courseCommandBody, courseCreateBody, figureCreateBody } from './courses.ts';
import { attendanceBody, finishBody, logBody, markBody, recapPublishBody } from './sections.ts';
import { demoSignInBody, setupBody, signInBody } from './session.ts';
import { tableBody } from './tables.ts';

export type StaffRole = Person['role'];

/** Who may call a route: anyone, anyone signed in, or these roles. */
export type Access = 'anyone' | 'signed-in' | readonly StaffRole[];

/**
 * Only the staff of the class named in the path, besides the director, on the days they were given:
 * - `lesson`: the day of the lesson in the path
 * - `entries`: the days of the lessons that the entries of the body are of
 * - `check`: the day of the check in the path
 * - `today`: the day it is
 * - `staff-recap`: the day it is, for what is written for the staff
 */
export type OwnClass = 'lesson' | 'entries' | 'check' | 'today' | 'staff-recap';

export interface RouteDefinition {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  readonly ownClass?: OwnClass;
  readonly params?: z.ZodType;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  /** The body is a file: it may be large, and is a text as it is where the schema says so. */
  readonly takes?: 'large' | 'text';
}

const DIRECTOR = ['director'] as const;
/** Who writes down what the studio teaches and asks for. */
const WRITING = ['director', 'teacher'] as const;
const TEACHING = ['director', 'teacher', 'assistant', 'stand-in'] as const;

/** The one table of routes and rights; the server refuses to start with a route that is missing here. */
export const ROUTES = {
  'health.live': { method: 'GET', path: '/api/health/live', access: 'anyone' },
  'health.ready': { method: 'GET', path: '/api/health/ready', access: 'anyone' },
  'session.read': { method: 'GET', path: '/api/session', access: 'anyone' },
  'session.signIn': { method: 'POST', path: '/api/session', access: 'anyone', body: signInBody },
  'session.demo': { method: 'POST', path: '/api/session/demo', access: 'anyone', body: demoSignInBody },
  'session.signOut': { method: 'DELETE', path: '/api/session', access: 'signed-in' },
  'setup.create': { method: 'POST', path: '/api/setup', access: 'anyone', body: setupBody },
  'live.follow': { method: 'GET', path: '/api/live', access: 'signed-in' },
  'studio.read': { method: 'GET', path: '/api/studio', access: 'signed-in' },
  'studio.export': { method: 'GET', path: '/api/studio/export', access: DIRECTOR },
  'studio.table': {
    method: 'GET',
    path: '/api/studio/tables/:table',
    access: DIRECTOR,
    params: IN_PATH.table,
  },
  'studio.import': {
    method: 'POST',
    path: '/api/studio/import',
    access: DIRECTOR,
    query: IN_QUERY.import,
    body: z.string(),
    takes: 'text',
  },
  'import.undo': {
    method: 'POST',
    path: '/api/imports/:job/undo',
    access: DIRECTOR,
    params: IN_PATH.job,
  },
  'job.read': { method: 'GET', path: '/api/jobs/:job', access: DIRECTOR, params: IN_PATH.job },
  'job.stop': { method: 'DELETE', path: '/api/jobs/:job', access: DIRECTOR, params: IN_PATH.job },
  'material.read': {
    method: 'GET',
    path: '/api/material',
    access: 'signed-in',
    query: IN_QUERY.material,
  },
  'figure.create': { method: 'POST', path: '/api/figures', access: WRITING, body: figureCreateBody },
  'table.import': {
    method: 'POST',
    path: '/api/imports',
    access: DIRECTOR,
    body: tableBody,
    takes: 'large',
  },
  'figure.read': {
    method: 'GET',
    path: '/api/figures/:figure',
    access: 'signed-in',
    params: IN_PATH.figure,
  },
  'figure.command': {
    method: 'POST',
    path: '/api/figures/:figure/commands',
    access: WRITING,
    params: IN_PATH.figure,
    body: documentCommandBody,
  },
  'course.list': { method: 'GET', path: '/api/courses', access: 'signed-in', query: IN_QUERY.page },
  'course.read': {
    method: 'GET',
    path: '/api/courses/:course',
    access: 'signed-in',
    params: IN_PATH.course,
  },
  'course.versions': {
    method: 'GET',
    path: '/api/courses/:course/versions',
    access: 'signed-in',
    params: IN_PATH.course,
  },
  'course.create': { method: 'POST', path: '/api/courses', access: DIRECTOR, body: courseCreateBody },
  'course.command': {
    method: 'POST',
    path: '/api/courses/:course/commands',
    access: DIRECTOR,
    params: IN_PATH.course,
    body: courseCommandBody,
  },
  'section.read': {
    method: 'GET',
    path: '/api/sections/:section',
    access: 'signed-in',
    params: IN_PATH.section,
  },
  'section.log': {
    method: 'POST',
    path: '/api/sections/:section/logs',
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: logBody,
  },
  'lesson.finish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/finish',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.lesson,
    body: finishBody,
  },
  'section.command': {
    method: 'POST',
    path: '/api/sections/:section/commands',
    access: DIRECTOR,
    params: IN_PATH.section,
    body: documentCommandBody,
  },
  'section.document': {
    method: 'GET',
    path: '/api/sections/:section/document',
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.section,
  },
  'section.attend': {
    method: 'POST',
    path: '/api/sections/:section/attendance',
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: attendanceBody,
  },
  'check.read': {
    method: 'GET',
    path: '/api/sections/:section/checks/:check',
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.check,
  },
  'check.command': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/commands',
    access: WRITING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: documentCommandBody,
  },
  'check.mark': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/marks',
    access: TEACHING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: markBody,
  },
  'recap.read': {
    method: 'GET',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience',
    access: TEACHING,
    ownClass: 'staff-recap',
    params: IN_PATH.recap,
  },
  'recap.command': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/commands',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: documentCommandBody,
  },
  'recap.publish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/publish',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: recapPublishBody,
  },
  'recap.revoke': {
    method: 'DELETE',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/links',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
  },
  'share.read': { method: 'GET', path: '/api/share/:token', access: 'anyone', params: IN_PATH.token },
} as const satisfies Record<string, RouteDefinition>;

export type RouteName = keyof typeof ROUTES;

/** What a route is given under a key of its definition; nothing where it has none. */
type Given<Name extends RouteName, Key extends 'params' | 'query' | 'body'> =
  (typeof ROUTES)[Name] extends Record<Key, infer Schema extends z.ZodType> ? z.output<Schema> : undefined;
export type ParamsOf<Name extends RouteName> = Given<Name, 'params'>;
export type QueryOf<Name extends RouteName> = Given<Name, 'query'>;
export type BodyOf<Name extends RouteName> = Given<Name, 'body'>;

/** True when a person of this role may call the route at all. */
export function mayCall(route: RouteName, role: StaffRole | undefined): boolean {
  const { access } = ROUTES[route];
  if (access === 'anyone') return true;
  if (role === undefined) return false;
  return access === 'signed-in' || (access as readonly StaffRole[]).includes(role);
}
