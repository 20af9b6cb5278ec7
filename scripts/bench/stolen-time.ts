// On a shared machine the hypervisor takes the processors away now and then. What was measured meanwhile says nothing
// about the product, so a bench sets it apart and tells how much that was.
import { existsSync, readFileSync } from 'node:fs';

/** What the kernel had counted at a moment, in its own ticks over all processors. */
export interface Reading {
  readonly at: number;
  readonly stolen: number;
  readonly total: number;
}

const KERNEL_COUNTS = '/proc/stat';
const STOLEN_COLUMN = 7;
/** As short as ten ticks: in a longer span a task of 60 ms could be mostly theft and still count as the product's. */
const EVERY_MILLISECONDS = 100;
/** The share of a span that may be taken away before it counts as disturbed. */
const MOST_STOLEN = 0.03;

/** Milliseconds since 1970, with their fractions: the same in this process and in a page. */
export const clock = () => performance.timeOrigin + performance.now();

export interface StolenTime {
  /** The milliseconds of the spans in which the machine was left alone, and how much of the whole they are. */
  stop(): { isQuiet(from: number, to: number): boolean; quietShare: number };
}

/** Begins to watch; where the kernel does not count, all time is quiet. */
export function watchStolenTime(): StolenTime {
  const readings: Reading[] = [];
  const look = () => {
    if (existsSync(KERNEL_COUNTS)) readings.push(readCounts(readFileSync(KERNEL_COUNTS, 'utf8'), clock()));
  };
  look();
  const timer = setInterval(look, EVERY_MILLISECONDS);
  return {
    stop() {
      clearInterval(timer);
      look();
      return judgeReadings(readings);
    },
  };
}

/** Reads the first line of the kernel's counts. */
export function readCounts(text: string, at: number): Reading {
  const counts = (text.split('\n')[0] ?? '').trim().split(/\s+/).slice(1, 9).map(Number);
  return { at, stolen: counts[STOLEN_COLUMN] ?? 0, total: counts.reduce((sum, count) => sum + count, 0) };
}

/** A span is quiet when neither it nor the one before it lost time: what piled up in one is worked off in the next. */
export function judgeReadings(readings: readonly Reading[]): ReturnType<StolenTime['stop']> {
  const spans = readings.slice(1).map((reading, index) => {
    const before = readings[index] ?? reading;
    const passed = reading.total - before.total;
    return {
      from: before.at,
      to: reading.at,
      lost: passed > 0 ? (reading.stolen - before.stolen) / passed : 0,
    };
  });
  const disturbed = spans.filter(
    ({ lost }, index) => lost > MOST_STOLEN || (spans[index - 1]?.lost ?? 0) > MOST_STOLEN,
  );
  return {
    isQuiet: (from, to) => !disturbed.some(span => span.from < to && from < span.to),
    quietShare: spans.length === 0 ? 1 : 1 - disturbed.length / spans.length,
  };
}
