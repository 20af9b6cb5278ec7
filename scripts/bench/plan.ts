// `npm run bench -- plan FOLDER [SECONDS]`: our plan beside the best known cost of each problem in a folder of
// files `{best, problem}`. Prints a table.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createPlanSearch, judgePlan, type PlanProblem } from '@map-step/core';

interface BenchFile {
  readonly best: number;
  readonly problem: PlanProblem;
}

export function benchPlan(folder: string, seconds: number): void {
  const rows = readdirSync(folder)
    .filter(name => name.endsWith('.json'))
    .sort()
    .map(name => measure(name, JSON.parse(readFileSync(join(folder, name), 'utf8')) as BenchFile, seconds));
  const head = ['problem', 'best known', 'ours', 'first ms', 'last better ms', 'µs a move'];
  for (const row of [head, ...rows]) process.stdout.write(`${row.join('\t')}\n`);
}

function measure(name: string, { best, problem }: BenchFile, seconds: number): (string | number)[] {
  const start = performance.now();
  const passed = () => Math.round(performance.now() - start);
  const search = createPlanSearch(problem, 1);
  let progress = search.run(0);
  const first = passed();
  let better = first;
  while (passed() < seconds * 1000 && !progress.proven) {
    progress = search.run(1000);
    if (progress.improved) better = passed();
  }
  const perMove = (passed() * 1000) / Math.max(1, progress.iterations);
  const { cost, broken } = judgePlan(problem, search.best());
  const ours = broken.length > 0 ? `broken: ${broken[0]?.message}` : cost.total;
  return [name, best, ours, first, better, perMove.toFixed(1)];
}
