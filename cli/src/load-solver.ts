import { type HighsLike, highsSolver, type MipSolver } from '@map-step/core';
import highs from 'highs';

/** The exact solver, on HiGHS in this process. */
export async function loadSolver(): Promise<MipSolver> {
  // The package's types speak of its CommonJS form; the module that is loaded is the function itself.
  const load: unknown = highs;
  if (typeof load !== 'function') throw new Error('the solver cannot be loaded');
  const solver: HighsLike = await load();
  return highsSolver(solver);
}
