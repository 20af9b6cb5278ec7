import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Log, Mark } from '../model/document.ts';
import { type ClassEvent, type Happenings, signEvent, withEvents, withNewest } from './events.ts';

const AT = '2026-03-09T19:20:00Z';
const log = (id: string): Log => ({
  ...{ id, section: 'monday', lesson: 2, pattern: 'wrap', result: 'solid', by: 'bram', at: AT },
});
const mark = (id: string): Mark => ({
  ...{ id, student: 'ida', role: 'lead', pattern: 'wrap', layer: 'steps', mark: 2, by: 'bram', at: AT },
});
const NOTHING: Happenings = { logs: [], attendance: [], notes: [], marks: [] };

const someEvent: fc.Arbitrary<ClassEvent> = fc
  .tuple(fc.boolean(), fc.integer({ min: 0, max: 20 }))
  .map(
    ([isLog, number]): ClassEvent =>
      isLog
        ? { kind: 'log', entry: log(`log-${number}`) }
        : { kind: 'mark', check: 'final', entry: mark(`mark-${number}`) },
  );

describe('what is known with events', () => {
  test('each comes to the end of the list of its kind', () => {
    const known = withEvents({ ...NOTHING, logs: [log('a')] }, [
      { kind: 'log', entry: log('b') },
      { kind: 'mark', check: 'final', entry: mark('m') },
    ]);
    expect(known.logs.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(known.marks.map(({ id }) => id)).toEqual(['m']);
  });

  test('a kind whose list is not told is left out, and nothing new is the same object', () => {
    const known = { logs: [log('a')] };
    expect(withEvents(known, [{ kind: 'mark', check: 'final', entry: mark('m') }])).toBe(known);
    expect(withEvents(known, [{ kind: 'log', entry: log('a') }])).toBe(known);
    expect(withEvents(known, [])).toBe(known);
  });

  test('however often and in whatever parts they come, each is there once, in the order of their first coming', () => {
    fc.assert(
      fc.property(fc.array(someEvent), fc.nat(), (events, cut) => {
        const at = events.length === 0 ? 0 : cut % events.length;
        const whole = withEvents(NOTHING, events);
        const inParts = withEvents(withEvents(NOTHING, events.slice(0, at)), events.slice(at));
        expect(inParts).toEqual(whole);
        expect(withEvents(whole, events)).toBe(whole);
        const ids = [...whole.logs, ...whole.marks].map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        expect(new Set(ids)).toEqual(new Set(events.map(({ entry }) => entry.id)));
      }),
      { seed: 71, numRuns: 100 },
    );
  });
});

describe('the newest as the server has them', () => {
  const logs = (...ids: string[]): ClassEvent[] => ids.map(id => ({ kind: 'log', entry: log(id) }));
  const idsOf = (known: Happenings) => known.logs.map(({ id }) => id);
  const known = withEvents(NOTHING, logs('a'));

  test('an own entry that arrived after that of somebody else stands after it', () => {
    const withOwn = withEvents(known, logs('own'));
    expect(idsOf(withNewest(withOwn, logs('other', 'own')))).toEqual(['a', 'other', 'own']);
    expect(idsOf(withNewest(withOwn, logs('own', 'other')))).toEqual(['a', 'own', 'other']);
  });

  test('whoever put down what, and whatever of it is here already, all come to have the same', () => {
    fc.assert(
      fc.property(fc.subarray(['a', 'b', 'c', 'd', 'e']), fc.nat({ max: 5 }), (own, cut) => {
        const stream = logs('a', 'b', 'c', 'd', 'e');
        const before = withEvents(NOTHING, logs(...own));
        const inParts = withNewest(withNewest(before, stream.slice(0, cut)), stream.slice(cut));
        expect(idsOf(inParts)).toEqual(['a', 'b', 'c', 'd', 'e']);
        expect(withNewest(inParts, stream)).toBe(inParts);
      }),
      { seed: 72, numRuns: 100 },
    );
  });
});

test('an event is signed with its class and its writer; a mark names no class', () => {
  const { section: _, by: __, ...unsigned } = log('a');
  expect(signEvent({ kind: 'log', entry: unsigned }, { section: 'friday', by: 'suki' })).toEqual({
    kind: 'log',
    entry: { ...log('a'), section: 'friday', by: 'suki' },
  });
  const { by: ___, ...unsignedMark } = mark('m');
  expect(
    signEvent({ kind: 'mark', check: 'final', entry: unsignedMark }, { section: 'friday', by: 'suki' }),
  ).toEqual({
    kind: 'mark',
    check: 'final',
    entry: { ...mark('m'), by: 'suki' },
  });
});
