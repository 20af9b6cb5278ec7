// The spring term beside Monday's Hustle 1, and the autumn class that went before it.
import type { Course } from '@map-step/core';
import { balboaCourse } from './balboa.ts';
import { buildCheck, buildClasses, publishedPlan } from './classes.ts';
import { hustle2Course, hustle3Course, quickstep2Course, tapOpenCourse } from './courses.ts';
import { quickstepCourse } from './quickstep.ts';
import { tapCourse } from './tap.ts';

const FLOOD = '2026-02-26';

/** So many evenings from a day on, a week apart. */
function weekly(first: string, evenings: number): string[] {
  const begin = Date.parse(`${first}T00:00:00Z`);
  return Array.from({ length: evenings }, (_, week) =>
    new Date(begin + week * 7 * 86_400_000).toISOString().slice(0, 10),
  );
}

/** Hustle 1 as it was taught last autumn. */
export function autumnCourse(hustle1: Course): Course {
  return { ...hustle1, id: 'hustle-1-autumn', name: 'Hustle 1, autumn' };
}

export const otherCourses: readonly Course[] = [
  ...[hustle2Course, hustle3Course, quickstepCourse, quickstep2Course],
  ...[balboaCourse, tapCourse, tapOpenCourse],
];

/** Everything of the term that the Monday class does not show. */
export function otherClasses(hustle1: Course) {
  const { sections, ...rest } = buildClasses([
    {
      ...{ section: 'hustle-1-thursday', course: hustle1, room: 'sail-loft', start: '19:00' },
      dates: weekly('2026-02-12', 9).filter(date => date !== FLOOD),
      cancelled: [{ date: FLOOD, why: 'The harbour road was flooded.' }],
      staff: [
        { person: 'suki-larch' },
        { person: 'paz-lindmark', from: '2026-03-12', to: '2026-03-12', rights: 'stands in' },
      ],
      roles: { lead: 5, follow: 7 },
      taught: 3,
      notes: { 'cross-over': 'I call it the pass-by; Bram says cross-over. We should agree.' },
    },
    {
      ...{ section: 'hustle-2-wednesday', course: hustle2Course, room: 'sail-loft', start: '19:30' },
      dates: weekly('2026-02-11', 8),
      staff: [{ person: 'bram-okoro' }],
      roles: { lead: 6, follow: 5 },
      taught: 4,
      notes: {
        hammerlock: 'Low hands creep up the back; ten minutes over.',
        'alternating-turn': 'Two dizzy: we slowed the music.',
      },
    },
    {
      ...{ section: 'hustle-3-friday', course: hustle3Course, room: 'net-room', start: '20:00' },
      dates: weekly('2026-02-13', 6),
      staff: [{ person: 'suki-larch' }],
      roles: { lead: 4, follow: 4 },
      taught: 4,
    },
    {
      ...{ section: 'quickstep-1-tuesday', course: quickstepCourse, room: 'sail-loft', start: '18:30' },
      dates: weekly('2026-02-10', 8),
      staff: [{ person: 'teo-vance' }, { person: 'wren-adair', rights: 'assists' }],
      roles: { lead: 7, follow: 9 },
      taught: 4,
      notes: { 'quarter-turn': 'Half of them turn it all on the second step.' },
    },
    {
      ...{ section: 'balboa-1-wednesday', course: balboaCourse, room: 'net-room', start: '19:30' },
      dates: weekly('2026-02-18', 5),
      staff: [{ person: 'suki-larch' }],
      roles: { lead: 5, follow: 6 },
      taught: 3,
    },
    {
      ...{ section: 'tap-1-tuesday', course: tapCourse, room: 'net-room', start: '17:30' },
      dates: weekly('2026-02-10', 10),
      staff: [{ person: 'wren-adair' }, { person: 'ottilie-marsh', rights: 'looks in' }],
      roles: { solo: 11 },
      taught: 4,
      notes: { 'walking-flaps': 'Loud in the street below: rugs by the window next time.' },
    },
    {
      ...{ section: 'tap-1-saturday', course: tapCourse, room: 'net-room', start: '10:30' },
      dates: weekly('2026-02-14', 10),
      staff: [{ person: 'teo-vance' }],
      roles: { solo: 8 },
      taught: 4,
    },
    {
      ...{ section: 'hustle-1-autumn', course: autumnCourse(hustle1), room: 'sail-loft', start: '19:00' },
      dates: weekly('2025-10-13', 8),
      staff: [{ person: 'bram-okoro' }, { person: 'suki-larch' }],
      roles: { lead: 6, follow: 6 },
      taught: 8,
    },
  ]);
  const [thursday] = sections;
  const autumn = sections.at(-1);
  if (!thursday || !autumn) throw new Error('the demo has no such classes');
  const asked = (upTo: number) =>
    (hustle1.placed ?? [])
      .filter(({ lesson }) => lesson <= upTo)
      .map(({ pattern }) => ({
        pattern,
        gate: hustle1.items.some(item => item.pattern === pattern && item.gate === true),
      }))
      .filter(({ pattern }) => pattern !== 'spotting-drill')
      .map(({ pattern, gate }) => ({
        pattern,
        layers: gate
          ? (['steps', 'timing', 'partner', 'technique', 'tempo'] as const)
          : (['steps', 'timing', 'partner'] as const),
        gate,
      }));
  const checks = [
    buildCheck({
      ...{ id: 'hustle-1-thursday-half', section: thursday, kind: 'half-way', date: '2026-03-05' },
      ...{ items: asked(3), markers: ['suki-larch', 'ottilie-marsh'], shared: 0 },
    }),
    buildCheck({
      ...{ id: 'hustle-1-autumn-final', section: autumn, kind: 'final', date: '2025-12-01' },
      ...{ items: asked(8), markers: ['bram-okoro', 'suki-larch'], shared: 6 },
    }),
  ];
  const plans = otherCourses.map(course => publishedPlan(course, 'ottilie-marsh', '2026-02-02T18:00:00Z'));
  return { sections, checks, plans, ...rest };
}
