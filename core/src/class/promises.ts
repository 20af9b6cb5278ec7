import type { Log, Recap } from '../model/document.ts';
import type { Placed } from '../plan/problem.ts';
import { standingLogs } from './standing.ts';

/** A figure that students were told would come next, and that did not or will not. */
export interface BrokenPromise {
  readonly pattern: string;
  /** The lesson after which it was told; it was to come in the one after. */
  readonly lesson: number;
  /** The lesson in which it came, or is planned; undefined for none. */
  readonly now: number | undefined;
  /** It has come by now. */
  readonly isOver: boolean;
}

interface Promising {
  readonly recaps: readonly (Pick<Recap, 'lesson' | 'audience' | 'promises'> & {
    readonly published?: string | null;
  })[];
  readonly logs: readonly Log[];
  /** Where each figure lies in the class's plan. */
  readonly placed: Placed;
  /** How many lessons are behind it. */
  readonly behind: number;
}

/**
 * What published recaps for students promised and the lesson after did not bring, or is not planned to; in the order of the
 * recaps. A figure that the class had already, and that was to go on, is no broken promise.
 */
export function brokenPromises({ recaps, logs, placed, behind }: Promising): readonly BrokenPromise[] {
  const danced = standingLogs(logs).filter(({ result }) => result !== 'not-reached');
  return recaps
    .filter(({ audience, published }) => audience === 'students' && published)
    .flatMap(({ lesson, promises = [] }) =>
      promises.flatMap((pattern): BrokenPromise[] => {
        const next = lesson + 1;
        const lessons = danced.flatMap(log => (log.pattern === pattern ? [log.lesson] : []));
        if (lessons.some(at => at <= lesson)) return [];
        const came = lessons.length === 0 ? undefined : Math.min(...lessons);
        const now = came ?? placed[pattern];
        if ((next <= behind ? came : now) === next) return [];
        return [{ pattern, lesson, now, isOver: came !== undefined }];
      }),
    );
}
