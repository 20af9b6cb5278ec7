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
import { documentCommandBody } from './commands.ts';
import { studioAnswer } from './courses.ts';
import { jobAnswer } from './jobs.ts';
import { PATHS } from './paths.ts';
import { DIRECTOR, type RouteDefinition } from './route-definition.ts';
import { demoSignInBody, sessionAnswer, setupBody, signInBody } from './session.ts';
import { entryAnswer, entryCreateBody, erasedAnswer, removedAnswer, studioDocumentAnswer } from './setup.ts';
import { studentAnswer, studentMatchBody, studentsFound } from './students.ts';

const nothing = z.strictObject({});
const healthAnswer = z.strictObject({ ok: z.boolean() });
/** Events until one side ends it. */
const stream = z.void();
/** A text to be saved. */
const file = z.string();
/** A file that comes in: text as it is sent, bytes as they come. */
const fileBody = z.custom<string | Uint8Array>();

/** Coming in, the studio itself, what it is set up with, files in and out. */
export const STUDIO_ROUTES = {
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
  'student.find': {
    ...PATHS['student.find'],
    access: DIRECTOR,
    query: IN_QUERY.named,
    answer: studentsFound,
  },
  'student.match': {
    ...PATHS['student.match'],
    access: DIRECTOR,
    body: studentMatchBody,
    answer: studentsFound,
  },
  'student.read': {
    ...PATHS['student.read'],
    access: DIRECTOR,
    params: IN_PATH.student,
    answer: studentAnswer,
  },
  'student.export': { ...PATHS['student.export'], access: DIRECTOR, params: IN_PATH.student, answer: file },
  'student.erase': {
    ...PATHS['student.erase'],
    access: DIRECTOR,
    params: IN_PATH.student,
    answer: erasedAnswer,
  },
  'live.follow': { ...PATHS['live.follow'], access: 'signed-in', answer: stream },
  'studio.read': { ...PATHS['studio.read'], access: 'signed-in', answer: studioAnswer },
  'studio.export': { ...PATHS['studio.export'], access: DIRECTOR, answer: file },
  'studio.table': { ...PATHS['studio.table'], access: DIRECTOR, params: IN_PATH.table, answer: file },
  'studio.import': {
    ...PATHS['studio.import'],
    access: DIRECTOR,
    query: IN_QUERY.import,
    body: fileBody,
    answer: jobAnswer,
  },
  'import.undo': { ...PATHS['import.undo'], access: DIRECTOR, params: IN_PATH.job, answer: jobAnswer },
  'job.read': { ...PATHS['job.read'], access: DIRECTOR, params: IN_PATH.job, answer: jobAnswer },
  'job.stop': { ...PATHS['job.stop'], access: DIRECTOR, params: IN_PATH.job, answer: jobAnswer },
  'table.import': { ...PATHS['table.import'], access: DIRECTOR, body: fileBody, answer: jobAnswer },
} as const satisfies Record<string, RouteDefinition>;
