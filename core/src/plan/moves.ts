// The moves of the search. Each keeps needs and windows: what a move would break it takes along
// (needs are pulled earlier, dependents pushed later or dropped), or it gives up.
import type { CompiledPlan } from './compile.ts';
import { LEFT, type SearchState } from './search-state.ts';

const MAX_TOUCHED = 24;

/** Lays an item into a lesson with all that it needs before it and all that needs it after it. */
export function layInto(plan: CompiledPlan, state: SearchState, item: number, lesson: number): boolean {
  if (!plan.mayHave[item * plan.lessonCount + lesson] || state.touched() > MAX_TOUCHED) return false;
  state.put(item, lesson);
  for (const need of plan.needs[item] as Int32Array) {
    if (isMet(plan, state, need, lesson)) continue;
    const latest = lesson - (plan.open ? 0 : (plan.delay[need] as number));
    const target = plan.open
      ? mayHave(plan, need, lesson)
        ? lesson
        : LEFT
      : latestAllowed(plan, need, latest);
    if (target === LEFT || !layInto(plan, state, need, target)) return false;
  }
  for (const dependent of plan.dependents[item] as Int32Array) {
    const there = state.at[dependent] as number;
    if (there === LEFT || plan.isTaught[dependent] || isMet(plan, state, item, there)) continue;
    const earliest = lesson + (plan.open ? 0 : (plan.delay[item] as number));
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
  for (const dependent of plan.dependents[item] as Int32Array)
    if (state.at[dependent] !== LEFT && !plan.isTaught[dependent] && !takeOut(plan, state, dependent))
      return false;
  return true;
}

/** One random move, applied but not committed; false when it came to nothing. */
export function tryMove(plan: CompiledPlan, state: SearchState, random: () => number): boolean {
  const pick = (count: number) => Math.floor(random() * count);
  const item = pick(plan.itemCount);
  const domain = plan.domain[item] as Int32Array;
  if (domain.length === 0 || plan.isTaught[item]) return false;
  const here = state.at[item] as number;
  const lesson = domain[pick(domain.length)] as number;
  const choice = random();
  if (here === LEFT) {
    if (choice < 0.5 && !dropSomething(plan, state, random, lesson)) return false;
    return layInto(plan, state, item, lesson);
  }
  if (choice < 0.45) return lesson !== here && layInto(plan, state, item, lesson);
  if (choice < 0.75) return swap(plan, state, item, pick(plan.itemCount));
  if (choice < 0.87) return moveBlock(plan, state, item, lesson, random);
  if (choice < 0.93) return takeOut(plan, state, item);
  const published = plan.published[item] as number;
  if (published !== LEFT) return published !== here && layInto(plan, state, item, published);
  return lesson !== here && layInto(plan, state, item, lesson);
}

function swap(plan: CompiledPlan, state: SearchState, item: number, other: number): boolean {
  const [here, there] = [state.at[item] as number, state.at[other] as number];
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
  const elements = plan.elements[item] as Int32Array;
  const here = state.at[item] as number;
  if (elements.length === 0 || lesson === here) return false;
  const element = elements[Math.floor(random() * elements.length)] as number;
  for (let mate = 0; mate < plan.itemCount; mate += 1)
    if (state.at[mate] === here && (plan.elements[mate] as Int32Array).includes(element))
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
  const at = state.at[need] as number;
  if (at === LEFT) return false;
  return plan.open ? at === lesson : at + (plan.delay[need] as number) <= lesson;
}

function mayHave(plan: CompiledPlan, item: number, lesson: number): boolean {
  return plan.mayHave[item * plan.lessonCount + lesson] === 1;
}

function latestAllowed(plan: CompiledPlan, item: number, latest: number): number {
  const domain = plan.domain[item] as Int32Array;
  for (let index = domain.length - 1; index >= 0; index -= 1)
    if ((domain[index] as number) <= latest) return domain[index] as number;
  return LEFT;
}

function earliestAllowed(plan: CompiledPlan, item: number, earliest: number): number {
  return (plan.domain[item] as Int32Array).find(lesson => lesson >= earliest) ?? LEFT;
}
