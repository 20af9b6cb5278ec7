import { figuresBelow } from '../library/figures-below.ts';
import { entryAt } from '../model/entry-at.ts';
import { needsOf } from '../model/needs.ts';
import { assemblyOf } from '../plan/build-problem.ts';
import { blockLayers } from './block-layers.ts';
import { draftBlocks, notReviewed } from './draft-blocks.ts';
import type { LessonBlock, LessonSource, RunningOrder } from './lesson-blocks.ts';
import { shareOut } from './shares.ts';

/**
 * The running order of a lesson: blocks in whole minutes that add up to its minutes exactly. Recall lasts at least as long as
 * its reviews take, and holds no more of them than can be danced in it; where there is nothing to recall there is none. Minutes
 * that nobody needs go to reviews that had none, then to combining and dancing by their lengths. New items follow each other by
 * their holds.
 */
export function runningOrder(source: LessonSource): RunningOrder {
  const { course, lesson, planned } = source;
  const { minutes, fixed } = entryAt(course.lessons, lesson - 1);
  const drafts = draftBlocks(source);
  const whole = shareOut(
    Math.round(minutes),
    drafts.map(draft => draft.tenths),
  );
  let passed = 0;
  const blocks = drafts.flatMap((draft, index): LessonBlock[] => {
    const length = whole[index] ?? 0;
    const from = clock(source.start, passed);
    passed += length;
    if (length === 0 && (draft.patterns.length === 0 || draft.tenths === 0)) return [];
    const { tenths: _, ...block } = draft;
    const timed = { ...block, minutes: length, from, to: clock(source.start, passed) };
    return [{ ...timed, layers: blockLayers(source, timed, drafts) }];
  });
  const over = Math.max(0, planned.new + planned.review - planned.capacity) / 10;
  const noTimeFor = notReviewed(source, blocks);
  const freely = blocks.filter(({ kind }) => kind === 'combine' || kind === 'dance');
  const fixedMinutes = (fixed.combine ?? 0) + (fixed.dance ?? 0);
  const spare = Math.max(0, freely.reduce((sum, block) => sum + block.minutes, 0) - Math.round(fixedMinutes));
  const offered = offeredFor(source, spare);
  return { lesson, of: course.lessons.length, minutes, blocks, over, noTimeFor, spare, offered };
}

/** What was dropped from the plan, has what it needs, and would fit. */
function offeredFor(
  { course, library, taught = [], dropped = [] }: LessonSource,
  spare: number,
): RunningOrder['offered'] {
  const had = new Set([...taught, ...figuresBelow(library, course.level).map(({ id }) => id)]);
  return dropped.flatMap(pattern => {
    const figure = library.readings.get(pattern)?.figure;
    if (!figure || !needsOf(figure.pattern).every(id => had.has(id))) return [];
    const minutes = Math.ceil(assemblyOf(figure, library, course) / 10);
    return minutes <= spare ? [{ pattern, minutes }] : [];
  });
}

function clock(start: string | undefined, minutes: number): string {
  const [hours = 0, offset = 0] = start === undefined ? [] : start.split(':').map(Number);
  const total = hours * 60 + offset + minutes;
  const pad = (value: number) => String(value).padStart(2, '0');
  return `${pad(Math.floor(total / 60) % 24)}:${pad(total % 60)}`;
}
