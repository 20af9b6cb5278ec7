import { isTimeZone } from '@map-step/core';
import type { Logger } from 'pino';
import type { Computer } from './compute/computer.ts';
import type { ChangeFeed } from './db/change-feed.ts';
import type { Database } from './db/database.ts';
import type { JobQueue } from './jobs/job-queue.ts';

/** All that the server's parts need from outside, in one object. */
export interface Deps {
  readonly database: Database;
  /** Where the database is, for threads that read by themselves. */
  readonly databaseUrl: string;
  readonly computer: Computer;
  readonly changes: ChangeFeed;
  readonly jobs: Pick<JobQueue, 'send'>;
  readonly logger: Logger;
  readonly now: () => Date;
  /** A fixed date for tests and pictures. */
  readonly today?: string;
  /** True: the people of a demo studio sign in with one click. Which studio that is stands in the database. */
  readonly demo: boolean;
  /** Who may found one more studio, once there is one. */
  readonly founding: 'open' | 'invitation' | 'closed';
  /** Signs cookies and hides what is counted. */
  readonly secret: string;
}

/** Making one takes longer than a query. */
const formats = new Map<string, Intl.DateTimeFormat>();

/** YYYY-MM-DD of the day it is in a time zone. */
export function todayIn(deps: Pick<Deps, 'now' | 'today'>, timezone: string): string {
  if (deps.today) return deps.today;
  const format =
    formats.get(timezone) ??
    new Intl.DateTimeFormat('en-CA', {
      timeZone: isTimeZone(timezone) ? timezone : 'UTC',
      dateStyle: 'short',
    });
  formats.set(timezone, format);
  return format.format(deps.now());
}
