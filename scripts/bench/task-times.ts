// How much of a long task was work. A task lasts longer by the clock when others have the processor; what the renderer's
// own thread worked is in Chromium's trace.
import type { CDPSession, Page } from '@playwright/test';
import type { Seen } from './measured-page.ts';

interface TraceEvent {
  readonly name: string;
  readonly ts: number;
  readonly dur?: number;
  readonly tdur?: number;
  readonly pid: number;
  readonly tid: number;
}

const MARK = 'task-times';
const TASK = 'RunTask';
const CATEGORIES = ['disabled-by-default-devtools.timeline', 'blink.user_timing'];

export interface WorkedTimes {
  /** The milliseconds of processor time a task that was seen took; undefined when the trace does not have it. */
  of(task: Pick<Seen, 'at' | 'duration'>): number | undefined;
}

export interface TaskTimes {
  stop(): Promise<WorkedTimes>;
}

function isTraced(event: object): event is TraceEvent {
  return 'name' in event && (event.name === MARK || event.name === TASK);
}

export async function watchTaskTimes(page: Page): Promise<TaskTimes> {
  const session = await page.context().newCDPSession(page);
  const events: TraceEvent[] = [];
  session.on('Tracing.dataCollected', ({ value }: { value: object[] }) => {
    for (const event of value) if (isTraced(event)) events.push(event);
  });
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: CATEGORIES },
  });
  const markedAt = await page.evaluate(
    name => performance.timeOrigin + performance.mark(name).startTime,
    MARK,
  );
  return {
    async stop() {
      await endTrace(session);
      return readTrace(events, markedAt);
    },
  };
}

function endTrace(session: CDPSession): Promise<void> {
  return new Promise((resolve, reject) => {
    session.once('Tracing.tracingComplete', () => resolve());
    session.send('Tracing.end').catch(reject);
  });
}

/** The mark says which thread is the page's, and how the trace's clock (microseconds) stands to the page's. */
export function readTrace(events: readonly TraceEvent[], markedAt: number): WorkedTimes {
  const mark = events.find(({ name }) => name === MARK);
  const tasks = events
    .filter(({ name, pid, tid }) => name === TASK && pid === mark?.pid && tid === mark.tid)
    .map(({ ts, dur = 0, tdur = 0 }) => ({
      from: markedAt + (ts - (mark?.ts ?? 0)) / 1000,
      to: markedAt + (ts + dur - (mark?.ts ?? 0)) / 1000,
      worked: tdur / 1000,
    }));
  return {
    of({ at, duration }) {
      const middle = at + duration / 2;
      return tasks.find(({ from, to }) => from <= middle && middle < to)?.worked;
    },
  };
}
