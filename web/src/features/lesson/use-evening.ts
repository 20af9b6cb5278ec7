import {
  beginEvening,
  type Evening,
  lengthen,
  nextBlock,
  pause,
  presentBlock,
  type RunningOrder,
  resume,
} from '@map-step/core';
import { z } from 'zod';
import { ownerOf } from '../../api/outbox.ts';
import { useCourse } from '../course/course-context.ts';
import { useKept } from './use-kept.ts';

const evening: z.ZodType<Evening> = z.object({
  startedAt: z.number(),
  entered: z.array(z.number()).min(1),
  paused: z.array(z.number()).min(1),
  pausedAt: z.number().exactOptional(),
  longer: z.array(z.number()).min(1),
});

export interface EveningRun {
  /** Undefined until it is begun. */
  readonly evening: Evening | undefined;
  begin(): void;
  /** On to a block that is still to come, over those between. */
  goTo(block: number): void;
  /** Back into the block before, as if it had not been left. */
  back(): void;
  pause(): void;
  resume(): void;
  lengthen(minutes: number): void;
  /** Forgets the clock: as it was before the evening was begun. */
  forget(): void;
}

/** The clock of an evening on this device; it goes on over a reload. */
export function useEvening(section: string, lesson: number, order: RunningOrder | undefined): EveningRun {
  const { me } = useCourse();
  const [state, put] = useKept(`evening ${ownerOf(me)} ${section} ${lesson}`, evening);
  const change = (make: (evening: Evening, now: number) => Evening) => () => {
    if (state) put(make(state, Date.now()));
  };
  const last = (order?.blocks.length ?? 1) - 1;
  return {
    evening: state,
    begin: () => put(beginEvening(Date.now())),
    goTo: block => {
      if (!state) return;
      let next = state;
      while (presentBlock(next) < Math.min(block, last)) next = nextBlock(next, Date.now());
      put(next);
    },
    back: change(now =>
      now.entered.length < 2
        ? now
        : {
            startedAt: now.startedAt,
            entered: now.entered.slice(0, -1),
            paused: now.paused.slice(0, -1),
            longer: now.longer.slice(0, -1),
          },
    ),
    pause: change(pause),
    resume: change(resume),
    lengthen: minutes => state && put(lengthen(state, minutes)),
    forget: () => put(undefined),
  };
}
