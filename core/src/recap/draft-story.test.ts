import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { planClass } from '../class/class-plan.ts';
import { openLibrary } from '../library/library.ts';
import { seriesOrder } from '../library/series-order.ts';
import type { Attendance, FigureLog, LessonNote, Log, LogResult, Pattern } from '../model/document.ts';
import { canFollow } from '../steps/links.ts';
import { laid } from '../test/plan-problems.ts';
import { course, figure, studio } from '../test/studio.ts';
import { draftRecaps } from './draft-recaps.ts';

const FIGURES: readonly Pattern[] = Array.from({ length: 6 }, (_, index) =>
  figure(`f${index}`, {
    name: `Figure ${'ABCDEF'[index]}`,
    level: 'one',
    minutes: 5,
    kind: index === 0 ? 'basic' : 'pattern',
    ...(index > 2 && { needs: [`f${index - 2}`] }),
  }),
);
const library = openLibrary(studio(FIGURES));
const quay = course(FIGURES.map(({ id }) => ({ pattern: id, value: 'should' })));
const published = laid({ f0: 1, f1: 1, f2: 2, f3: 2, f4: 3, f5: 4 });
const students = [
  { id: 's1', name: 'Ana B' },
  { id: 's2', name: 'Ben C' },
];
const RESULTS: readonly LogResult[] = ['solid', 'shaky', 'touched', 'not-reached'];
const stamp = (lesson: number, index: number) => ({
  id: `00000000-0000-4000-8000-${String(lesson * 100 + index).padStart(12, '0')}`,
  ...{ section: 's', lesson, by: 'p', at: `2026-01-0${lesson}T10:00:${String(index).padStart(2, '0')}Z` },
});

/** Evenings as a class had them: what the plan asked for, with any result. */
const evenings = fc.array(fc.array(fc.constantFrom(...RESULTS), { minLength: 6, maxLength: 6 }), {
  minLength: 1,
  maxLength: 4,
});

describe('after any evenings', () => {
  test('plan and recap tell the same story, every figure taught once, and no student by name', () => {
    fc.assert(
      fc.property(evenings, results => {
        let logs: Log[] = [];
        const recaps: { lesson: number }[] = [];
        for (const [index, evening] of results.entries()) {
          const lesson = index + 1;
          const plan = planClass(library, quay, published, { logs, recaps });
          if (!plan.ok) throw new Error(plan.fault.join());
          const asked = Object.keys(plan.value.answer.lessons[index]?.minutes ?? {});
          const own = asked.map(
            (pattern, at): FigureLog => ({ ...stamp(lesson, at), pattern, result: evening[at] ?? 'solid' }),
          );
          logs = [...logs, ...own];
          const notes: LessonNote[] = [
            { ...stamp(lesson, 50), kind: 'else', text: 'A game in lines.' },
            { ...stamp(lesson, 51), kind: 'else', text: 'Ana showed her turn.' },
          ];
          const attendance: Attendance[] = [
            { ...stamp(lesson, 60), student: 's2', role: 'lead', here: false },
          ];
          const drafts = draftRecaps({
            studio: { name: 'Test rooms', timezone: 'UTC' },
            ...{ course: quay, library, published, lesson, logs, recaps, notes, attendance, students },
          });
          const text = drafts.students;
          for (const { pattern, result } of own) {
            const name = library.patterns.get(pattern)?.name ?? '';
            const told = (title: string) => text.split(`## ${title}: ${name}\n`).length - 1;
            const wasBegun = logs.some(
              log =>
                'pattern' in log &&
                log.pattern === pattern &&
                log.lesson < lesson &&
                log.result === 'touched',
            );
            const isDanced = result === 'solid' || result === 'shaky';
            expect(told('New')).toBe(isDanced && !wasBegun ? 1 : 0);
            expect(told('Finished')).toBe(isDanced && wasBegun ? 1 : 0);
            expect(told('Begun')).toBe(result === 'touched' && !wasBegun ? 1 : 0);
          }
          const order = own.flatMap(({ pattern }) => {
            const at = text.search(new RegExp(`## (New|Finished): ${library.patterns.get(pattern)?.name}\n`));
            return at < 0 ? [] : [{ pattern, at }];
          });
          for (const { pattern, at } of order)
            for (const need of library.patterns.get(pattern)?.needs ?? [])
              expect(order.find(other => other.pattern === need)?.at ?? -1).toBeLessThan(at);
          expect(text).toContain('A game in lines.');
          expect(text).not.toMatch(/Ana|Ben/);
          expect(drafts.staff).toContain('Away: Ben C');
          recaps.push({ lesson });
          const after = planClass(library, quay, published, { logs, recaps });
          const next = after.ok ? Object.keys(after.value.answer.lessons[lesson]?.minutes ?? {}) : [];
          const [promise = ''] = (text.split('## Next time\n')[1] ?? '').split('. It is the last');
          const promised = promise.match(/Figure [A-F]/g) ?? [];
          expect(promised.sort()).toEqual(next.map(id => library.patterns.get(id)?.name ?? id).sort());
        }
      }),
      { seed: 19, numRuns: 12 },
    );
  });
});

test.each(['José', 'Élodie', 'Zoë', 'Ида', 'Ål'])(
  'what names %s comes into no text for students, and a word that only begins so does',
  given => {
    const own = [{ id: 's3', name: `${given} K` }];
    const texts = [`${given} led the warm-up.`, `${given}rama was danced.`];
    const notes = texts.map((text, index): LessonNote => ({ ...stamp(1, 50 + index), kind: 'else', text }));
    const logs: Log[] = [{ ...stamp(1, 1), pattern: 'f0', result: 'solid' }];
    const drafts = draftRecaps({
      studio: { name: 'Test rooms', timezone: 'UTC' },
      ...{ course: quay, library, published, lesson: 1, logs, recaps: [], notes, students: own },
    });
    expect(drafts.students).not.toContain(texts[0]);
    expect(drafts.students).toContain(texts[1]);
    expect(drafts.staff).toContain(texts[0]);
  },
);

describe('the walk through everything', () => {
  const walk = (...list: readonly [string, string, string][]) => {
    const own = openLibrary(
      studio(
        list.map(([id, entry, exit]) =>
          figure(id, { entry: [entry], exit, kind: id === 'basic' ? 'basic' : 'pattern' }),
        ),
      ),
    );
    return seriesOrder([...own.readings.values()].map(reading => reading.figure)).map(
      ({ figure: { pattern }, follows }) => `${pattern.id}${follows ? '' : '!'}`,
    );
  };
  test('takes each figure once, one leading into the next', () => {
    expect(walk(['b', 'near', 'open'], ['basic', 'open', 'near'], ['c', 'open', 'open'])).toEqual([
      'basic',
      'b',
      'c',
    ]);
  });
  test('has the fewest new beginnings of all orders, and says of each figure truly whether the one before leads on', () => {
    const hold = fc.constantFrom('open', 'near', 'beside');
    const figures = fc.array(fc.tuple(hold, hold), { minLength: 1, maxLength: 6 });
    const orders = (left: readonly number[]): readonly (readonly number[])[] =>
      left.length === 0
        ? [[]]
        : left.flatMap(one => orders(left.filter(other => other !== one)).map(rest => [one, ...rest]));
    fc.assert(
      fc.property(figures, list => {
        const own = openLibrary(
          studio(list.map(([entry, exit], index) => figure(`f${index}`, { entry: [entry], exit }))),
        );
        const all = [...own.readings.values()].map(reading => reading.figure);
        const found = seriesOrder(all);
        expect(new Set(found.map(step => step.figure)).size).toBe(list.length);
        for (const [at, { figure: one, follows }] of found.entries()) {
          const before = found[at - 1]?.figure;
          expect(follows).toBe(before === undefined || canFollow(before, one));
        }
        const breaks = (order: readonly number[]) =>
          order.filter((one, at) => at > 0 && list[order[at - 1] ?? 0]?.[1] !== list[one]?.[0]).length;
        const least = Math.min(
          ...orders([...list.keys()])
            .filter(([first]) => first === 0)
            .map(breaks),
        );
        expect(found.filter(({ follows }) => !follows)).toHaveLength(least);
      }),
      { seed: 19, numRuns: 60 },
    );
  });

  test('begins anew where nothing leads on, and says so', () => {
    expect(walk(['basic', 'open', 'open'], ['alone', 'beside', 'beside'])).toEqual(['basic', 'alone!']);
  });
});

test('after an evening of which nobody wrote its figures are known, and colleagues are told that it is taken as planned', () => {
  const done = (lesson: number, pattern: string, index: number): Log => ({
    ...stamp(lesson, index),
    ...{ pattern, result: 'solid' },
  });
  const logs = [done(1, 'f0', 0), done(1, 'f1', 1), done(3, 'f4', 2), done(3, 'f2', 3)];
  const { students: read, staff } = draftRecaps({
    ...{ studio: { name: 'Quay', timezone: 'UTC' }, course: quay, library, published, lesson: 3, logs },
    recaps: [{ lesson: 1 }],
  });
  expect(read).toContain('## New: Figure E');
  expect(read).toContain('We went over Figure C again.');
  expect(read).not.toContain('taken as planned');
  expect(staff).toContain(
    '- Nothing was written of lesson 2: it is taken as planned (Figure C and Figure D).',
  );
});
