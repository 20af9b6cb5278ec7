// The thread that drafts the recaps of one lesson, so that requests go on meanwhile.
import { parentPort, workerData } from 'node:worker_threads';
import { draftRecaps, openLibrary } from '@map-step/core';
import type { DraftOrder } from './features/sections/draft-in-thread.ts';

const { material, ...finished }: DraftOrder = workerData;
parentPort?.postMessage(draftRecaps({ ...finished, library: openLibrary(material) }));
