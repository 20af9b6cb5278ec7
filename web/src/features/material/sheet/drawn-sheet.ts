import type { CouplePose, SheetLayout } from '@map-step/core';

/** All that is worked out once for the lines of a sheet. */
export interface DrawnSheet extends SheetLayout {
  /** The couple after each column. */
  readonly poses: readonly CouplePose[];
  /** The follower's steps that go forward while the leader rocks back. */
  readonly rocksApart: ReadonlySet<number>;
}
