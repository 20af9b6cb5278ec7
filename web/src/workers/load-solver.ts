import { type HighsLike, highsSolver, type MipSolver } from '@map-step/core';
import runtime from 'highs/runtime?url';

/** The exact solver: 3.5 MB of WebAssembly, loaded when it is first asked for. */
export async function loadSolver(): Promise<MipSolver> {
  const { default: highs } = await import('highs');
  // The package's types speak of its CommonJS form; the module that is loaded is the function itself.
  const load: unknown = highs;
  if (typeof load !== 'function') throw new Error('the solver cannot be loaded');
  const solver: HighsLike = await load({ locateFile: () => runtime });
  return highsSolver(solver);
}
