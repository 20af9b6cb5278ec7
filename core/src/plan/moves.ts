// The moves of the search. Each keeps needs and windows: what a move would break it takes along
// (needs are pulled earlier, dependents pushed later or dropped), or it gives up.
import { entryAt, numberAt } from '../model/entry-at.ts';
import type { CompiledPlan } from './compile.ts';
import type { SearchState } from './search-state.ts';
import { LEFT } from './snapshot.ts';

const MAX_TOUCHED = 24;

/** Lays an item into a lesson with all that it needs before it and all that needs it after it. */
export function layInto(plan: CompiledPlan, state: SearchState, item: number, lesson: number): boolean {
  if (!plan.mayHave[item * plan.lessonCount + lesson] || state.touched() > MAX_TOUCHED) return false;
  state.put(item, lesson);
  for (const need of entryAt(plan.needs, item)) {
    if (isMet(plan, state, need, lesson)) continue;
    const latest = lesson - (plan.open ? 0 : numberAt(plan.delay, need));
    const target = plan.open
      ? mayHave(plan, need, lesson)
        ? lesson
        : LEFT
      : latestAllowed(plan, need, latest);
    if (target === LEFT || !layInto(plan, state, need, target)) return false;
  }
  for (const dependent of entryAt(plan.dependents, item)) {
    const there = numberAt(state.at, dependent);
    if (there === LEFT || plan.isTaught[dependent] || isMet(plan, state, item, there)) continue;
    const earliest = lesson + (plan.open ? 0 : numberAt(plan.delay, item));
    const target = plan.open
      ? mayHave(plan, dependent, lesson)
        ? lesson
        : LEFT
      : earliestAllowed(plan, dependent, earliest);
    if (target === LEFT ? !takeOut(plan, state, dependent) : !layInto(plan, state, dependent, target))
      return false;
  }
  return true;
}

/** Leaves an item out with all that needs it; false when one of them may not be left out. */
export function takeOut(plan: CompiledPlan, state: SearchState, item: number): boolean {
  if (!plan.mayLeave[item]) return false;
  state.put(item, LEFT);
  for (const dependent of entryAt(plan.dependents, item))
    if (state.at[dependent] !== LEFT && !plan.isTaught[dependent] && !takeOut(plan, state, dependent))
      return false;
  return true;
}

/** One random move, applied but not committed; false when it came to nothing. */
export function tryMove(plan: CompiledPlan, state: SearchState, random: () => number): boolean {
  const pick = (count: number) => Math.floor(random() * count);
  if (plan.aheadable.length > 0 && random() < TEACH_AHEAD) {
    const element = numberAt(plan.aheadable, pick(plan.aheadable.length));
    state.putAhead(element, 1 - state.isAhead(element));
    return true;
  }
  const item = pick(plan.itemCount);
  const domain = entryAt(plan.domain, item);
  if (domain.length === 0 || plan.isTaught[item]) return false;
  const here = numberAt(state.at, item);
  const lesson = numberAt(domain, pick(domain.length));
  const choice = random();
  if (plan.hasWays && here !== LEFT && choice < OPEN_A_WAY && state.stuckLessons(item) > 0)
    return openWay(plan, state, item, random);
  if (here === LEFT) {
    if (choice < 0.5 && !dropSomething(plan, state, random, lesson)) return false;
    return layInto(plan, state, item, lesson);
  }
  if (choice < 0.45) return lesson !== here && layInto(plan, state, item, lesson);
  if (choice < 0.75) return swap(plan, state, item, pick(plan.itemCount));
  if (choice < 0.87) return moveBlock(plan, state, item, lesson, random);
  if (choice < 0.93) return takeOut(plan, state, item);
  const published = numberAt(plan.published, item);
  if (published !== LEFT) return published !== here && layInto(plan, state, item, published);
  return lesson !== here && layInto(plan, state, item, lesson);
}

const OPEN_A_WAY = 0.3;
const TEACH_AHEAD = 0.05;

/** Lays what would open a stuck item into its lesson, or the item into the lesson of what opens it. */
function openWay(plan: CompiledPlan, state: SearchState, item: number, random: () => number): boolean {
  const ways = [...(plan.out[item] ?? []), ...(plan.in[item] ?? [])];
  const way = ways[Math.floor(random() * ways.length)];
  if (way === undefined || plan.isTaught[way]) return false;
  const [here, there] = [numberAt(state.at, item), numberAt(state.at, way)];
  if (there !== LEFT && there > here && random() < 0.5) return layInto(plan, state, item, there);
  return there !== here && layInto(plan, state, way, here);
}

function swap(plan: CompiledPlan, state: SearchState, item: number, other: number): boolean {
  const [here, there] = [numberAt(state.at, item), numberAt(state.at, other)];
  if (here === there || there === LEFT || plan.isTaught[other]) return false;
  return layInto(plan, state, item, there) && state.at[other] === there && layInto(plan, state, other, here);
}

/** Moves an item and its lesson-mates that share one of its elements together. */
function moveBlock(
  plan: CompiledPlan,
  state: SearchState,
  item: number,
  lesson: number,
  random: () => number,
): boolean {
  const elements = entryAt(plan.elements, item);
  const here = numberAt(state.at, item);
  if (elements.length === 0 || lesson === here) return false;
  const element = numberAt(elements, Math.floor(random() * elements.length));
  for (let mate = 0; mate < plan.itemCount; mate += 1)
    if (state.at[mate] === here && entryAt(plan.elements, mate).includes(element))
      if (!layInto(plan, state, mate, lesson)) return false;
  return state.touched() > 0;
}

function dropSomething(
  plan: CompiledPlan,
  state: SearchState,
  random: () => number,
  lesson: number,
): boolean {
  const start = Math.floor(random() * plan.itemCount);
  for (let step = 0; step < plan.itemCount; step += 1) {
    const item = (start + step) % plan.itemCount;
    if (state.at[item] === lesson && plan.mayLeave[item]) return takeOut(plan, state, item);
  }
  return true;
}

function isMet(plan: CompiledPlan, state: SearchState, need: number, lesson: number): boolean {
  const at = numberAt(state.at, need);
  if (at === LEFT) return false;
  return plan.open ? at === lesson : at + numberAt(plan.delay, need) <= lesson;
}

function mayHave(plan: CompiledPlan, item: number, lesson: number): boolean {
  return plan.mayHave[item * plan.lessonCount + lesson] === 1;
}

function latestAllowed(plan: CompiledPlan, item: number, latest: number): number {
  const domain = entryAt(plan.domain, item);
  for (let index = domain.length - 1; index >= 0; index -= 1)
    if (numberAt(domain, index) <= latest) return numberAt(domain, index);
  return LEFT;
}

function earliestAllowed(plan: CompiledPlan, item: number, earliest: number): number {
  return entryAt(plan.domain, item).find(lesson => lesson >= earliest) ?? LEFT;
}
