// What fifty people do in a studio of an evening, as requests; most look, some write.
import { randomUUID } from 'node:crypto';
import { ROUTES, type RouteName } from '@map-step/contract';
import type { StudioSize } from './big-studio.ts';

export interface Call {
  readonly route: RouteName;
  readonly params: Readonly<Record<string, string | number>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: unknown;
}

/** What a person's browser remembers from one request to the next. */
export interface Memory {
  readonly stamps: Map<string, string>;
  readonly courses: Map<string, { version: number; placed: readonly { pattern: string; lesson: number }[] }>;
}

export interface Action {
  readonly name: string;
  readonly weight: number;
  readonly isWrite?: boolean;
  /** Done by every browser before the load begins. */
  readonly isFirst?: boolean;
  call(size: StudioSize, memory: Memory): Call;
}

const at = '2026-02-02T19:00:00Z';
const pick = (count: number) => Math.floor(Math.random() * count);

/** Where a class, its course, its check and one of its figures lie in the big studio. */
function pickClass(size: StudioSize) {
  const number = pick(size.sections);
  const course = Math.floor(number / 2);
  const block = course % (Math.ceil(size.patterns / size.block) - 1);
  return {
    section: `section-${number}`,
    course: `course-${course}`,
    check: `check-${number * 2}`,
    figure: `wrap-${block}`,
    student: `student-${number}-${1 + pick(50)}`,
    basic: `side-basic-${block}`,
  };
}

export const ACTIONS: readonly Action[] = [
  { name: 'session.read', weight: 8, call: () => ({ route: 'session.read', params: {} }) },
  { name: 'studio.read', weight: 4, call: () => ({ route: 'studio.read', params: {} }) },
  { name: 'course.list', weight: 8, call: () => ({ route: 'course.list', params: {} }) },
  {
    name: 'course.read',
    weight: 12,
    isFirst: true,
    call: size => ({ route: 'course.read', params: { course: pickClass(size).course } }),
  },
  {
    name: 'section.read',
    weight: 16,
    call: size => ({ route: 'section.read', params: { section: pickClass(size).section } }),
  },
  {
    name: 'material.read, first time',
    weight: 2,
    isFirst: true,
    call: size => ({ route: 'material.read', params: {}, query: { course: pickClass(size).course } }),
  },
  {
    name: 'material.read, again',
    weight: 10,
    call: (size, { stamps }) => {
      const [course, stamp] = [...stamps][pick(stamps.size)] ?? [pickClass(size).course, ''];
      return { route: 'material.read', params: {}, query: { course, stamp } };
    },
  },
  {
    name: 'figure.read',
    weight: 5,
    call: size => ({ route: 'figure.read', params: { figure: pickClass(size).figure } }),
  },
  {
    name: 'check.read',
    weight: 6,
    call: size => {
      const { section, check } = pickClass(size);
      return { route: 'check.read', params: { section, check } };
    },
  },
  {
    name: 'recap.read',
    weight: 4,
    call: size => ({
      route: 'recap.read',
      params: { section: pickClass(size).section, lesson: 1 + pick(5), audience: 'students' },
    }),
  },
  {
    name: 'class.append of a log',
    weight: 8,
    isWrite: true,
    call: size => {
      const { section, figure: pattern } = pickClass(size);
      const entry = { id: randomUUID(), lesson: 6, pattern, result: 'solid', at };
      return { route: 'class.append', params: { section }, body: { events: [{ kind: 'log', entry }] } };
    },
  },
  {
    name: 'class.append of who is here',
    weight: 6,
    isWrite: true,
    call: size => {
      const { section, student } = pickClass(size);
      const entry = { id: randomUUID(), lesson: 6, student, role: 'lead', here: true, at };
      return { route: 'class.append', params: { section }, body: { events: [{ kind: 'present', entry }] } };
    },
  },
  {
    name: 'class.append of a mark',
    weight: 6,
    isWrite: true,
    call: size => {
      const { section, check, student, basic: pattern } = pickClass(size);
      const entry = { id: randomUUID(), student, role: 'lead', pattern, layer: 'steps', mark: 2, at };
      return {
        route: 'class.append',
        params: { section },
        body: { events: [{ kind: 'mark', check, entry }] },
      };
    },
  },
  {
    name: 'course.command',
    weight: 3,
    isWrite: true,
    call: (size, { courses }) => {
      const [course, seen] = [...courses][pick(courses.size)] ?? [pickClass(size).course, undefined];
      const place = seen?.placed[pick(seen.placed.length)] ?? { pattern: '', lesson: 1 };
      const to = { ...place, lesson: (place.lesson % 7) + 1 };
      const changes = [{ field: `placed/${place.pattern}`, from: place, to }];
      const command = { kind: 'edit', what: 'Moved', changes };
      return { route: 'course.command', params: { course }, body: { seen: seen?.version ?? 1, command } };
    },
  },
  {
    name: 'figure.command',
    weight: 1,
    isWrite: true,
    call: size => {
      const { figure } = pickClass(size);
      const changes = [{ field: 'rank', from: null, to: 3 }];
      const command = { kind: 'edit', what: 'Rank', changes };
      return { route: 'figure.command', params: { figure }, body: { command } };
    },
  },
];

export function addressOf({ route, params, query }: Call): string {
  const path = ROUTES[route].path.replace(/:(\w+)/g, (_, key: string) => String(params[key]));
  return query ? `${path}?${new URLSearchParams(query)}` : path;
}

/** One of the actions, as often as its weight says. */
export function pickAction(): Action {
  let rest = Math.random() * ACTIONS.reduce((sum, { weight }) => sum + weight, 0);
  for (const action of ACTIONS) {
    rest -= action.weight;
    if (rest <= 0) return action;
  }
  return ACTIONS[0] as Action;
}

/** True for an answer of which a browser keeps something. */
export function isRemembered({ route, query }: Call): boolean {
  return route === 'material.read'
    ? query?.course !== undefined
    : route.startsWith('course.') && route !== 'course.list';
}

/** What a browser keeps of an answer. */
export function remember(call: Call, text: string, { stamps, courses }: Memory): void {
  if (call.route === 'material.read') {
    const stamp = /"stamp":"([^"]*)"/.exec(text)?.[1];
    if (stamp !== undefined) stamps.set(call.query?.course ?? '', stamp);
    return;
  }
  const answer = JSON.parse(text) as {
    version: number;
    course?: { id: string; placed?: { pattern: string; lesson: number }[] };
  };
  if (answer.course)
    courses.set(answer.course.id, { version: answer.version, placed: answer.course.placed ?? [] });
}
