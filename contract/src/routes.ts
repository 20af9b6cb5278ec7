import { z } from 'zod';
import {
  acceptBody,
  accountAnswer,
  accountsAnswer,
  addressAnswer,
  endedAnswer,
  enterBody,
  invitationAnswer,
  linkAnswer,
  passwordBody,
} from './accounts.ts';
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
  sectionCreateBody,
  studioAnswer,
} from './courses.ts';
import { pattern, section } from './entities.ts';
import { importUndone, jobAnswer } from './jobs.ts';
import { PATHS, type RoutePath } from './paths.ts';
import { comingFaultsAnswer, nextTermAnswer, todayAnswer } from './programme.ts';
import {
  attendanceBody,
  checkAnswer,
  checkCreateBody,
  checkListAnswer,
  checkTellBody,
  checkToldAnswer,
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
import {
  enrolBody,
  entryAnswer,
  entryCreateBody,
  erasedAnswer,
  removedAnswer,
  studioDocumentAnswer,
  termAnswer,
} from './setup.ts';
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

export interface RouteDefinition extends RoutePath {
  readonly access: Access;
  readonly ownClass?: OwnClass;
  readonly params?: z.ZodType;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  readonly answer: z.ZodType;
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

/** The one table of routes and rights, on top of their paths; the server refuses to start with a route that is missing here. */
export const ROUTES = {
  'health.live': { ...PATHS['health.live'], access: 'anyone', answer: healthAnswer },
  'health.ready': { ...PATHS['health.ready'], access: 'anyone', answer: healthAnswer },
  'session.read': { ...PATHS['session.read'], access: 'anyone', answer: sessionAnswer },
  'session.signIn': { ...PATHS['session.signIn'], access: 'anyone', body: signInBody, answer: sessionAnswer },
  'session.demo': { ...PATHS['session.demo'], access: 'anyone', body: demoSignInBody, answer: sessionAnswer },
  'session.signOut': { ...PATHS['session.signOut'], access: 'signed-in', answer: nothing },
  'setup.create': { ...PATHS['setup.create'], access: 'anyone', body: setupBody, answer: sessionAnswer },
  'founding.invite': { ...PATHS['founding.invite'], access: DIRECTOR, answer: linkAnswer },
  'address.read': { ...PATHS['address.read'], access: 'anyone', params: IN_PATH.at, answer: addressAnswer },
  'invitation.read': {
    ...PATHS['invitation.read'],
    access: 'anyone',
    params: IN_PATH.token,
    answer: invitationAnswer,
  },
  'invitation.accept': {
    ...PATHS['invitation.accept'],
    access: 'anyone',
    params: IN_PATH.token,
    body: acceptBody,
    answer: sessionAnswer,
  },
  'account.read': { ...PATHS['account.read'], access: 'signed-in', answer: accountAnswer },
  'account.password': {
    ...PATHS['account.password'],
    access: 'signed-in',
    body: passwordBody,
    answer: endedAnswer,
  },
  'account.end': {
    ...PATHS['account.end'],
    access: 'signed-in',
    params: IN_PATH.openSession,
    answer: endedAnswer,
  },
  'account.enter': { ...PATHS['account.enter'], access: 'signed-in', body: enterBody, answer: sessionAnswer },
  'studio.document': { ...PATHS['studio.document'], access: DIRECTOR, answer: studioDocumentAnswer },
  'studio.command': {
    ...PATHS['studio.command'],
    access: DIRECTOR,
    body: documentCommandBody,
    answer: studioDocumentAnswer,
  },
  'entry.create': { ...PATHS['entry.create'], access: DIRECTOR, body: entryCreateBody, answer: entryAnswer },
  'entry.read': { ...PATHS['entry.read'], access: DIRECTOR, params: IN_PATH.entry, answer: entryAnswer },
  'entry.command': {
    ...PATHS['entry.command'],
    access: DIRECTOR,
    params: IN_PATH.entry,
    body: documentCommandBody,
    answer: entryAnswer,
  },
  'entry.remove': {
    ...PATHS['entry.remove'],
    access: DIRECTOR,
    params: IN_PATH.removable,
    answer: removedAnswer,
  },
  'people.accounts': { ...PATHS['people.accounts'], access: DIRECTOR, answer: accountsAnswer },
  'person.invite': {
    ...PATHS['person.invite'],
    access: DIRECTOR,
    params: IN_PATH.person,
    answer: linkAnswer,
  },
  'person.withdraw': {
    ...PATHS['person.withdraw'],
    access: DIRECTOR,
    params: IN_PATH.person,
    answer: endedAnswer,
  },
  'person.endAccount': {
    ...PATHS['person.endAccount'],
    access: DIRECTOR,
    params: IN_PATH.person,
    answer: endedAnswer,
  },
  'student.export': { ...PATHS['student.export'], access: DIRECTOR, params: IN_PATH.student, answer: file },
  'student.erase': {
    ...PATHS['student.erase'],
    access: DIRECTOR,
    params: IN_PATH.student,
    answer: erasedAnswer,
  },
  'programme.today': { ...PATHS['programme.today'], access: 'signed-in', answer: todayAnswer },
  'programme.faults': { ...PATHS['programme.faults'], access: 'signed-in', answer: comingFaultsAnswer },
  'programme.next': { ...PATHS['programme.next'], access: DIRECTOR, answer: nextTermAnswer },
  'term.read': { ...PATHS['term.read'], access: 'signed-in', query: IN_QUERY.term, answer: termAnswer },
  'section.create': {
    ...PATHS['section.create'],
    access: DIRECTOR,
    body: sectionCreateBody,
    answer: sectionDocument,
  },
  'section.enrol': {
    ...PATHS['section.enrol'],
    access: DIRECTOR,
    params: IN_PATH.section,
    body: enrolBody,
    answer: sectionDocument,
  },
  'live.follow': { ...PATHS['live.follow'], access: 'signed-in', answer: stream },
  'studio.read': { ...PATHS['studio.read'], access: 'signed-in', answer: studioAnswer },
  'studio.export': { ...PATHS['studio.export'], access: DIRECTOR, answer: file },
  'studio.table': { ...PATHS['studio.table'], access: DIRECTOR, params: IN_PATH.table, answer: file },
  'studio.import': {
    ...PATHS['studio.import'],
    access: DIRECTOR,
    query: IN_QUERY.import,
    body: z.string(),
    answer: jobAnswer,
  },
  'import.undo': { ...PATHS['import.undo'], access: DIRECTOR, params: IN_PATH.job, answer: importUndone },
  'job.read': { ...PATHS['job.read'], access: DIRECTOR, params: IN_PATH.job, answer: jobAnswer },
  'job.stop': { ...PATHS['job.stop'], access: DIRECTOR, params: IN_PATH.job, answer: jobAnswer },
  'material.read': {
    ...PATHS['material.read'],
    access: 'signed-in',
    query: IN_QUERY.material,
    answer: materialAnswer,
  },
  'figure.create': {
    ...PATHS['figure.create'],
    access: WRITING,
    body: figureCreateBody,
    answer: figureAnswer,
  },
  'table.import': { ...PATHS['table.import'], access: DIRECTOR, body: tableBody, answer: jobAnswer },
  'figure.read': {
    ...PATHS['figure.read'],
    access: 'signed-in',
    params: IN_PATH.figure,
    answer: figureAnswer,
  },
  'figure.command': {
    ...PATHS['figure.command'],
    access: WRITING,
    params: IN_PATH.figure,
    body: documentCommandBody,
    answer: figureAnswer,
  },
  'course.list': {
    ...PATHS['course.list'],
    access: 'signed-in',
    query: IN_QUERY.page,
    answer: courseListAnswer,
  },
  'course.read': {
    ...PATHS['course.read'],
    access: 'signed-in',
    params: IN_PATH.course,
    answer: courseAnswer,
  },
  'course.versions': {
    ...PATHS['course.versions'],
    access: 'signed-in',
    params: IN_PATH.course,
    answer: courseVersionsAnswer,
  },
  'course.create': {
    ...PATHS['course.create'],
    access: DIRECTOR,
    body: courseCreateBody,
    answer: courseAnswer,
  },
  'course.command': {
    ...PATHS['course.command'],
    access: DIRECTOR,
    params: IN_PATH.course,
    body: courseCommandBody,
    answer: courseAnswer,
  },
  'section.read': {
    ...PATHS['section.read'],
    access: 'signed-in',
    params: IN_PATH.section,
    answer: sectionAnswer,
  },
  'section.log': {
    ...PATHS['section.log'],
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: logBody,
    answer: storedAnswer,
  },
  'lesson.finish': {
    ...PATHS['lesson.finish'],
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.lesson,
    body: finishBody,
    answer: sectionAnswer,
  },
  'section.command': {
    ...PATHS['section.command'],
    access: DIRECTOR,
    params: IN_PATH.section,
    body: documentCommandBody,
    answer: sectionDocument,
  },
  'section.document': {
    ...PATHS['section.document'],
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.section,
    answer: sectionDocument,
  },
  'section.attend': {
    ...PATHS['section.attend'],
    access: TEACHING,
    ownClass: 'entries',
    params: IN_PATH.section,
    body: attendanceBody,
    answer: storedAnswer,
  },
  'check.list': {
    ...PATHS['check.list'],
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.section,
    answer: checkListAnswer,
  },
  'check.create': {
    ...PATHS['check.create'],
    access: WRITING,
    ownClass: 'today',
    params: IN_PATH.section,
    body: checkCreateBody,
    answer: checkAnswer,
  },
  'check.read': {
    ...PATHS['check.read'],
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.check,
    answer: checkAnswer,
  },
  'check.command': {
    ...PATHS['check.command'],
    access: WRITING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: documentCommandBody,
    answer: checkAnswer,
  },
  'check.told': {
    ...PATHS['check.told'],
    access: TEACHING,
    ownClass: 'today',
    params: IN_PATH.check,
    answer: checkToldAnswer,
  },
  'check.tell': {
    ...PATHS['check.tell'],
    access: WRITING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: checkTellBody,
    answer: linkAnswer,
  },
  'check.untell': {
    ...PATHS['check.untell'],
    access: WRITING,
    ownClass: 'check',
    params: IN_PATH.toldStudent,
    answer: endedAnswer,
  },
  'check.mark': {
    ...PATHS['check.mark'],
    access: TEACHING,
    ownClass: 'check',
    params: IN_PATH.check,
    body: markBody,
    answer: storedAnswer,
  },
  'recap.read': {
    ...PATHS['recap.read'],
    access: TEACHING,
    ownClass: 'staff-recap',
    params: IN_PATH.recap,
    answer: recapDetail,
  },
  'recap.command': {
    ...PATHS['recap.command'],
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: documentCommandBody,
    answer: recapDetail,
  },
  'recap.publish': {
    ...PATHS['recap.publish'],
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    body: recapPublishBody,
    answer: publishAnswer,
  },
  'recap.revoke': {
    ...PATHS['recap.revoke'],
    access: TEACHING,
    ownClass: 'lesson',
    params: IN_PATH.recap,
    answer: revokeAnswer,
  },
  'share.read': { ...PATHS['share.read'], access: 'anyone', params: IN_PATH.token, answer: shareAnswer },
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
