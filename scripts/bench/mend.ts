// `npm run bench -- mend FOLDER`: after three lessons with two items not reached, how many items a mend moves, beside
// the least that is proven; annealed as a class's plan is, and with the exact solver as on the map.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MEND_BUDGET, type MipSolver, type Placed, type PlanProblem, solvePlan } from '@map-step/core';
import { loadSolver } from '../../cli/src/load-solver.ts';

const TAUGHT = 3;
const NOT_REACHED = 2;
const MOVED_POINTS = 15;

export async function benchMend(folder: string, only = 'n20T6'): Promise<void> {
  const solver = await loadSolver();
  process.stdout.write('problem\tannealed: left, moved, ms\tproven: left, moved, ms\n');
  for (const name of readdirSync(folder)
    .filter(file => file.includes(only))
    .sort()) {
    const { problem } = JSON.parse(readFileSync(join(folder, name), 'utf8')) as { problem: PlanProblem };
    const taught = afterThreeLessons(problem, solver);
    process.stdout.write(`${name}\t${mendOf(taught)}\t${mendOf(taught, solver)}\n`);
  }
}

function mendOf(problem: PlanProblem, solver?: MipSolver): string {
  const start = performance.now();
  const clock = () => (performance.now() - start) / 1000;
  const answer = solvePlan(problem, {
    seed: 1,
    start: { placed: { ...problem.published, ...problem.taught?.items }, ahead: [] },
    ...(solver ? { solver, budget: { kind: 'time', seconds: 20, clock } } : { budget: MEND_BUDGET }),
  });
  const { left, moved } = answer.cost;
  const told = `${left}, ${moved / MOVED_POINTS}, ${Math.round(clock() * 1000)}`;
  return solver && !answer.proven ? `${told} (not proven)` : told;
}

/** The plan of a problem published and taught for three lessons, but for the last two items of these. */
function afterThreeLessons(problem: PlanProblem, solver: MipSolver): PlanProblem {
  const start = performance.now();
  const clock = () => (performance.now() - start) / 1000;
  const published = solvePlan(problem, {
    seed: 1,
    solver,
    budget: { kind: 'time', seconds: 3, clock },
  }).placed;
  const begun = Object.entries(published)
    .filter(([, lesson]) => lesson <= TAUGHT)
    .sort(([, a], [, b]) => a - b);
  const items: Placed = Object.fromEntries(begun.slice(0, -NOT_REACHED));
  return { ...problem, published, taught: { lessons: TAUGHT, items } };
}
