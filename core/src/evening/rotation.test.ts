import { expect, test } from 'vitest';
import { partnersIn } from './rotation.ts';

const dancers = (role: string, count: number) =>
  Array.from({ length: count }, (_, index) => `${role}${index}`);
const SIZES = Array.from({ length: 12 }, (_, index) => index + 1);
const CASES = SIZES.flatMap(leaders => SIZES.map(followers => [leaders, followers] as const));

test.each(CASES)('%i leaders and %i followers meet all before they meet again, and wait alike', (l, f) => {
  const [leaders, followers] = [dancers('l', l), dancers('f', f)];
  const cycle = Math.max(l, f);
  const partners = new Map<string, string[]>();
  const waits = new Map([...leaders, ...followers].map(dancer => [dancer, 0]));
  for (let round = 0; round < 3 * cycle; round += 1) {
    const { pairs, waiting } = partnersIn(leaders, followers, round);
    expect(pairs).toHaveLength(Math.min(l, f));
    expect(new Set([...pairs.flat(), ...waiting]).size).toBe(l + f);
    for (const [leader, follower] of pairs) {
      partners.set(leader, [...(partners.get(leader) ?? []), follower]);
      partners.set(follower, [...(partners.get(follower) ?? []), leader]);
    }
    for (const dancer of waiting) waits.set(dancer, (waits.get(dancer) ?? 0) + 1);
    for (const role of [leaders, followers]) {
      const counts = role.map(dancer => waits.get(dancer) ?? 0);
      expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
    }
  }
  for (const [dancer, met] of partners) {
    const others = leaders.includes(dancer) ? followers.length : leaders.length;
    for (let at = 0; at + others <= met.length; at += 1)
      expect(new Set(met.slice(at, at + others)).size).toBe(others);
  }
});

test('where one role is missing all wait', () => {
  expect(partnersIn([], ['a', 'b'], 3)).toEqual({ pairs: [], waiting: ['a', 'b'] });
});
