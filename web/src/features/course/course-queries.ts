import type { Material, SectionAnswer } from '@map-step/contract';
import { type Audience, type Course, endingWith, type Placing } from '@map-step/core';
import {
  hashKey,
  infiniteQueryOptions,
  queryOptions,
  skipToken,
  useQueryClient,
} from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { planClassInWorker } from '../../workers/planner.ts';
import { type KnownMaterial, readMaterial } from './read-material.ts';

export const keys = {
  studio: ['studio'] as const,
  courses: ['courses'] as const,
  today: ['today'] as const,
  term: ['term'] as const,
  everyCourse: ['course'] as const,
  course: (id: string) => ['course', id] as const,
  section: (id: string) => ['section', id] as const,
  since: (section: string) => ['class-since', section] as const,
  checks: (section: string) => ['section', section, 'checks'] as const,
  everyCheck: (section: string) => ['section', section, 'check'] as const,
  check: (section: string, check: string) => ['section', section, 'check', check] as const,
  material: ['material'] as const,
  everyCombinationList: ['combinations'] as const,
  combinations: (course: string) => ['combinations', course] as const,
  combination: (id: string) => ['combination', id] as const,
  drafts: ['drafts'] as const,
  everyFigure: ['figure'] as const,
  figure: (id: string) => ['figure', id] as const,
  job: (id: string) => ['job', id] as const,
  recap: (of: { section: string; lesson: number; audience: Audience }) =>
    ['section', of.section, 'recap', of.lesson, of.audience] as const,
  classPlan: (id: string) => ['class-plan', id] as const,
};

/** The material of a course; read again it costs little as long as nothing has changed. */
export function materialQuery(course: string) {
  return queryOptions({
    queryKey: [...keys.material, course],
    queryFn: ({ client, queryKey }) => readMaterial(course, client.getQueryData<KnownMaterial>(queryKey)),
    staleTime: 300_000,
  });
}

/** The newest classes first, a page at a time. */
export const courseListQuery = infiniteQueryOptions({
  queryKey: keys.courses,
  queryFn: ({ pageParam }) => call('course.list', { query: { page: pageParam } }),
  initialPageParam: 0,
  getNextPageParam: (last, pages) => (last.more ? pages.length : undefined),
});

export function courseQuery(id: string) {
  return queryOptions({
    queryKey: keys.course(id),
    queryFn: () => call('course.read', { params: { course: id } }),
  });
}

/** The plans that were published or kept, the newest first; asked anew when the course has changed. */
export function versionsQuery(id: string, version: number) {
  return queryOptions({
    queryKey: [...keys.course(id), 'versions', version],
    queryFn: () => call('course.versions', { params: { course: id } }),
    placeholderData: previous => previous,
  });
}

export function sectionQuery(id: string) {
  return queryOptions({
    queryKey: keys.section(id),
    queryFn: async ({ client }) => {
      const known = client.getQueryData<SectionAnswer>(keys.section(id));
      const query = known && { after: known.seq };
      return withKnown(
        known,
        await call('section.read', { params: { section: id }, ...(query && { query }) }),
      );
    },
  });
}

/** An answer that tells only what came after what is known, with what is known before it. */
function withKnown(known: SectionAnswer | undefined, { after, ...answer }: SectionAnswer): SectionAnswer {
  if (!known || after === undefined) return answer;
  return {
    ...answer,
    logs: [...endingWith(known.logs, answer.logs)],
    attendance: [...endingWith(known.attendance, answer.attendance)],
    notes: [...endingWith(known.notes, answer.notes)],
  };
}

/** Material is replaced as a whole when anything of it changes: each has a number of its own. */
const numbers = new WeakMap<Material, number>();
let last = 0;

function numberOf(material: Material): number {
  const known = numbers.get(material);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(material, last);
  return last;
}

/**
 * The plan of one class, mended from its logs in the worker. Asked anew whenever anything changes that it is made of: the
 * figures, the course's lessons, items, points, look-alikes, roles and format, what was published, what was logged.
 */
export function classPlanQuery(
  material: Material,
  course: Course,
  published: Placing,
  section: Pick<SectionAnswer, 'section' | 'logs' | 'recaps'> | undefined,
  over: number,
) {
  const recaps = (section?.recaps ?? []).map(({ lesson }) => ({ lesson }));
  const history = { logs: section?.logs ?? [], recaps, over };
  const { placed: _, placedAhead: __, ...rules } = course;
  const told = section ? [rules, published, history, numberOf(material)] : [];
  const queryKey = [...keys.classPlan(section?.section.id ?? ''), ...told];
  return queryOptions({
    queryKey,
    queryHash: hashKey(queryKey),
    queryFn: section ? () => planClassInWorker(material, course, published, history) : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: previous => previous,
  });
}

/** Loads a section again after something in it was written. */
export function useSectionRefresh(id: string) {
  const client = useQueryClient();
  return {
    replace: (answer: SectionAnswer) => client.setQueryData(sectionQuery(id).queryKey, answer),
    reload: () => client.invalidateQueries({ queryKey: keys.section(id) }),
  };
}
