import type { Library } from '../library/library.ts';
import { ELEMENT_BY_ITSELF, elementsOf } from '../likeness/taught-elements.ts';
import type { Course, Quality } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { tenthsOfMinutes } from '../model/units.ts';
import { lessonCapacity } from '../plan/build-problem.ts';
import type { PlannedLesson, PlannedReview } from '../plan/fill-lessons.ts';
import { orderByHold } from './hold-order.ts';
import { qualityOfEvening, teachingLayers } from './layers.ts';
import { chooseReviews } from './recall-choice.ts';
import { shareOut } from './shares.ts';

export type BlockKind =
  | 'arrive'
  | 'warm-up'
  | 'recall'
  | 'new'
  | 'prepare'
  | 'combine'
  | 'check'
  | 'dance'
  | 'recap';

export interface LessonLayer {
  readonly title: string;
  readonly seconds: number;
}

export interface LessonBlock {
  readonly kind: BlockKind;
  readonly title: string;
  /** Whole minutes. */
  readonly minutes: number;
  /** `HH:MM` when the class has a start, else minutes after the beginning. */
  readonly from: string;
  readonly to: string;
  /** What is danced in it: the figure of a new block with what it takes along, the reviews of recall. */
  readonly patterns: readonly string[];
  /** Of those the ones that are reviewed in passing, with the figure that they are danced in. */
  readonly within: { readonly [pattern: string]: string };
  /** What is prepared in it for next time, and for which figures. */
  readonly element?: { readonly id: string; readonly how: string; readonly figures: readonly string[] };
  readonly layers: readonly LessonLayer[];
}

export interface RunningOrder {
  readonly lesson: number;
  readonly of: number;
  readonly minutes: number;
  readonly blocks: readonly LessonBlock[];
  /** Minutes by which the plan is longer than the lesson; its new material is then shortened. */
  readonly over: number;
  /** What the plan reviews and the recall has no time for: it is left to another evening. */
  readonly noTimeFor: readonly string[];
}

export interface LessonSource {
  readonly course: Course;
  readonly lesson: number;
  readonly planned: PlannedLesson;
  /** What comes the next time: what is prepared is for it. */
  readonly next?: Pick<PlannedLesson, 'introduce'>;
  readonly library: Pick<Library, 'patterns' | 'dances' | 'readings' | 'elements'>;
  /** Figures of the course that were taught before this lesson: its basics are kept alive in the warm-up. */
  readonly taught?: readonly string[];
  /** Begun or not reached the last time: they come first. */
  readonly left?: readonly string[];
  /** How well the class still has each figure (`recallOn`), where it has danced any. */
  readonly recall?: ReadonlyMap<string, number>;
  /** From it on a figure is not fading. */
  readonly aim?: number;
  /** `HH:MM`. */
  readonly start?: string;
}

/** A figure that is reviewed is danced a few times in this, in tenths of a minute; in less it would only be named. */
const LEAST_REVIEW = 15;

interface Draft extends Pick<LessonBlock, 'kind' | 'title' | 'patterns' | 'within' | 'element'> {
  readonly tenths: number;
}

/**
 * The running order of a lesson: blocks in whole minutes that add up to its minutes exactly. Recall lasts at
 * least as long as its reviews take, and holds no more of them than can be danced in it; minutes that nobody needs go to combining and dancing by their lengths. New items
 * follow each other by their holds.
 */
export function runningOrder(source: LessonSource): RunningOrder {
  const { course, lesson, planned } = source;
  const { minutes } = lessonOf(course, lesson);
  const drafts = fitToLesson(draftBlocks(source), tenthsOfMinutes(minutes));
  const quality = qualityOfLesson(source);
  const whole = shareOut(
    Math.round(minutes),
    drafts.map(draft => draft.tenths),
  );
  let passed = 0;
  const blocks = drafts.flatMap((draft, index): LessonBlock[] => {
    const length = whole[index] ?? 0;
    const from = clock(source.start, passed);
    passed += length;
    if (length === 0 && draft.patterns.length === 0) return [];
    const { tenths: _, ...block } = draft;
    const layers = block.kind === 'new' ? layersOf(source, block.patterns[0] ?? '', length, quality) : [];
    return [{ ...block, minutes: length, from, to: clock(source.start, passed), layers }];
  });
  const over = Math.max(0, planned.new + planned.review - planned.capacity) / 10;
  const danced = new Set(blocks.flatMap(({ patterns }) => patterns));
  const noTimeFor = planned.reviews.map(({ id }) => id).filter(id => !danced.has(id));
  return { lesson, of: course.lessons.length, minutes, blocks, over, noTimeFor };
}

function lessonOf(course: Course, lesson: number): Course['lessons'][number] {
  return entryAt(course.lessons, lesson - 1);
}

function draftBlocks(source: LessonSource): Draft[] {
  const { course, lesson, planned, library, recall = new Map(), taught = [], left = [] } = source;
  const { patterns } = library;
  const { fixed, again = [], ...rest } = lessonOf(course, lesson);
  const looks = Math.max(0, lessonCapacity({ ...rest, fixed }) - planned.capacity);
  const block = (
    kind: BlockKind,
    title: string,
    minutes: number | undefined,
    ids: readonly string[] = [],
  ): Draft => ({
    kind,
    title,
    tenths: tenthsOfMinutes(minutes ?? 0),
    patterns: ids,
    within: {},
  });
  // What a new figure takes along is danced in its block, in the minutes of its own review.
  const along = planned.reviews.filter(({ within = '' }) => planned.introduce.includes(within));
  const alongMinutes = along.reduce((sum, review) => sum + review.minutes, 0);
  const recalled = Math.max(
    planned.review - alongMinutes,
    Math.min(tenthsOfMinutes(fixed.recall ?? 0), Math.max(0, planned.capacity - planned.new - alongMinutes)),
  );
  const fresh = Object.keys(planned.minutes);
  const inOrder = fresh.toSorted((a, b) => planned.introduce.indexOf(a) - planned.introduce.indexOf(b));
  // A figure begun last week and joined today comes before what is introduced today.
  const joined = fresh.filter(id => !planned.introduce.includes(id));
  const news = orderByHold(inOrder, patterns, [...joined, ...left]).map((id): Draft => {
    const name = patterns.get(id)?.name ?? id;
    const title = joined.includes(id) ? `${name}: joined` : name;
    const taken = along.filter(({ within }) => within === id);
    return {
      ...{ kind: 'new', title, within: withinOf(taken) },
      tenths: taken.reduce((sum, review) => sum + review.minutes, planned.minutes[id] ?? 0),
      patterns: [id, ...taken.map(review => review.id)],
    };
  });
  const basics = taught.filter(id => patterns.get(id)?.kind === 'basic');
  const reviews = chooseReviews({
    planned: planned.reviews.filter(review => !along.includes(review)).map(({ id }) => id),
    ...{ again, recall, fresh: new Set([...fresh, ...along.map(({ id }) => id)]) },
    most: Math.max(1, Math.floor(recalled / LEAST_REVIEW)),
    ...(source.aim !== undefined && { aim: source.aim }),
  });
  return [
    block('arrive', 'Arrive', fixed.arrive),
    block('warm-up', 'Warm up', fixed.warmUp, basics),
    {
      ...block('recall', 'Recall', 0, reviews),
      within: withinOf(planned.reviews.filter(({ id }) => reviews.includes(id))),
      tenths: recalled + looks,
    },
    ...news,
    ...prepareBlocks(source),
    block('combine', 'Combine', fixed.combine),
    block('check', 'Check', fixed.check),
    block('dance', 'Dance', fixed.dance),
    block('recap', 'Recap', fixed.recap),
  ];
}

function withinOf(reviews: readonly PlannedReview[]): LessonBlock['within'] {
  return Object.fromEntries(reviews.flatMap(({ id, within }) => (within ? [[id, within]] : [])));
}

/** What is taught ahead of next time, by itself. */
function prepareBlocks({ course, planned, next, library }: LessonSource): Draft[] {
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
  const used = drafts.reduce((sum, { tenths }) => sum + tenths, 0);
  const spare = total - used;
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

/** One quality an evening: none beside a quality that is itself introduced. */
function qualityOfLesson({ planned, library }: LessonSource): Quality | undefined {
  const fresh = Object.keys(planned.minutes).flatMap(id => library.patterns.get(id) ?? []);
  return fresh.some(({ kind }) => kind === 'quality') ? undefined : qualityOfEvening(fresh, library.dances);
}

function layersOf(
  { library, course }: LessonSource,
  id: string,
  minutes: number,
  quality: Quality | undefined,
): LessonLayer[] {
  const pattern = library.patterns.get(id);
  if (!pattern) return [];
  const isDancedWith = quality && pattern.tracks?.some(track => track.quality === quality.id);
  const layers = teachingLayers(pattern, {
    approach: course.approach,
    isPair: library.dances.get(pattern.dance)?.roles !== 'solo',
    bothRoles: course.roles === 'both',
    ...(isDancedWith && { quality: quality.name }),
  });
  const parts = shareOut(
    minutes * 6,
    layers.map(({ weight }) => weight),
  );
  return layers.map(({ title }, index) => ({ title, seconds: (parts[index] ?? 0) * 10 }));
}

function clock(start: string | undefined, minutes: number): string {
  const [hours = 0, offset = 0] = start === undefined ? [] : start.split(':').map(Number);
  const total = hours * 60 + offset + minutes;
  const pad = (value: number) => String(value).padStart(2, '0');
  return `${pad(Math.floor(total / 60) % 24)}:${pad(total % 60)}`;
}
