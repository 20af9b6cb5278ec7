// An evening that is running: where it is, what each block has taken, and how the rest adds up again.

import { giveWay } from './give-way.ts';
import type { LessonBlock, RunningOrder } from './lesson-blocks.ts';
import { shareOut } from './shares.ts';

/** Instants are milliseconds; all by the same clock. */
export interface Evening {
  readonly startedAt: number;
  /** When each block so far was entered; the last is the present one. */
  readonly entered: readonly number[];
  /** Milliseconds for which each block's clock stood still. */
  readonly paused: readonly number[];
  /** Since when the present block's clock stands still. */
  readonly pausedAt?: number;
  /** Minutes by which each block was lengthened. */
  readonly longer: readonly number[];
}

const MINUTE = 60_000;

export function beginEvening(now: number): Evening {
  return { startedAt: now, entered: [now], paused: [0], longer: [0] };
}

/** The block that runs, counted from 0. */
export function presentBlock({ entered }: Evening): number {
  return entered.length - 1;
}

/** On to the next block, whatever was left of this one. */
export function nextBlock(evening: Evening, now: number): Evening {
  const { entered, paused, longer, ...rest } = resume(evening, now);
  return { ...rest, entered: [...entered, now], paused: [...paused, 0], longer: [...longer, 0] };
}

export function pause(evening: Evening, now: number): Evening {
  return evening.pausedAt === undefined ? { ...evening, pausedAt: now } : evening;
}

export function resume(evening: Evening, now: number): Evening {
  const { pausedAt, ...rest } = evening;
  if (pausedAt === undefined) return evening;
  const last = evening.paused.length - 1;
  return { ...rest, paused: evening.paused.with(last, (evening.paused[last] ?? 0) + now - pausedAt) };
}

export function lengthen(evening: Evening, minutes: number): Evening {
  const last = evening.longer.length - 1;
  return { ...evening, longer: evening.longer.with(last, (evening.longer[last] ?? 0) + minutes) };
}

/** What a block has taken up to now, pauses apart, in milliseconds; 0 for one that has not begun. */
export function takenIn(evening: Evening, block: number, now: number): number {
  const entered = evening.entered[block];
  if (entered === undefined) return 0;
  const left = evening.entered[block + 1] ?? now;
  const standing =
    block === presentBlock(evening) && evening.pausedAt !== undefined ? now - evening.pausedAt : 0;
  return Math.max(0, left - entered - (evening.paused[block] ?? 0) - standing);
}

/** Milliseconds that the present block still has; below 0 when it runs over. */
export function leftInBlock(evening: Evening, order: RunningOrder, now: number): number {
  const at = presentBlock(evening);
  const minutes = (order.blocks[at]?.minutes ?? 0) + (evening.longer[at] ?? 0);
  return minutes * MINUTE - takenIn(evening, at, now);
}

/**
 * The minutes of every block as the evening stands: those behind with what they took, the present one with what it has,
 * the rest sharing what is left until the end, in whole minutes that add up to the lesson exactly; none are left where the
 * evening runs over. What is saved goes to combining and dancing, which give way first where minutes are lost.
 */
export function minutesAsItStands(evening: Evening, order: RunningOrder, now: number): readonly number[] {
  const at = presentBlock(evening);
  const end = Math.round(order.minutes);
  const after = (instant: number) => Math.round((instant - evening.startedAt) / MINUTE);
  const edges = evening.entered.map(after);
  const present = order.blocks[at]?.minutes ?? 0;
  const closes = Math.max(
    after(now),
    (edges[at] ?? 0) + present + (evening.longer[at] ?? 0) + Math.round(standstill(evening, now) / MINUTE),
  );
  const behind = edges.map(
    (edge, index) => (edges[index + 1] ?? Math.min(closes, Math.max(end, after(now)))) - edge,
  );
  const total = Math.max(0, end - (edges[at] ?? 0) - (behind[at] ?? 0));
  return [...behind, ...shareRest(order.blocks.slice(at + 1), total)];
}

/** For how long the present block's clock has stood still. */
function standstill(evening: Evening, now: number): number {
  const { paused, pausedAt } = evening;
  return (paused.at(-1) ?? 0) + (pausedAt === undefined ? 0 : now - pausedAt);
}

function shareRest(blocks: readonly LessonBlock[], total: number): readonly number[] {
  const planned = blocks.map(({ minutes }) => minutes);
  const sum = planned.reduce((all, minutes) => all + minutes, 0);
  if (blocks.length === 0) return [];
  if (total < sum) return giveWay(blocks, sum - total);
  const stretches = blocks.map(({ kind, minutes }) => (kind === 'combine' || kind === 'dance' ? minutes : 0));
  const weights = stretches.some(weight => weight > 0) ? stretches : planned;
  const more = shareOut(total - sum, weights);
  return planned.map((minutes, index) => minutes + (more[index] ?? 0));
}
