import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import type { draftRecaps, FinishedLesson, Material } from '@map-step/core';

/** What the thread is told: a library is opened there, from its material. */
export interface DraftOrder extends Omit<FinishedLesson, 'library'> {
  readonly material: Material;
}

const THREAD = import.meta.url.endsWith('.js') ? './draft-thread.js' : '../../draft-thread-from-source.mjs';

/** Drafts the recaps of a lesson in a thread of its own: it plans the class twice. */
export async function draftInThread(order: DraftOrder): Promise<ReturnType<typeof draftRecaps>> {
  const thread = new Worker(new URL(THREAD, import.meta.url), { workerData: order });
  try {
    const [drafts] = await once(thread, 'message');
    return drafts;
  } finally {
    await thread.terminate();
  }
}
