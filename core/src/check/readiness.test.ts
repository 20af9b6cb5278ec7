import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Layer, Mark } from '../model/document.ts';
import type { Criterion } from './criteria.ts';
import { movedSince, type Readiness, readiness } from './readiness.ts';

const criterion = (pattern: string, gate = false, layers: Layer[] = ['steps', 'timing']): Criterion => ({
  pattern,
  gate,
  layers,
});
/** One gate and five others: four of the five have to be passed. */
const CRITERIA = [criterion('gate', true), ...['a', 'b', 'c', 'd', 'e'].map(id => criterion(id))];
let at = 0;
const mark = (pattern: string, layer: Layer, given: Mark['mark'], more: Partial<Mark> = {}): Mark => {
  at += 1;
  return {
    id: String(at),
    student: 'ana',
    role: 'lead',
    pattern,
    layer,
    mark: given,
    by: 'bram',
    at: `2026-03-09T19:${String(at % 60).padStart(2, '0')}:00Z`,
    ...more,
  };
};
const both = (pattern: string, given: Mark['mark']) => [
  mark(pattern, 'steps', given),
  mark(pattern, 'timing', given),
];
const all = (given: Mark['mark'], ...but: string[]) =>
  CRITERIA.flatMap(({ pattern }) => both(pattern, but.includes(pattern) ? 1 : given));
const of = (marks: readonly Mark[], criteria = CRITERIA): Readiness =>
  readiness(criteria, marks, [{ student: 'ana', role: 'lead' }])[0] as Readiness;

describe('worked by hand', () => {
  // What would do stands before the |, all else that is open after it.
  test.each<[string, readonly Mark[], Readiness['result'], string]>([
    ['everything at 2', all(2), 'ready', ''],
    ['one of the five others at 1: four of five are 80 %', all(2, 'e'), 'ready', ''],
    ['two of the others at 1: one more would do', all(2, 'd', 'e'), 'nearly', 'd | e'],
    ['three: two more would do', all(2, 'c', 'd', 'e'), 'nearly', 'c d | e'],
    ['four: three more would have to be passed', all(2, 'b', 'c', 'd', 'e'), 'repeat', '| b c d e'],
    ['the gate alone', all(2, 'gate'), 'nearly', 'gate |'],
    ['the gate and two others: the gate is named first', all(2, 'gate', 'd', 'e'), 'nearly', 'gate d | e'],
    ['the gate and three others', all(2, 'gate', 'c', 'd', 'e'), 'repeat', '| gate c d e'],
    ['under half of the twelve cells marked', all(3).slice(0, 5), 'unseen', ''],
    ['nothing marked', [], 'unseen', ''],
  ])('%s', (_, marks, result, missing) => {
    const told = of(marks);
    expect(told.result).toBe(result);
    const [enough = '', more = ''] = missing.split('|').map(ids => ids.trim());
    const ids = `${enough} ${more}`.split(' ').filter(Boolean);
    expect(told.enough).toBe(enough.split(' ').filter(Boolean).length);
    expect(told.missing.map(({ pattern, layer }) => `${pattern} ${layer}`)).toEqual(
      ids.flatMap(id => [`${id} steps`, `${id} timing`]),
    );
  });

  test('all that is open is told, whatever it means, and what came or went since an earlier check', () => {
    const before = of(all(2, 'gate', 'd'));
    const now = of(all(2, 'e', 'd'));
    expect([now.open, of(all(2, 'e')).open, of([]).open.length]).toEqual([['d', 'e'], ['e'], 6]);
    expect(movedSince(before, now)).toEqual({ gained: ['gate'], lost: ['e'] });
  });

  test('of the others that fail, those that lack the least are named', () => {
    const marks = [
      ...all(2, 'd', 'e').filter(({ pattern }) => pattern !== 'e'),
      mark('e', 'steps', 2),
      mark('e', 'timing', 1),
    ];
    expect(of(marks).missing[0]).toEqual({ pattern: 'e', layer: 'timing' });
  });

  test('markers are averaged unrounded, the newest mark of each counts', () => {
    const two = [...all(2), mark('gate', 'steps', 1, { by: 'suki' })];
    // (2 + 1) / 2 = 1.5
    expect(of(two).result).toBe('nearly');
    const later = [...two, mark('gate', 'steps', 3, { by: 'suki', at: '2026-03-09T21:00:00Z' })];
    expect(of(later).result).toBe('ready');
    const older = [...later, mark('gate', 'steps', 0, { by: 'suki', at: '2026-03-09T18:00:00Z' })];
    expect(of(older).result).toBe('ready');
  });

  test('an unmarked cell is not passed', () => {
    const marks = all(3).filter(({ pattern, layer }) => !(pattern === 'gate' && layer === 'timing'));
    expect(of(marks)).toMatchObject({ result: 'nearly', missing: [{ pattern: 'gate', layer: 'timing' }] });
  });

  test('without others the gates alone decide', () => {
    expect(of(both('gate', 2), [criterion('gate', true)]).result).toBe('ready');
  });

  test('who dances alone is not asked about a partner', () => {
    const solo = [criterion('gate', true, ['steps', 'partner'])];
    const told = readiness(
      solo,
      [mark('gate', 'steps', 2, { role: 'solo' })],
      [{ student: 'ana', role: 'solo' }],
    );
    expect(told[0]).toMatchObject({ result: 'ready', asked: 1 });
  });

  test('marks count for the role in which they were given', () => {
    const told = readiness(CRITERIA, all(3), [{ student: 'ana', role: 'follow' }]);
    expect(told[0]?.result).toBe('unseen');
  });
});

const CELLS = CRITERIA.flatMap(({ pattern, layers }) => layers.map(layer => ({ pattern, layer })));
const grade = fc.constantFrom<Mark['mark']>(2, 3);
/** Somebody ready: each cell at 2 or 3, one figure that is no gate at whatever. */
const readyMarks = fc
  .record({
    grades: fc.array(grade, { minLength: CELLS.length, maxLength: CELLS.length }),
    weak: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    weakGrade: fc.constantFrom<Mark['mark']>(0, 1, 2, 3),
  })
  .map(({ grades, weak, weakGrade }) =>
    CELLS.map(({ pattern, layer }, index) =>
      mark(pattern, layer, pattern === weak ? weakGrade : (grades[index] ?? 2)),
    ),
  );
/** Marks of 2 or above by markers who have not marked yet. */
const moreMarks = fc.array(
  fc.record({ cell: fc.constantFrom(...CELLS), given: grade, by: fc.constantFrom('suki', 'teo', 'wren') }),
  { maxLength: 40 },
);

test('more marks of 2 or above never turn ready into anything less', () => {
  fc.assert(
    fc.property(readyMarks, moreMarks, (first, more) => {
      expect(of(first).result).toBe('ready');
      const later = more.map(({ cell, given, by }) =>
        mark(cell.pattern, cell.layer, given, { by, at: '2026-03-10T19:00:00Z' }),
      );
      expect(of([...first, ...later]).result).toBe('ready');
    }),
    { seed: 15, numRuns: 300 },
  );
});
