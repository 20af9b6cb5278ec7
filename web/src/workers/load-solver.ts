import { type HighsLike, highsSolver, type MipSolver } from '@map-step/core';
import runtime from 'highs/runtime?url';

/** The exact solver: 3.5 MB of WebAssembly, loaded when it is first asked for. */
export async function loadSolver(): Promise<MipSolver> {
  const { default: highs } = await import('highs');
  // The package's types speak of its CommonJS form; the module that is loaded is the function itself.
  const load = highs as unknown as (options: object) => Promise<HighsLike>;
  return highsSolver(await load({ locateFile: () => runtime }));
}
