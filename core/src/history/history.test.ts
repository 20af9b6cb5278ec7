import { dequal } from 'dequal/lite';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Json } from '../model/document.ts';
import {
  applyChanges,
  changedFields,
  changesBetween,
  type FieldChange,
  readField,
  reverseChanges,
} from './changes.ts';

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
    const stands = { a: { c: 2, d: 3 } };
    const change = { field: 'a', from: { d: 3, c: 2 }, to: 1 };
    expect(applyChanges<unknown>(stands, [change])).toEqual({ ok: true, value: { a: 1 } });
  });

  test('what stands as it is wanted is no clash, so that a change sent twice is done once', () => {
    const once = applyChanges(course, [move('walk', 1, 3)]);
    expect(once.ok && applyChanges(once.value, [move('walk', 1, 3)])).toEqual(once);
  });

  test('what differs is told by key, or by entry where entries have a key', () => {
    const after = { goal: 'show', placed: [{ pattern: 'walk', lesson: 3 }, course.placed[1]] };
    expect(changedFields(course, after).map(({ field }) => field)).toEqual(['name', 'placed', 'goal']);
    expect(changesBetween(course, after)).toEqual([
      { field: 'name', from: 'Quay 1', to: null },
      move('walk', 1, 3),
      { field: 'goal', from: null, to: 'show' },
    ]);
  });

  test('property: the changes between two courses make one of the other', () => {
    const placed = fc.uniqueArray(
      fc.record({ pattern: fc.constantFrom('walk', 'sway', 'turn'), lesson: fc.integer({ min: 1, max: 4 }) }),
      { selector: ({ pattern }) => pattern },
    );
    const body = fc.record({ name: fc.constantFrom('a', 'b'), placed });
    const byPattern = ({ placed: list, ...rest }: { placed: readonly { pattern: string }[] }) => ({
      ...rest,
      placed: [...list].sort((a, b) => (a.pattern < b.pattern ? -1 : 1)),
    });
    fc.assert(
      fc.property(body, body, (before, after) => {
        const changed = applyChanges(before, changesBetween(before, after));
        expect(changed.ok && byPattern(changed.value)).toEqual(byPattern(after));
      }),
    );
  });

  describe('in one figure', () => {
    const figure = {
      name: 'Wrap',
      parts: { lead: 'L back, R replace, L side, R close', follow: 'opposite' },
      holds: [{ event: 1, hold: 'open' }],
      marks: [{ event: 1, kind: 'cue', text: 'Softly' }],
    };
    const steps = (lead: string) => ({ ...figure, parts: { ...figure.parts, lead } });
    const both = (mine: object, theirs: object) => {
      const first = applyChanges(figure, changesBetween(figure, theirs));
      if (!first.ok) throw new Error('the first change clashed');
      return applyChanges<object>(first.value, changesBetween(figure, mine));
    };

    test('changes of different steps, holds and notes are both kept', () => {
      expect(
        both(steps('L back, R replace, L fwd, R close'), steps('L fwd, R replace, L side, R close')),
      ).toMatchObject({ ok: true, value: { parts: { lead: 'L fwd, R replace, L fwd, R close' } } });
      expect(
        both(
          {
            ...figure,
            holds: [
              { event: 1, hold: 'open' },
              { event: 3, hold: 'near' },
            ],
            marks: [],
          },
          {
            ...figure,
            holds: [{ event: 1, hold: 'beside' }],
            marks: [...figure.marks, { kind: 'caution', text: '', code: 'spin' }],
          },
        ),
      ).toMatchObject({
        ok: true,
        value: {
          holds: [
            { event: 1, hold: 'beside' },
            { event: 3, hold: 'near' },
          ],
          marks: [{ kind: 'caution', text: '', code: 'spin' }],
        },
      });
    });

    test('the same step, or a step of a part that has more steps by now, clashes at its place', () => {
      const one = both(
        steps('L back, R replace, L fwd, R close'),
        steps('L back, R replace, L back, R close'),
      );
      expect(one).toMatchObject({
        ok: false,
        fault: [{ field: 'parts/lead/3 of 4', seen: 'L side', mine: 'L fwd', theirs: 'L back' }],
      });
      const longer = both(
        steps('L back, R replace, L fwd, R close'),
        steps('L back, R replace, L side, R close, L side, R close'),
      );
      expect(longer).toMatchObject({ ok: false, fault: [{ field: 'parts/lead/3 of 4', theirs: null }] });
    });

    test('a part of which most is new is one change, and every name is short enough to be sent', () => {
      const many = (action: string) => ({
        parts: { solo: Array.from({ length: 300 }, () => `L ${action}`).join(', ') },
      });
      expect(changesBetween(many('fwd'), many('back')).map(({ field }) => field)).toEqual(['parts/solo']);
      const mark = {
        event: 999,
        role: 'follow',
        kind: 'caution',
        code: 'c'.repeat(64),
        text: 't'.repeat(500),
      };
      const [change] = changesBetween({ marks: [] }, { marks: [mark] });
      expect(change?.field.length).toBeLessThanOrEqual(130);
      expect(applyChanges<object>({ marks: [] }, change ? [change] : [])).toEqual({
        ok: true,
        value: { marks: [mark] },
      });
    });

    test('a step that is not there is not made', () => {
      const change = { field: 'parts/lead/9 of 4', from: null, to: 'L fwd' };
      expect(applyChanges<object>(figure, [change])).toEqual({ ok: true, value: figure });
      expect(applyChanges<object>(figure, [{ ...change, field: 'parts/lead/1 of 9' }])).toMatchObject({
        ok: true,
        value: figure,
      });
    });

    test('a part of its own, and notes of one wording twice, are changed as a whole', () => {
      const own = { ...figure, parts: { ...figure.parts, follow: 'R fwd, L replace, R side, L close' } };
      expect(changesBetween(figure, own).map(({ field }) => field)).toEqual(['parts/follow']);
      const twice = { ...figure, marks: [...figure.marks, ...figure.marks] };
      expect(changesBetween(figure, twice).map(({ field }) => field)).toEqual(['marks']);
      expect(applyChanges<object>(figure, changesBetween(figure, own))).toEqual({ ok: true, value: own });
    });

    test('property: steps changed by one and by another meet only where they are the same', () => {
      const step = fc.constantFrom('L fwd', 'L back', 'R side', 'R close');
      const part = fc.array(step, { minLength: 4, maxLength: 4 });
      fc.assert(
        fc.property(part, part, part, (seen, mine, theirs) => {
          const text = (list: readonly string[]) => ({ parts: { solo: list.join(', ') } });
          const first = applyChanges<object>(text(seen), changesBetween(text(seen), text(theirs)));
          const second =
            first.ok && applyChanges<object>(first.value, changesBetween(text(seen), text(mine)));
          const clashes = seen.some(
            (one, at) => one !== mine[at] && one !== theirs[at] && mine[at] !== theirs[at],
          );
          const merged = seen.map((one, at) => (mine[at] === one ? theirs[at] : mine[at]) ?? one);
          expect(second).toMatchObject(clashes ? { ok: false } : { ok: true, value: text(merged) });
        }),
      );
    });
  });

  test('a key that every object inherits is not a field of this one', () => {
    expect(readField(course, 'constructor')).toBe(null);
  });

  test('property: reversed changes put back every field, and changes of other fields never clash', () => {
    const fields = ['name', 'goal', 'level', 'approach', 'format'];
    const body = fc.dictionary(fc.constantFrom(...fields), fc.integer({ min: 0, max: 3 }), {
      noNullPrototype: true,
    });
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
        expect(back.ok && dequal(back.value, before)).toBe(true);
        const rest = fields.filter(field => !mine.includes(field));
        const others = rest.map(field => ({ field, from: readField(before, field), to: 0 as Json }));
        expect(applyChanges(after.value, others).ok).toBe(true);
        expect(applyChanges(after.value, changes)).toEqual(after);
      }),
    );
  });
});
