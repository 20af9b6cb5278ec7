import type { Person } from '@map-step/core';

export type StaffRole = Person['role'];

/** Who may call a route: anyone, anyone signed in, or these roles. */
export type Access = 'anyone' | 'signed-in' | readonly StaffRole[];

export interface RouteDefinition {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly access: Access;
  /** Only staff of the section named in the path, besides the director. */
  readonly ownSection?: boolean;
}

const DIRECTOR = ['director'] as const;
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
  'studio.import': { method: 'POST', path: '/api/studio/import', access: DIRECTOR },
  'material.read': { method: 'GET', path: '/api/material', access: 'signed-in' },
  'course.list': { method: 'GET', path: '/api/courses', access: 'signed-in' },
  'course.read': { method: 'GET', path: '/api/courses/:course', access: 'signed-in' },
  'course.command': { method: 'POST', path: '/api/courses/:course/commands', access: DIRECTOR },
  'section.read': { method: 'GET', path: '/api/sections/:section', access: 'signed-in' },
  'section.log': { method: 'POST', path: '/api/sections/:section/logs', access: TEACHING, ownSection: true },
  'lesson.finish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/finish',
    access: TEACHING,
    ownSection: true,
  },
  'recap.save': {
    method: 'PUT',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience',
    access: TEACHING,
    ownSection: true,
  },
  'recap.publish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/publish',
    access: TEACHING,
    ownSection: true,
  },
  'recap.revoke': {
    method: 'DELETE',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/links',
    access: TEACHING,
    ownSection: true,
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
