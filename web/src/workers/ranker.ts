import type { Material, Pattern, Ranks, SaidOf } from '@map-step/core';
import { type Remote, wrap } from 'comlink';
import type { MixedUpNames, NearestName, RankWorker } from './rank.worker.ts';

let shared: Remote<RankWorker> | undefined;
let loaded: Material | undefined;

/** The worker, with this material told to it: only when it is another than before. */
async function workerWith(material: Material): Promise<Remote<RankWorker>> {
  shared ??= wrap<RankWorker>(new Worker(new URL('./rank.worker.ts', import.meta.url), { type: 'module' }));
  if (loaded !== material) {
    loaded = material;
    await shared.load(material);
  }
  return shared;
}

/** Ranks figures by difficulty, or by novelty against those that are known, in a worker. */
export async function rankInWorker(
  material: Material,
  ids: readonly string[],
  known: readonly string[] | undefined,
): Promise<Ranks> {
  return await (await workerWith(material)).rank(ids, known);
}

/** `findMixedUp` of the core, in a worker. */
export async function mixedUpInWorker(
  material: Material,
  figures: readonly string[],
  said: readonly SaidOf[],
): Promise<readonly MixedUpNames[]> {
  return await (await workerWith(material)).mixedUp(figures, said);
}

/** `nearestFigures` of the core, in a worker. */
export async function nearestInWorker(
  material: Material,
  pattern: Pattern,
  limit: number,
): Promise<readonly NearestName[]> {
  return await (await workerWith(material)).nearest(pattern, limit);
}
