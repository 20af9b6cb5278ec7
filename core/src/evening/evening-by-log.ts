import { standingLogs } from '../class/standing.ts';
import type { FigureLog, Log, LogResult } from '../model/document.ts';

/** What came of an evening, by its log. */
export interface EveningByLog {
  /** The entries of the evening that stand. */
  readonly logs: readonly FigureLog[];
  /** What the class had danced before and danced again. */
  readonly reviewed: readonly FigureLog[];
  /** What is new to the class since tonight. */
  readonly fresh: readonly string[];
  /** What was only touched: it comes back as new. */
  readonly begun: readonly string[];
  /** What was to come and did not. */
  readonly missed: readonly string[];
  /** What the class had danced before, solid or shaky. */
  readonly known: readonly string[];
  /** What it had touched before and never more than that. */
  readonly touched: readonly string[];
}

/**
 * Sorts an evening by the one rule of what is new: a figure is, until the class has danced it, solid or shaky, in a lesson
 * before; touched and not reached do not count. `introduced`: what the evening was to introduce, in its order; `supposed`: what
 * is taken as danced before, of evenings of which nobody wrote.
 */
export function eveningByLog(
  all: readonly Log[],
  lesson: number,
  introduced: readonly string[] = [],
  supposed: readonly string[] = [],
): EveningByLog {
  const standing = standingLogs(all);
  const logs = standing.filter(log => log.lesson === lesson);
  const resultOf = new Map(logs.map(({ pattern, result }) => [pattern, result]));
  const logged = standing.flatMap(({ pattern, lesson: at, result }) =>
    at < lesson && (result === 'solid' || result === 'shaky') ? [pattern] : [],
  );
  const wasDanced = new Set([...supposed, ...logged]);
  const wasTouched = standing.flatMap(({ pattern, lesson: at, result }) =>
    at < lesson && result === 'touched' && !wasDanced.has(pattern) ? [pattern] : [],
  );
  const isNew = (id: string) => introduced.includes(id) || !wasDanced.has(id);
  const besides = logs.filter(({ pattern }) => !introduced.includes(pattern)).map(({ pattern }) => pattern);
  // What was danced for the first time though it was not planned is new too.
  const fresh = [...introduced, ...besides.filter(isNew)];
  const of = (...results: readonly (LogResult | undefined)[]) =>
    fresh.filter(id => results.includes(resultOf.get(id)));
  return {
    logs,
    reviewed: logs.filter(({ pattern, result }) => !isNew(pattern) && result !== 'not-reached'),
    fresh: of('solid', 'shaky'),
    begun: of('touched'),
    missed: of('not-reached', undefined),
    known: [...wasDanced],
    touched: [...new Set(wasTouched)],
  };
}
