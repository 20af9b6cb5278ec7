// Every mend that is offered does what it says: after it the fault is gone, and nothing else is at fault.
import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import {
  createFigureChecker,
  type Dance,
  findMend,
  openLibrary,
  type Pattern,
  readDocument,
  readFigure,
} from '../core/src/index.ts';

const read = readDocument(readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error('the demo cannot be read');
const { dances = [], levels = [], patterns = [], elements = [] } = read.value;
const check = createFigureChecker(openLibrary({ dances, levels, patterns, elements }));

/** A figure with one thing wrong in it. */
function wrongs(pattern: Pattern, dance: Dance): readonly Pattern[] {
  const parts = Object.entries(pattern.parts ?? {}).filter(([, text]) => /^[LRB] /.test(text));
  const withPart = (role: string, steps: readonly string[]): Pattern => ({
    ...pattern,
    parts: { ...pattern.parts, [role]: steps.join(', ') } as NonNullable<Pattern['parts']>,
  });
  const inSteps = parts.flatMap(([role, text]) => {
    const steps = text.split(',').map(step => step.trim());
    const swapped = (step: string) => step.replace(/^[LR]/, foot => (foot === 'L' ? 'R' : 'L'));
    return [
      ...[0, Math.floor(steps.length / 2), steps.length - 1].map(index =>
        withPart(role, steps.with(index, swapped(steps[index] ?? ''))),
      ),
      withPart(role, [...steps, swapped(steps.at(-1) ?? '')]),
      withPart(role, [...steps, steps[0] ?? '', steps[1] ?? '']),
      withPart(role, steps.with(-1, `${steps.at(-1)?.replace(/ [+-]\d+/g, '')} +360`)),
    ];
  });
  const inHolds = dance.holds.map(({ id }): Pattern => ({ ...pattern, exit: id }));
  const { holds: _, ...alone } = pattern;
  return [...inSteps, ...inHolds, { ...pattern, marks: [] }, ...(pattern.holds ? [alone] : [])];
}

test('over every figure of the demo with one thing wrong in it', () => {
  const kinds = new Map<string, number>();
  const bad: string[] = [];
  for (const pattern of patterns) {
    const dance = dances.find(({ id }) => id === pattern.dance);
    for (const wrong of dance ? wrongs(pattern, dance) : []) {
      const reading = readFigure(wrong, dance as Dance);
      for (const issue of check(reading)) {
        const mend = findMend(reading.figure, issue);
        if (!mend) continue;
        kinds.set(issue.code, (kinds.get(issue.code) ?? 0) + 1);
        const before = check(reading);
        const after = check(readFigure(mend.pattern, dance as Dance));
        const errors = (issues: typeof before) =>
          issues.filter(({ severity }) => severity === 'error').length;
        const same = (one: typeof issue) => one.code === issue.code && one.path.join() === issue.path.join();
        if (after.some(same) || errors(after) > errors(before))
          bad.push(`${pattern.id}: ${issue.code} at ${issue.path.join('/')}, “${mend.words}”`);
      }
    }
  }
  expect(bad.slice(0, 12)).toEqual([]);
  expect([...kinds.keys()].sort()).toEqual([
    ...['apart', 'arms-wound', 'caution-missing', 'foot-carries-weight', 'foot-is-free'],
    ...['step-count', 'turn-against-hold'],
  ]);
});
