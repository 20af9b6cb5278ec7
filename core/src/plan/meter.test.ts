import { describe, expect, test } from 'vitest';
import { Meter, NODE_WORK, ROOT_WORK } from './meter.ts';

describe('what a search may spend', () => {
  test('work is counted in iterations; a node and a root count as so many', () => {
    const meter = new Meter({ kind: 'work', work: 100_000 });
    meter.charge(1000, 10, 1);
    expect(meter.spent()).toBe(1000 + 10 * NODE_WORK + ROOT_WORK);
    expect(meter.ended()).toBe(undefined);
    meter.charge(100_000);
    expect([meter.left(), meter.ended()]).toEqual([0, 'work']);
  });

  test('time is told by the clock that is passed in, from when the meter was made', () => {
    let now = 50;
    const meter = new Meter({ kind: 'time', seconds: 2, clock: () => now });
    now = 51.5;
    expect([meter.spent(), meter.left(), meter.ended()]).toEqual([1.5, 0.5, undefined]);
    now = 52;
    expect(meter.ended()).toBe('time');
  });

  test('a stop comes before the end of time', () => {
    const meter = new Meter({ kind: 'time', seconds: 0, clock: () => 0, shouldStop: () => true });
    expect(meter.ended()).toBe('stopped');
  });

  test('a step gets no more than what is left: seconds where time counts, else nodes, one at least', () => {
    const timed = new Meter({ kind: 'time', seconds: 3, clock: () => 0 });
    expect([timed.limits(2, 99), timed.limits(9, 99)]).toEqual([{ seconds: 2 }, { seconds: 3 }]);
    const counted = new Meter({ kind: 'work', work: 10 * NODE_WORK });
    expect([counted.limits(9, 4), counted.limits(9, 99)]).toEqual([{ nodes: 4 }, { nodes: 10 }]);
    counted.charge(10 * NODE_WORK);
    expect(counted.limits(9, 4)).toEqual({ nodes: 1 });
  });
});
