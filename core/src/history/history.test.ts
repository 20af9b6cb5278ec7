import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Json } from '../model/document.ts';
import { applyChanges, type FieldChange, isSameJson, readField, reverseChanges } from './changes.ts';
import { findContradictions } from './contradictions.ts';

const course = {
  name: 'Quay 1',
  placed: [
    { pattern: 'walk', lesson: 1 },
    { pattern: 'sway', lesson: 2 },
  ],
};
const move = (pattern: string, from: number | null, to: number | null): FieldChange => {
  const at = (lesson: number | null) => (lesson === null ? null : { pattern, lesson });
  return { field: `placed/${pattern}`, from: at(from), to: at(to) };
};

describe('changes of fields', () => {
  test.each<[string, FieldChange[], unknown]>([
    ['a key is set', [{ field: 'name', from: 'Quay 1', to: 'Quay' }], { ...course, name: 'Quay' }],
    ['a key is taken away', [{ field: 'name', from: 'Quay 1', to: null }], { placed: course.placed }],
    ['a key is added', [{ field: 'goal', from: null, to: 'show' }], { ...course, goal: 'show' }],
    [
      'an entry moves in its place',
      [move('walk', 1, 3)],
      { ...course, placed: [{ pattern: 'walk', lesson: 3 }, course.placed[1]] },
    ],
    ['an entry is taken out', [move('walk', 1, null)], { ...course, placed: [course.placed[1]] }],
    [
      'a new entry comes last',
      [move('turn', null, 4)],
      { ...course, placed: [...course.placed, { pattern: 'turn', lesson: 4 }] },
    ],
  ])('%s', (_, changes, expected) => {
    expect(applyChanges<unknown>(course, changes)).toEqual({ ok: true, value: expected });
  });

  test('a field that was seen otherwise is told with what each wants, and nothing is changed', () => {
    const changes = [move('sway', 2, 5), move('walk', 2, 4)];
    expect(applyChanges(course, changes)).toEqual({
      ok: false,
      fault: [
        {
          field: 'placed/walk',
          seen: { pattern: 'walk', lesson: 2 },
          mine: { pattern: 'walk', lesson: 4 },
          theirs: { pattern: 'walk', lesson: 1 },
        },
      ],
    });
  });

  test('the order of keys makes no difference', () => {
    expect(isSameJson({ a: 1, b: [{ c: 2, d: 3 }] }, { b: [{ d: 3, c: 2 }], a: 1 })).toBe(true);
    expect(isSameJson({ a: [1, 2] }, { a: [2, 1] })).toBe(false);
  });

  test('a key that every object inherits is not a field of this one', () => {
    expect(readField(course, 'constructor')).toBe(null);
  });

  test('property: reversed changes put back every field, and changes of other fields never clash', () => {
    const fields = ['name', 'goal', 'level', 'approach', 'format'];
    const body = fc.dictionary(fc.constantFrom(...fields), fc.integer({ min: 0, max: 3 }));
    const wanted = fc.record({
      mine: fc.uniqueArray(fc.constantFrom(...fields)),
      to: fc.integer({ min: 4, max: 9 }),
    });
    fc.assert(
      fc.property(body, wanted, (before, { mine, to }) => {
        const changes = mine.map(field => ({ field, from: readField(before, field), to: to as Json }));
        const after = applyChanges(before, changes);
        if (!after.ok) throw new Error('a change over what was seen clashed');
        const back = applyChanges(after.value, reverseChanges(changes));
        expect(back.ok && isSameJson(back.value, before)).toBe(true);
        const rest = fields.filter(field => !mine.includes(field));
        const others = rest.map(field => ({ field, from: readField(before, field), to: 0 as Json }));
        expect(applyChanges(after.value, others).ok).toBe(true);
        expect(applyChanges(after.value, changes).ok).toBe(mine.length === 0);
      }),
    );
  });
});

interface Entry {
  readonly id: string;
  readonly by: string;
  readonly says: string;
  readonly replaces?: string;
}

describe('contradictions', () => {
  const x = { id: 'x', by: 'ana', says: 'solid' };
  const unseen = { id: 'y', by: 'ben', says: 'shaky' };
  const open = (...entries: Entry[]) =>
    findContradictions(
      entries,
      () => 'walk',
      ({ says }) => says,
    ).map(({ newest, unseen: others }) => [newest.id, ...others.map(({ id }) => id)]);

  test.each<[string, Entry[], string[][]]>([
    ['one entry is nobody’s contradiction', [x], []],
    ['different results by two who had not seen each other', [x, unseen], [['y', 'x']]],
    ['the same result twice is none', [x, { ...unseen, says: 'solid' }], []],
    ['a correction of what was seen is none', [x, { ...unseen, replaces: 'x' }], []],
    ['nobody contradicts themselves', [x, { ...unseen, by: 'ana' }], []],
    [
      'a decision over the newest settles it',
      [x, unseen, { id: 'z', by: 'cy', says: 'solid', replaces: 'y' }],
      [],
    ],
    [
      'a correction of one that had not seen the other leaves it open',
      [x, unseen, { id: 'x2', by: 'ana', says: 'touched', replaces: 'x' }],
      [['x2', 'y']],
    ],
    [
      'two taps without a connection after a colleague’s are still unseen by each other',
      [x, { ...unseen, id: 'y1' }, { ...unseen, id: 'y2', says: 'touched' }],
      [['y2', 'x']],
    ],
    [
      'an entry that names one which never came has seen nothing',
      [x, { ...unseen, replaces: 'gone' }],
      [['y', 'x']],
    ],
  ])('%s', (_, entries, expected) => {
    expect(open(...entries)).toEqual(expected);
  });

  test('subjects are told apart', () => {
    const entries = [x, unseen].map((entry, index) => ({ ...entry, on: `figure ${index}` }));
    expect(
      findContradictions(
        entries,
        ({ on }) => on,
        ({ says }) => says,
      ),
    ).toEqual([]);
  });
});
