// What a lesson is made of before its minutes are whole: blocks by the plan, what is recalled, what combining and the check hold.

import { figuresBelow } from '../library/figures-below.ts';
import { seriesOrder } from '../library/series-order.ts';
import { ELEMENT_BY_ITSELF, elementsOf } from '../likeness/taught-elements.ts';
import type { Course } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { needsOf } from '../model/needs.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { tenthsOfMinutes } from '../model/units.ts';
import { lessonCapacity } from '../plan/build-problem.ts';
import type { PlannedReview } from '../plan/fill-lessons.ts';
import { orderByHold } from './hold-order.ts';
import type { BlockKind, LessonBlock, LessonSource } from './lesson-blocks.ts';
import { chooseReviews } from './recall-choice.ts';
import { shareOut } from './shares.ts';

/** A figure that is reviewed is danced a few times in this, in tenths of a minute; in less it would only be named. */
const LEAST_REVIEW = 15;

export interface Draft
  extends Pick<LessonBlock, 'kind' | 'title' | 'patterns' | 'within' | 'element' | 'isLeft'> {
  readonly tenths: number;
}

/** The blocks of a lesson in tenths that add up to it. */
export function draftBlocks(source: LessonSource): readonly Draft[] {
  const total = tenthsOfMinutes(lessonOf(source).minutes);
  const drafts = blocksByPlan(source, 0);
  const spare = total - sumOf(drafts);
  // Minutes that nothing needs go to reviews that had none, before combining and dancing get them.
  const wanted = notReviewed(source, drafts).length * LEAST_REVIEW;
  const more = Math.max(0, Math.min(spare, wanted));
  return fitToLesson(more > 0 ? blocksByPlan(source, more) : drafts, total);
}

/** What the plan reviews and no block dances; to be asked for in the check is not to be danced. */
export function notReviewed(
  { planned }: LessonSource,
  blocks: readonly Pick<LessonBlock, 'kind' | 'patterns'>[],
): readonly string[] {
  const danced = new Set(blocks.flatMap(({ kind, patterns }) => (kind === 'check' ? [] : patterns)));
  return planned.reviews.map(({ id }) => id).filter(id => !danced.has(id));
}

function sumOf(drafts: readonly Draft[]): number {
  return drafts.reduce((sum, { tenths }) => sum + tenths, 0);
}

function lessonOf({ course, lesson }: LessonSource): Course['lessons'][number] {
  return entryAt(course.lessons, lesson - 1);
}

/** `more`: tenths that the recall gets beside those of the plan. */
function blocksByPlan(source: LessonSource, more: number): readonly Draft[] {
  const { planned } = source;
  const { fixed } = lessonOf(source);
  const block = (
    kind: BlockKind,
    title: string,
    minutes: number | undefined,
    patterns: readonly string[] = [],
  ): Draft => ({ kind, title, tenths: tenthsOfMinutes(minutes ?? 0), patterns, within: {} });
  // What a new figure takes along is danced in its block, in the minutes of its own review.
  const along = planned.reviews.filter(({ within = '' }) => planned.introduce.includes(within));
  const recall = recallBlock(source, along, more);
  const news = newBlocks(source, along);
  const tonight = [
    ...recall.flatMap(({ patterns }) => patterns),
    ...news.flatMap(({ patterns }) => patterns),
  ];
  return [
    block('arrive', 'Arrive', fixed.arrive),
    block('warm-up', 'Warm up', fixed.warmUp, warmUpBasics(source)),
    ...recall,
    ...news,
    ...prepareBlocks(source),
    block('combine', 'Combine', fixed.combine, combined(source, tonight)),
    block('check', 'Check', fixed.check, fixed.check ? askedBy(source, tonight) : []),
    block('dance', 'Dance', fixed.dance),
    block('recap', 'Recap', fixed.recap),
  ];
}

/** The basics that were taught; where the course has none those of the levels below. */
function warmUpBasics({ course, library, taught = [] }: LessonSource): readonly string[] {
  const isBasic = (id: string) => library.patterns.get(id)?.kind === 'basic';
  const own = taught.filter(isBasic);
  if (own.length > 0 || course.items.some(({ pattern }) => isBasic(pattern))) return own;
  return figuresBelow(library, course.level).flatMap(({ id, variantOf }) =>
    isBasic(id) && !variantOf ? [id] : [],
  );
}

/** What is recalled, with the minutes of it; none where there is nothing. */
function recallBlock(source: LessonSource, along: readonly PlannedReview[], more: number): readonly Draft[] {
  const { planned, recall = new Map() } = source;
  const { fixed, again = [], ...rest } = lessonOf(source);
  const looks = Math.max(0, lessonCapacity({ ...rest, fixed }) - planned.capacity);
  const alongMinutes = along.reduce((sum, review) => sum + review.minutes, 0);
  const least = Math.max(
    planned.review - alongMinutes,
    Math.min(tenthsOfMinutes(fixed.recall ?? 0), Math.max(0, planned.capacity - planned.new - alongMinutes)),
  );
  const most = Math.max(1, Math.floor((least + more) / LEAST_REVIEW));
  const fresh = new Set([...Object.keys(planned.minutes), ...along.map(({ id }) => id)]);
  const own = chooseReviews({
    planned: planned.reviews.filter(review => !along.includes(review)).map(({ id }) => id),
    ...{ again, recall, fresh, most, more: Math.floor(more / LEAST_REVIEW) },
    ...(source.aim !== undefined && { aim: source.aim }),
  });
  const reviews = own.length > 0 ? own : neededFromBelow(source).slice(0, most);
  if (reviews.length === 0) return [];
  const within = withinOf(planned.reviews.filter(({ id }) => reviews.includes(id)));
  return [{ kind: 'recall', title: 'Recall', patterns: reviews, within, tenths: least + more + looks }];
}

/** What tonight's figures need of the levels below. */
function neededFromBelow({ course, planned, library }: LessonSource): readonly string[] {
  const below = new Set(figuresBelow(library, course.level).map(({ id }) => id));
  const needs = Object.keys(planned.minutes).flatMap(id => needsOf(library.patterns.get(id) ?? {}));
  return [...new Set(needs)].filter(id => below.has(id));
}

function newBlocks(
  { planned, library, left = [] }: LessonSource,
  along: readonly PlannedReview[],
): readonly Draft[] {
  const { patterns } = library;
  const fresh = Object.keys(planned.minutes);
  const inOrder = fresh.toSorted((a, b) => planned.introduce.indexOf(a) - planned.introduce.indexOf(b));
  // A figure begun last week and joined today comes before what is introduced today.
  const joined = fresh.filter(id => !planned.introduce.includes(id));
  return orderByHold(inOrder, patterns, [...joined, ...left]).map((id): Draft => {
    const name = patterns.get(id)?.name ?? id;
    const taken = along.filter(({ within }) => within === id);
    return {
      ...{ kind: 'new', title: joined.includes(id) ? `${name}: joined` : name, within: withinOf(taken) },
      tenths: taken.reduce((sum, review) => sum + review.minutes, planned.minutes[id] ?? 0),
      patterns: [id, ...taken.map(review => review.id)],
      ...((joined.includes(id) || left.includes(id)) && { isLeft: true }),
    };
  });
}

/** Tonight's figures that lead on into each other, in an order that dances. */
function combined({ library }: LessonSource, tonight: readonly string[]): readonly string[] {
  const figures = [...new Set(tonight)]
    .filter(id => !isOnlyPractised(library.patterns.get(id)))
    .flatMap(id => library.readings.get(id)?.figure ?? []);
  const steps = seriesOrder(figures);
  const end = steps.findIndex(({ follows }) => !follows);
  return steps.slice(0, end < 0 ? undefined : end).map(({ figure }) => figure.pattern.id);
}

/** What the check asks: everything of the course that the class has had by then, drills apart. */
function askedBy(
  { course, library, taught = [] }: LessonSource,
  tonight: readonly string[],
): readonly string[] {
  const had = new Set([...taught, ...tonight]);
  return course.items
    .map(({ pattern }) => pattern)
    .filter(id => had.has(id) && !isOnlyPractised(library.patterns.get(id)));
}

function withinOf(reviews: readonly PlannedReview[]): LessonBlock['within'] {
  return Object.fromEntries(reviews.flatMap(({ id, within }) => (within ? [[id, within]] : [])));
}

/** What is taught ahead of next time, by itself. */
function prepareBlocks({ course, planned, next, library }: LessonSource): readonly Draft[] {
  const elements = elementsOf(library, next?.introduce ?? course.items.map(({ pattern }) => pattern));
  return planned.prepare.map(({ id, minutes }) => {
    const element = elements.get(id);
    return {
      ...{ kind: 'prepare', title: `For next time: ${element?.name ?? id}`, tenths: minutes },
      ...{ patterns: [], within: {} },
      element: { id, how: ELEMENT_BY_ITSELF[element?.strand ?? 'quality'], figures: element?.figures ?? [] },
    };
  });
}

function fitToLesson(drafts: readonly Draft[], total: number): readonly Draft[] {
  const spare = total - sumOf(drafts);
  if (spare === 0) return drafts;
  const stretches = (draft: Draft) =>
    spare > 0
      ? draft.kind === 'combine' || draft.kind === 'dance'
      : draft.kind === 'new' || draft.kind === 'prepare' || draft.kind === 'recall';
  const elastic = drafts.filter(draft => stretches(draft) && draft.tenths > 0);
  const shares = shareOut(
    Math.abs(spare),
    elastic.map(({ tenths }) => tenths),
  );
  return drafts.map(draft => {
    const index = elastic.indexOf(draft);
    const share = index < 0 ? 0 : (shares[index] ?? 0);
    return { ...draft, tenths: Math.max(0, draft.tenths + Math.sign(spare) * share) };
  });
}
