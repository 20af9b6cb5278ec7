import { type Log, standingLogs } from '@map-step/core';

/** What the log of a lesson lets a recap tell as new, and what as begun. */
export function toldByLog(logs: readonly Log[], lesson: number) {
  const standing = standingLogs(logs);
  const before = new Set(
    standing.flatMap(({ pattern, lesson: at, result }) =>
      at < lesson && (result === 'solid' || result === 'shaky') ? [pattern] : [],
    ),
  );
  const own = standing.filter(log => log.lesson === lesson && !before.has(log.pattern));
  const of = (...results: readonly Log['result'][]) =>
    own.filter(({ result }) => results.includes(result)).map(({ pattern }) => pattern);
  return { fresh: of('solid', 'shaky'), begun: of('touched') };
}
