import type {
  Combined,
  CombineRequest,
  EveningCombination,
  EveningFigures,
  Filling,
  Material,
} from '@map-step/core';
import { type Remote, wrap } from 'comlink';
import type { SequenceWorker } from './sequence.worker.ts';

interface Started {
  readonly worker: Worker;
  readonly remote: Remote<SequenceWorker>;
  material: Material | undefined;
}

let shared: Started | undefined;

/** The worker, with this material told to it: only when it is another than before. */
async function workerWith(material: Material): Promise<Remote<SequenceWorker>> {
  shared ??= start();
  const { remote } = shared;
  if (shared.material !== material) {
    shared.material = material;
    await remote.load(material);
  }
  return remote;
}

function start(): Started {
  const worker = new Worker(new URL('./sequence.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<SequenceWorker>(worker), material: undefined };
}

/** A search that goes on beside the page. */
export interface SequenceRun {
  /** Never settles when it was stopped. */
  readonly done: Promise<Combined>;
  /** Ends at once. */
  stop(): void;
}

/** `combineFigures` of the core, in a worker that can be ended at any moment. */
export function runCombine(material: Material, request: CombineRequest): SequenceRun {
  const done = workerWith(material).then(remote => remote.combine(request));
  return { done, stop: endWorker };
}

/** `eveningCombination` of the core, in the same worker. */
export async function eveningInWorker(
  material: Material,
  figures: EveningFigures,
): Promise<EveningCombination | null> {
  return (await (await workerWith(material)).evening(figures)) ?? null;
}

/** `refillAround` of the core, in the same worker. */
export async function refillInWorker(
  material: Material,
  ...asked: Parameters<SequenceWorker['refill']>
): Promise<readonly Filling[]> {
  return (await workerWith(material)).refill(...asked);
}

/** The next one starts anew. */
function endWorker(): void {
  shared?.worker.terminate();
  shared = undefined;
}
