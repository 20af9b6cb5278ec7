// Where each route is, apart from the schemas of what goes in and out: the page's first load carries only this.

export interface RoutePath {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  /** The body is a file: it may be large, and is a text as it is where this says so. */
  readonly takes?: 'large' | 'text';
}

export const PATHS = {
  'health.live': { method: 'GET', path: '/api/health/live' },
  'health.ready': { method: 'GET', path: '/api/health/ready' },
  'session.read': { method: 'GET', path: '/api/session' },
  'session.signIn': { method: 'POST', path: '/api/session' },
  'session.demo': { method: 'POST', path: '/api/session/demo' },
  'session.signOut': { method: 'DELETE', path: '/api/session' },
  'setup.create': { method: 'POST', path: '/api/setup' },
  'live.follow': { method: 'GET', path: '/api/live' },
  'studio.read': { method: 'GET', path: '/api/studio' },
  'studio.export': { method: 'GET', path: '/api/studio/export' },
  'studio.table': { method: 'GET', path: '/api/studio/tables/:table' },
  'studio.import': { method: 'POST', path: '/api/studio/import', takes: 'text' },
  'import.undo': { method: 'POST', path: '/api/imports/:job/undo' },
  'job.read': { method: 'GET', path: '/api/jobs/:job' },
  'job.stop': { method: 'DELETE', path: '/api/jobs/:job' },
  'material.read': { method: 'GET', path: '/api/material' },
  'figure.create': { method: 'POST', path: '/api/figures' },
  'table.import': { method: 'POST', path: '/api/imports', takes: 'large' },
  'figure.read': { method: 'GET', path: '/api/figures/:figure' },
  'figure.command': { method: 'POST', path: '/api/figures/:figure/commands' },
  'course.list': { method: 'GET', path: '/api/courses' },
  'course.read': { method: 'GET', path: '/api/courses/:course' },
  'course.versions': { method: 'GET', path: '/api/courses/:course/versions' },
  'course.create': { method: 'POST', path: '/api/courses' },
  'course.command': { method: 'POST', path: '/api/courses/:course/commands' },
  'section.read': { method: 'GET', path: '/api/sections/:section' },
  'section.log': { method: 'POST', path: '/api/sections/:section/logs' },
  'lesson.finish': { method: 'POST', path: '/api/sections/:section/lessons/:lesson/finish' },
  'section.command': { method: 'POST', path: '/api/sections/:section/commands' },
  'section.document': { method: 'GET', path: '/api/sections/:section/document' },
  'section.attend': { method: 'POST', path: '/api/sections/:section/attendance' },
  'check.read': { method: 'GET', path: '/api/sections/:section/checks/:check' },
  'check.command': { method: 'POST', path: '/api/sections/:section/checks/:check/commands' },
  'check.mark': { method: 'POST', path: '/api/sections/:section/checks/:check/marks' },
  'recap.read': { method: 'GET', path: '/api/sections/:section/lessons/:lesson/recaps/:audience' },
  'recap.command': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/commands',
  },
  'recap.publish': {
    method: 'POST',
    path: '/api/sections/:section/lessons/:lesson/recaps/:audience/publish',
  },
  'recap.revoke': { method: 'DELETE', path: '/api/sections/:section/lessons/:lesson/recaps/:audience/links' },
  'share.read': { method: 'GET', path: '/api/share/:token' },
} as const satisfies Record<string, RoutePath>;
