import { z } from 'zod';
import { IN_PATH, IN_QUERY } from './addresses.ts';
import { documentCommandBody, versioned } from './commands.ts';
import {
  courseAnswer,
  courseCommandBody,
  courseCreateBody,
  courseListAnswer,
  courseVersionsAnswer,
  figureCreateBody,
  materialAnswer,
  studioAnswer,
} from './courses.ts';
import { pattern, section } from './entities.ts';
import { importUndone, jobAnswer } from './jobs.ts';
import {
  attendanceBody,
  checkAnswer,
  finishBody,
  logBody,
  markBody,
  publishAnswer,
  recapDetail,
  recapPublishBody,
  revokeAnswer,
  sectionAnswer,
  shareAnswer,
  storedAnswer,
} from './sections.ts';
import { demoSignInBody, type StaffRole, sessionAnswer, setupBody, signInBody } from './session.ts';
import { tableBody } from './tables.ts';

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
  readonly answer: z.ZodType;
  /** The body is a file: it may be large, and is a text as it is where the schema says so. */
  readonly takes?: 'large' | 'text';
}

const nothing = z.strictObject({});
const healthAnswer = z.strictObject({ ok: z.boolean() });
/** Events until one side ends it. */
const stream = z.void();
/** A text to be saved. */
const file = z.string();
const figureAnswer = versioned(pattern);
const sectionDocument = versioned(section);

const DIRECTOR = ['director'] as const;
/** Who writes down what the studio teaches and asks for. */
const WRITING = ['director', 'teacher'] as const;
const TEACHING = ['director', 'teacher', 'assistant', 'stand-in'] as const;

/** The one table of routes and rights; the server refuses to start with a route that is missing here. */
export const ROUTES = {
  'health.live': { method: 'GET', path: '/api/health/live', access: 'anyone', answer: healthAnswer },
  'health.ready': { method: 'GET', path: '/api/health/ready', access: 'anyone', answer: healthAnswer },
  'session.read': { method: 'GET', path: '/api/session', access: 'anyone', answer: sessionAnswer },
  'session.signIn': {
    method: 'POST',
    path: '/api/session',
    access: 'anyone',
    body: signInBody,
    answer: sessionAnswer,
  },
  'session.demo': {
    method: 'POST',
    path: '/api/session/demo',
    access: 'anyone',
    body: demoSignInBody,
    answer: sessionAnswer,
  },
  'session.signOut': { method: 'DELETE', path: '/api/session', access: 'signed-in', answer: nothing },
  'setup.create': {
    method: 'POST',
    path: '/api/setup',
    access: 'anyone',
    body: setupBody,
    answer: sessionAnswer,
  },
  'live.follow': { method: 'GET', path: '/api/live', access: 'signed-in', answer: stream },
  'studio.read': { method: 'GET', path: '/api/studio', access: 'signed-in', answer: studioAnswer },
  'studio.export': { method: 'GET', path: '/api/studio/export', access: DIRECTOR, answer: file },
  'studio.table': {
    method: 'GET',
    path: '/api/studio/tables/:table',
    access: DIRECTOR,
    params: IN_PATH.table,
    answer: file,
  },
  'studio.import': {
    method: 'POST',
    path: '/api/studio/import',
    access: DIRECTOR,
    query: IN_QUERY.import,
    body: z.string(),
    takes: 'text',
    answer: jobAnswer,
  },
  'import.undo': {
    method: 'POST',
    path: '/api/imports/:job/undo',
    access: DIRECTOR,
    params: IN_PATH.job,
    answer: importUndone,
  },
  'job.read': {
    method: 'GET',
    path: '/api/jobs/:job',
    access: DIRECTOR,
    params: IN_PATH.job,
    answer: jobAnswer,
  },
  'job.stop': {
    method: 'DELETE',
    path: '/api/jobs/:job',
    access: DIRECTOR,
    params: IN_PATH.job,
    answer: jobAnswer,
  },
  'material.read': {
    method: 'GET',
    path: '/api/material',
    access: 'signed-in',
    query: IN_QUERY.material,
    answer: materialAnswer,
  },
  'figure.create': {
    method: 'POST',
    path: '/api/figures',
    access: WRITING,
    body: figureCreateBody,
    answer: figureAnswer,
  },
  'table.import': {
    method: 'POST',
    path: '/api/imports',
    access: DIRECTOR,
    body: tableBody,
    takes: 'large',
    answer: jobAnswer,
  },
  'figure.read': {
    method: 'GET',
    path: '/api/figures/:figure',
    access: 'signed-in',
    params: IN_PATH.figure,
    answer: figureAnswer,
  },
  'figure.command': {
    method: 'POST',
    path: '/api/figures/:figure/commands',
    access: WRITING,
    params: IN_PATH.figure,
    body: documentCommandBody,
    answer: figureAnswer,
  },
  'course.list': {
    method: 'GET',
    path: '/api/courses',
    access: 'signed-in',
    query: IN_QUERY.page,
    answer: courseListAnswer,
  },
  'course.read': {
    method: 'GET',
    path: '/api/courses/:course',
    access: 'signed-in',
    params: IN_PATH.course,
    answer: courseAnswer,
  },
  'course.versions': {
    method: 'GET',
    path: '/api/courses/:course/versions',
    access: 'signed-in',
    params: IN_PATH.course,
    answer: courseVersionsAnswer,
  },
  'course.create': {
    method: 'POST',
    path: '/api/courses',
    access: DIRECTOR,
    body: courseCreateBody,
    answer: courseAnswer,
  },
  'course.command': {
    method: 'POST',
    path: '/api/courses/:course/commands',
    access: DIRECTOR,
    params: IN_PATH.course,
    body: courseCommandBody,
    answer: courseAnswer,
  },
  'section.read': {
    method: 'GET',
    path: '/api/sections/:section',
    access: 'signed-in',
    params: IN_PATH.section,
    answer: sectionAnswer,
  },
  'section.log': {
    method: 'POST',
    path: '/api/sections/:section/logs',
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: logBody,
    answer: storedAnswer,
  },
  'lesson.finish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/finish',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.lesson,
    body: finishBody,
    answer: sectionAnswer,
  },
  'section.command': {
    method: 'POST',
    path: '/api/sections/:section/commands',
    access: DIRECTOR,
    params: IN_PATH.section,
    body: documentCommandBody,
    answer: sectionDocument,
  },
  'section.document': {
    method: 'GET',
    path: '/api/sections/:section/document',
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.section,
    answer: sectionDocument,
  },
  'section.attend': {
    method: 'POST',
    path: '/api/sections/:section/attendance',
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: attendanceBody,
    answer: storedAnswer,
  },
  'check.read': {
    method: 'GET',
    path: '/api/sections/:section/checks/:check',
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.check,
    answer: checkAnswer,
  },
  'check.command': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/commands',
    access: WRITING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: documentCommandBody,
    answer: checkAnswer,
  },
  'check.mark': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/marks',
    access: TEACHING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: markBody,
    answer: storedAnswer,
  },
  'recap.read': {
    method: 'GET',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience',
    access: TEACHING,
    ownClass: 'staff-recap',
    params: IN_PATH.recap,
    answer: recapDetail,
  },
  'recap.command': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/commands',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: documentCommandBody,
    answer: recapDetail,
  },
  'recap.publish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/publish',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: recapPublishBody,
    answer: publishAnswer,
  },
  'recap.revoke': {
    method: 'DELETE',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/links',
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    answer: revokeAnswer,
  },
  'share.read': {
    method: 'GET',
    path: '/api/share/:token',
    access: 'anyone',
    params: IN_PATH.token,
    answer: shareAnswer,
  },
} as const satisfies Record<string, RouteDefinition>;

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
