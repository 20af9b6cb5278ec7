import fc from 'fast-check';
import { describe, expect, expectTypeOf, test } from 'vitest';
import type { z } from 'zod';
import type { StudioDocument } from '../model/document.ts';
import { course, figure, studio } from '../test/studio.ts';
import { readDocument } from './read-json.ts';
import { findJsonFault, MAX_DEPTH } from './scan-json.ts';
import type { studioDocument } from './schema.ts';
import { shiftDates } from './shift-dates.ts';
import { writeDocument } from './write-json.ts';

/** Without the keys that may hold any JSON: their type is without end. */
type Bounded<T> = Omit<T, 'ext' | 'settings' | 'mappings'>;
type Read = Bounded<z.infer<typeof studioDocument>>;
type Written = Bounded<StudioDocument>;
type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;

const full = studio([figure('walk', { needs: [], marks: [{ kind: 'cue', text: 'Now' }] })], {
  courses: [course([{ pattern: 'walk', value: 'must' }])],
  ext: { kept: { as: ['it', 1, null] } },
});
const faults = (value: unknown) => {
  const read = readDocument(typeof value === 'string' ? value : JSON.stringify(value));
  return read.ok ? [] : read.fault.map(({ at, message }) => `${at}: ${message}`);
};

test('the schema and the core’s types say the same', () => {
  expectTypeOf<DeepReadonly<Read>>().toExtend<Written>();
  expectTypeOf<Written>().toExtend<DeepReadonly<Read>>();
});

describe('a document that is not one of ours is refused with the place', () => {
  test.each<[unknown, RegExp]>([
    ['{"format": "mapstep/1",}', /^character 23 \(line 1, column 24\): not JSON: expected a key/],
    ['{"format": "mapstep/1"', /^character 22 .*ends too early/],
    ['[1 2]', /expected "," or "\]"/],
    ['{"a" 1}', /expected ":"/],
    ['nothing', /expected a value/],
    ['{} {}', /expected the end of the file/],
    [`${'['.repeat(MAX_DEPTH + 1)}`, /nests deeper than 32/],
    [{ ...full, format: 'mapstep/4' }, /^\/format: expected "mapstep\/3"/],
    [{ ...full, rooms: 'none' }, /^\/rooms: a list is expected here$/],
    [{ ...full, studio: { name: 3, timezone: 'UTC' } }, /^\/studio\/name: a text is expected here$/],
    [{ ...full, colour: 'red' }, /^\/colour: "colour" is not a key/],
    [{ ...full, rooms: [{ id: 'A b', name: 'A', length: 1, width: 1 }] }, /^\/rooms\/0\/id: expected an id/],
    [
      { ...full, patterns: [{ ...figure('a'), rhythm: undefined }] },
      /^\/patterns\/0\/rhythm: a pattern needs "rhythm"/,
    ],
    [
      { ...full, patterns: [{ ...figure('a'), beats: '1/5' }] },
      /^\/patterns\/0\/beats: expected beats above 0/,
    ],
    [
      { ...full, patterns: [{ ...figure('a'), minutes: 4.55 }] },
      /^\/patterns\/0\/minutes: .*one decimal place/,
    ],
    [
      { ...full, holidays: [{ from: '2026-02-30', to: '2026-03-01', name: 'x' }] },
      /^\/holidays\/0\/from: expected a date/,
    ],
  ])('%#', (value, message) => {
    expect(faults(value)[0]).toMatch(message);
  });

  test('every fault of the shape is told, not the first only', () => {
    expect(faults({ ...full, rooms: [{}, {}] }).length).toBeGreaterThanOrEqual(6);
  });
});

test('the scanner agrees with the platform’s parser on any text near JSON', () => {
  const nearJson = fc
    .tuple(fc.json({ maxDepth: 4 }), fc.nat(), fc.constantFrom('', ',', '}', '"', '\\', '0', ' ', 'x', '\n'))
    .map(
      ([json, at, extra]) =>
        json.slice(0, at % (json.length + 1)) + extra + json.slice(at % (json.length + 1)),
    );
  fc.assert(
    fc.property(nearJson, text => {
      let parses = true;
      try {
        JSON.parse(text);
      } catch {
        parses = false;
      }
      expect(findJsonFault(text, { depth: 1000 }) === undefined).toBe(parses);
    }),
    { seed: 41, numRuns: 1000 },
  );
});

describe('what is written', () => {
  test('reads back equal and writes byte-equal, whatever the order of keys', () => {
    const text = writeDocument(full);
    const read = readDocument(text);
    expect(read).toEqual({ ok: true, value: full });
    const shuffled = Object.fromEntries(Object.entries(full).reverse()) as unknown as StudioDocument;
    expect(writeDocument(shuffled)).toBe(text);
  });

  test('needs, look-alikes and elements are sets: their order changes nothing', () => {
    const ab = studio([figure('a', { needs: ['y', 'x'] })]);
    const ba = studio([figure('a', { needs: ['x', 'y'] })]);
    expect(writeDocument(ab)).toBe(writeDocument(ba));
  });

  test('texts are composed: e and an accent are one letter', () => {
    const written = writeDocument(studio([figure('a', { name: 'Cafe\u0301' })]));
    expect(written).toContain('Caf\u00e9');
  });

  test('a byte order mark is read over', () => {
    expect(readDocument(`\uFEFF${writeDocument(full)}`).ok).toBe(true);
  });
});

describe('dates move together', () => {
  test('dates and instants of classes and logs move, names that look like dates do not', () => {
    const dated = studio([], {
      holidays: [{ from: '2026-02-27', to: '2026-03-01', name: '2026-02-27' }],
      logs: [
        {
          id: '00000000-0000-4000-8000-000000000001',
          section: 's',
          lesson: 1,
          pattern: 'p',
          result: 'solid',
          by: 'b',
          at: '2026-12-31T23:59:00Z',
        },
      ],
    });
    const moved = shiftDates(dated, 7);
    expect(moved.holidays).toEqual([{ from: '2026-03-06', to: '2026-03-08', name: '2026-02-27' }]);
    expect(moved.logs?.[0]?.at).toBe('2027-01-07T23:59:00Z');
  });
});
