// `npm run bench -- plan FOLDER [SECONDS] [ONLY] [SEED]`: our plan beside the best known cost of each problem in a
// folder of files `{best, problem}`, or of those whose names hold a word. Prints a table and JSON.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type FoundPlan, judgePlan, type PlanProblem, solvePlan } from '@map-step/core';
import { loadSolver } from '../../cli/src/load-solver.ts';

interface BenchFile {
  readonly best: number;
  readonly problem: PlanProblem;
}

export async function benchPlan(folder: string, seconds: number, only = '', seed = 1): Promise<void> {
  const names = readdirSync(folder)
    .filter(name => name.endsWith('.json') && name.includes(only))
    .sort();
  const head = [
    'problem',
    'best known',
    'ours',
    'bound',
    'first ms',
    'best at s',
    'ended',
    'seconds',
    'left',
  ];
  const rows: (string | number)[][] = [];
  process.stdout.write(`${head.join('\t')}\n`);
  for (const name of names) {
    const file = JSON.parse(readFileSync(join(folder, name), 'utf8')) as BenchFile;
    const row = await measure(name.replace('.json', ''), file, seconds, seed);
    rows.push(row);
    process.stdout.write(`${row.join('\t')}\n`);
  }
  process.stdout.write(`${JSON.stringify({ head, rows })}\n`);
}

async function measure(name: string, { best, problem }: BenchFile, seconds: number, seed: number) {
  const solver = await loadSolver();
  const start = performance.now();
  const clock = () => (performance.now() - start) / 1000;
  const found: { at: number; plan: FoundPlan }[] = [];
  const answer = solvePlan(problem, {
    seed,
    solver,
    budget: { kind: 'time', seconds, clock },
    onBetter: plan => found.push({ at: clock(), plan }),
  });
  const spent = clock();
  const { cost, broken } = judgePlan(problem, answer.placed, answer.ahead);
  const bestAt = found.find(({ plan }) => plan.cost <= cost.total + 0.005)?.at ?? 0;
  return [
    name,
    best,
    broken.length > 0 ? `broken: ${broken[0]?.message}` : cost.total,
    answer.bound.toFixed(2),
    Math.round((found[0]?.at ?? 0) * 1000),
    bestAt.toFixed(2),
    answer.ended,
    spent.toFixed(1),
    cost.left,
  ];
}
