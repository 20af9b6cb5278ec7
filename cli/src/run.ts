import { checkDocument, type MipSolver } from '@map-step/core';
import { z } from 'zod';
import { ready } from './check-verbs.ts';
import { CONVERT_OPTIONS, convert } from './convert-verb.ts';
import { closure, compare, couple, joins, links, routes } from './figure-verbs.ts';
import { readStudio, readValue } from './files.ts';
import { recap, shots } from './lesson-verbs.ts';
import type { Outcome } from './outcome.ts';
import { judge, lesson, PLAN_OPTIONS, plan, SOLVE_OPTIONS, solveProblem } from './plan-verbs.ts';
import { programme, timetable } from './programme-verbs.ts';
import { combine, walk } from './sequence-verbs.ts';
import { PHRASE_OPTIONS, phrase, TIMING_OPTIONS, timing } from './timing-verbs.ts';
import { type Arguments, readArguments, takeWords, UsageError } from './usage.ts';

/** What a call prints on standard output, or its one line on standard error. */
export type Answer =
  | { readonly code: number; readonly text: string }
  | { readonly code: number; readonly bytes: Uint8Array }
  | { readonly code: 2; readonly error: string };

interface Verb {
  readonly usage: string;
  readonly options: readonly string[];
  readonly run: (args: Arguments, solver?: MipSolver) => Outcome;
}

const fine = (run: (args: Arguments) => unknown) => (args: Arguments) => ({ value: run(args), code: 0 });

const VERBS: ReadonlyMap<string, Verb> = new Map<string, Verb>([
  ['timing', { usage: '--rhythm R', options: TIMING_OPTIONS, run: fine(timing) }],
  ['phrase', { usage: '--beats B --phrase P', options: PHRASE_OPTIONS, run: fine(phrase) }],
  ['check', { usage: 'FILE', options: [], run: check }],
  ['closure', { usage: 'FILE PATTERN', options: [], run: fine(closure) }],
  ['compare', { usage: 'FILE A B', options: [], run: fine(compare) }],
  ['couple', { usage: 'FILE PATTERN', options: [], run: fine(couple) }],
  ['links', { usage: 'FILE PATTERN', options: [], run: fine(links) }],
  ['joins', { usage: 'FILE [A B]', options: [], run: fine(joins) }],
  ['routes', { usage: 'FILE PATTERN', options: [], run: fine(routes) }],
  ['plan', { usage: 'FILE COURSE', options: PLAN_OPTIONS, run: plan }],
  ['solve', { usage: 'FILE', options: SOLVE_OPTIONS, run: solveProblem }],
  ['judge', { usage: 'FILE PLANFILE', options: [], run: judge }],
  ['combine', { usage: 'FILE REQUEST', options: [], run: combine }],
  ['walk', { usage: 'FILE SEQUENCE', options: [], run: walk }],
  ['programme', { usage: 'FILE', options: [], run: fine(programme) }],
  [
    'timetable',
    {
      usage: 'FILE REQUEST',
      options: [],
      run: (args, solver) => ({ value: timetable(args, solver), code: 0 }),
    },
  ],
  ['lesson', { usage: 'FILE COURSE N', options: SOLVE_OPTIONS, run: lesson }],
  ['recap', { usage: 'FILE SECTION N', options: [], run: fine(recap) }],
  ['shots', { usage: 'FILE SECTION N', options: [], run: fine(shots) }],
  ['ready', { usage: 'FILE SECTION', options: [], run: fine(ready) }],
  ['convert', { usage: 'FILE --to csv|json|md|midi|svg', options: CONVERT_OPTIONS, run: fine(convert) }],
  ['batch', { usage: 'FILE', options: [], run: batch }],
]);

const MAX_BATCH = 10_000;
const calls = z.array(z.array(z.string().max(10_000)).max(50)).max(MAX_BATCH);

/** Verbs that plan: the exact solver is loaded for these only. */
export const PLANNING_VERBS: readonly string[] = ['plan', 'solve', 'lesson', 'timetable', 'batch'];

/** Runs one call of the command line; never throws for what a user gave it. Without a solver plans are annealed. */
export function runCommand(list: readonly string[], solver?: MipSolver): Answer {
  try {
    const { value, code } = runVerb(list, solver);
    if (value instanceof Uint8Array) return { code, bytes: value };
    return { code, text: typeof value === 'string' ? value : `${JSON.stringify(value)}\n` };
  } catch (error) {
    if (error instanceof UsageError) return { code: 2, error: error.message.replaceAll('\n', ' ') };
    throw error;
  }
}

function runVerb([name = '', ...rest]: readonly string[], solver?: MipSolver): Outcome {
  const verb = VERBS.get(name);
  if (!verb) {
    const all = [...VERBS].map(([word, { usage }]) => `${word} ${usage}`).join(' · ');
    throw new UsageError(`${name ? `"${name}" is not a verb` : 'expected a verb'}; there are: ${all}`);
  }
  return verb.run(readArguments(rest, verb.options), solver);
}

function check(args: Arguments): Outcome {
  const [file = ''] = takeWords(args, 'FILE');
  const result = checkDocument(readStudio(file));
  return { value: result, code: result.problems.some(({ severity }) => severity === 'error') ? 1 : 0 };
}

function batch(args: Arguments, solver?: MipSolver): Outcome {
  const [file = ''] = takeWords(args, 'FILE');
  const value = readValue(file, calls).map(call => {
    if (call[0] === 'batch') return { code: 2, error: 'a batch cannot hold a batch' };
    try {
      const { value, code } = runVerb(call, solver);
      return { code, out: value instanceof Uint8Array ? Buffer.from(value).toString('base64') : value };
    } catch (error) {
      if (error instanceof UsageError) return { code: 2, error: error.message.replaceAll('\n', ' ') };
      throw error;
    }
  });
  return { value, code: 0 };
}
