// `npm run bench -- ready`: who is ready in a class of 20 students by 20 figures by 3 layers, marked by 3.
import { type Check, type Mark, markerAgreement, readiness } from '@map-step/core';
import { orFew } from '../small.mjs';
import { percentile } from './load.ts';

const [STUDENTS, FIGURES, MARKERS, RUNS] = [20, orFew(20, 4), 3, orFew(30, 2)];
const LAYERS = ['steps', 'timing', 'partner'] as const;

export function benchReady(): void {
  const items: Check['items'] = each(FIGURES, n => ({
    pattern: `figure-${n}`,
    layers: LAYERS,
    gate: n % 5 === 0,
  }));
  const candidates = each(STUDENTS, n => ({ student: `student-${n}`, role: 'lead' as const }));
  const marks = items.flatMap(({ pattern }, item) =>
    candidates.flatMap((candidate, student) =>
      LAYERS.flatMap((layer, asked) =>
        each(
          MARKERS,
          (by): Mark => ({
            ...candidate,
            ...{ id: `${item}-${student}-${asked}-${by}`, pattern, layer, by: `marker-${by}` },
            mark: ((item + student + asked + by) % 4) as Mark['mark'],
            at: '2026-03-09T19:00:00Z',
          }),
        ),
      ),
    ),
  );
  const rows: [string, () => unknown][] = [
    [`who is ready, of ${marks.length} marks`, () => readiness(items, marks, candidates)],
    ['whether the markers agree, with 2,000 drawings a pair', () => markerAgreement(marks)],
  ];
  process.stdout.write('| what | median ms | p95 ms |\n|---|---|---|\n');
  for (const [what, run] of rows) {
    const times = each(RUNS, () => {
      const begun = performance.now();
      run();
      return performance.now() - begun;
    });
    const [median, most] = [percentile(times, 50), percentile(times, 95)];
    process.stdout.write(`| ${what} | ${median.toFixed(2)} | ${most.toFixed(2)} |\n`);
  }
}

function each<Entry>(count: number, make: (index: number) => Entry): readonly Entry[] {
  return Array.from({ length: count }, (_, index) => make(index));
}
