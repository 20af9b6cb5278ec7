import type { Person } from '@map-step/core';

export type StaffRole = Person['role'];

/** Who may call a route: anyone, anyone signed in, or these roles. */
export type Access = 'anyone' | 'signed-in' | readonly StaffRole[];

export interface RouteDefinition {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  /** Only the staff of the class named in the path on the days they were given, besides the director. */
  readonly ownClass?: boolean;
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
  'session.signIn': { method: 'POST', path: '/api/session', access: 'anyone' },
  'session.demo': { method: 'POST', path: '/api/session/demo', access: 'anyone' },
  'session.signOut': { method: 'DELETE', path: '/api/session', access: 'signed-in' },
  'setup.create': { method: 'POST', path: '/api/setup', access: 'anyone' },
  'live.follow': { method: 'GET', path: '/api/live', access: 'signed-in' },
  'studio.read': { method: 'GET', path: '/api/studio', access: 'signed-in' },
  'studio.export': { method: 'GET', path: '/api/studio/export', access: DIRECTOR },
  'studio.table': { method: 'GET', path: '/api/studio/tables/:table', access: DIRECTOR },
  'studio.import': { method: 'POST', path: '/api/studio/import', access: DIRECTOR },
  'import.undo': { method: 'POST', path: '/api/imports/:job/undo', access: DIRECTOR },
  'job.read': { method: 'GET', path: '/api/jobs/:job', access: DIRECTOR },
  'job.stop': { method: 'DELETE', path: '/api/jobs/:job', access: DIRECTOR },
  'material.read': { method: 'GET', path: '/api/material', access: 'signed-in' },
  'figure.create': { method: 'POST', path: '/api/figures', access: WRITING },
  'table.import': { method: 'POST', path: '/api/imports', access: DIRECTOR },
  'figure.read': { method: 'GET', path: '/api/figures/:figure', access: 'signed-in' },
  'figure.command': { method: 'POST', path: '/api/figures/:figure/commands', access: WRITING },
  'course.list': { method: 'GET', path: '/api/courses', access: 'signed-in' },
  'course.read': { method: 'GET', path: '/api/courses/:course', access: 'signed-in' },
  'course.versions': { method: 'GET', path: '/api/courses/:course/versions', access: 'signed-in' },
  'course.create': { method: 'POST', path: '/api/courses', access: DIRECTOR },
  'course.command': { method: 'POST', path: '/api/courses/:course/commands', access: DIRECTOR },
  'section.read': { method: 'GET', path: '/api/sections/:section', access: 'signed-in' },
  'section.log': { method: 'POST', path: '/api/sections/:section/logs', access: TEACHING, ownClass: true },
  'lesson.finish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/finish',
    access: TEACHING,
    ownClass: true,
  },
  'section.command': {
    method: 'POST',
    path: '/api/sections/:section/commands',
    access: DIRECTOR,
  },
  'section.document': { method: 'GET', path: '/api/sections/:section/document', access: 'signed-in' },
  'section.attend': {
    method: 'POST',
    path: '/api/sections/:section/attendance',
    access: TEACHING,
    ownClass: true,
  },
  'check.read': { method: 'GET', path: '/api/sections/:section/checks/:check', access: 'signed-in' },
  'check.command': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/commands',
    access: WRITING,
    ownClass: true,
  },
  'check.mark': {
    method: 'POST',
    path: '/api/sections/:section/checks/:check/marks',
    access: TEACHING,
    ownClass: true,
  },
  'recap.read': {
    method: 'GET',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience',
    access: 'signed-in',
  },
  'recap.command': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/commands',
    access: TEACHING,
    ownClass: true,
  },
  'recap.publish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/publish',
    access: TEACHING,
    ownClass: true,
  },
  'recap.revoke': {
    method: 'DELETE',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/links',
    access: TEACHING,
    ownClass: true,
  },
  'share.read': { method: 'GET', path: '/api/share/:token', access: 'anyone' },
} as const satisfies Record<string, RouteDefinition>;

export type RouteName = keyof typeof ROUTES;

/** True when a person of this role may call the route at all. */
export function mayCall(route: RouteName, role: StaffRole | undefined): boolean {
  const { access } = ROUTES[route];
  if (access === 'anyone') return true;
  if (role === undefined) return false;
  return access === 'signed-in' || (access as readonly StaffRole[]).includes(role);
}
