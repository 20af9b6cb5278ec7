// A plan under search: where each item lies, with the minutes of each lesson kept up to date by each move.
// A move costs O(elements of the item × lessons); the energy is O(lessons).

import { entryAt } from '../model/entry-at.ts';
import type { CompiledPlan } from './compile.ts';
import { MEND_WEIGHTS } from './judge.ts';
import { doBlur } from './look-alikes.ts';
import { LEVEL_SLACK_MINUTES, type Placed } from './problem.ts';

export const LEFT = -1;

export interface Energy {
  /** Points of the published cost; in a mend as a mend counts them (`planRank`). */
  readonly rank: number;
  /** Tenths over capacity, and 50 for each quality too many. */
  readonly excess: number;
}

export class SearchState {
  readonly at: Int32Array;
  private readonly plan: CompiledPlan;
  private readonly newMinutes: Float64Array;
  private readonly reviewMinutes: Float64Array;
  private readonly uses: Int32Array;
  /** The lesson that pays for each element. */
  private readonly paidIn: Int32Array;
  private readonly kinds: Int32Array;
  private left: number;
  private lookalikes = 0;
  private moved = 0;
  private readonly undoItems: number[] = [];
  private readonly undoLessons: number[] = [];

  constructor(plan: CompiledPlan) {
    this.plan = plan;
    this.at = new Int32Array(plan.itemCount).fill(LEFT);
    this.newMinutes = new Float64Array(plan.lessonCount + 6);
    this.reviewMinutes = new Float64Array(plan.lessonCount + 6);
    this.uses = new Int32Array(plan.elementCount * plan.lessonCount);
    this.paidIn = new Int32Array(plan.elementCount).fill(LEFT);
    this.kinds = new Int32Array(plan.lessonCount * 5);
    this.left = plan.leftCost.reduce((sum, cost) => sum + cost, 0);
    for (let item = 0; item < plan.itemCount; item += 1) this.moved += this.movedCost(item);
  }

  /** Puts an item into a lesson, or out with `LEFT`, and remembers it for `rollback`. */
  put(item: number, lesson: number): void {
    this.undoItems.push(item);
    this.undoLessons.push(entryAt(this.at, item));
    this.set(item, lesson);
  }

  /** Makes everything put since the last commit stand. */
  commit(): void {
    this.undoItems.length = 0;
    this.undoLessons.length = 0;
  }

  rollback(): void {
    while (this.undoItems.length > 0)
      this.set(this.undoItems.pop() as number, this.undoLessons.pop() as number);
  }

  touched(): number {
    return this.undoItems.length;
  }

  energy(): Energy {
    const { plan, newMinutes, reviewMinutes, kinds } = this;
    const { weights, taught, last, lessonCount, share, capacity } = plan;
    let total = 0;
    for (let t = taught; t < last; t += 1) total += entryAt(newMinutes, t);
    let overSum = 0;
    let overMax = 0;
    let short = 0;
    let excess = 0;
    for (let t = taught; t < lessonCount; t += 1) {
      const minutes = entryAt(newMinutes, t);
      const full = minutes + entryAt(reviewMinutes, t) - entryAt(capacity, t);
      if (full > 0) excess += full;
      if (t >= last) continue;
      const over = (minutes - entryAt(share, t) * total) / 10 - LEVEL_SLACK_MINUTES;
      if (over > 0) {
        overSum += over;
        if (over > overMax) overMax = over;
      }
      const here = t * 5;
      const kindCount = (kinds[here] ? 1 : 0) + (kinds[here + 1] ? 1 : 0) + (kinds[here + 2] ? 1 : 0);
      if (kindCount < 2) short += 2 - kindCount;
      const qualities = entryAt(kinds, here + 3);
      if (qualities > 1) excess += 50 * (qualities - 1);
    }
    const rest =
      weights.level * overSum +
      weights.largest * overMax +
      weights.mix * short +
      weights.lookalike * this.lookalikes;
    const rank =
      taught === 0
        ? this.left + rest + this.moved
        : this.left * MEND_WEIGHTS.left + this.moved * MEND_WEIGHTS.moved + rest;
    return { rank, excess };
  }

  placed(): Placed {
    const entries = this.plan.problem.items.flatMap(({ id }, item) =>
      this.at[item] === LEFT ? [] : [[id, entryAt(this.at, item) + 1] as const],
    );
    return Object.fromEntries(entries);
  }

  private set(item: number, lesson: number): void {
    const { plan } = this;
    const before = entryAt(this.at, item);
    if (before === lesson) return;
    this.lookalikes -= this.badPairs(item);
    this.moved -= this.movedCost(item);
    if (before === LEFT) this.left -= entryAt(plan.leftCost, item);
    else this.fill(item, before, -1);
    this.at[item] = lesson;
    if (lesson === LEFT) this.left += entryAt(plan.leftCost, item);
    else this.fill(item, lesson, 1);
    this.lookalikes += this.badPairs(item);
    this.moved += this.movedCost(item);
  }

  private fill(item: number, lesson: number, sign: 1 | -1): void {
    const { plan, newMinutes, reviewMinutes } = this;
    const { loads, lessonCount } = plan;
    const end = entryAt(loads.from, item + 1);
    for (let index = entryAt(loads.from, item); index < end; index += 1) {
      const target = loads.isReview[index] ? reviewMinutes : newMinutes;
      const at = lesson + entryAt(loads.after, index);
      if (at < lessonCount) target[at] = entryAt(target, at) + sign * entryAt(loads.minutes, index);
    }
    const kind = lesson * 5 + entryAt(plan.kind, item);
    this.kinds[kind] = entryAt(this.kinds, kind) + sign;
    const elements = entryAt(plan.elements, item);
    for (let index = 0; index < elements.length; index += 1) this.use(entryAt(elements, index), lesson, sign);
  }

  /** An element is paid for in the lesson of its first use; in an open course in each by itself. */
  private use(element: number, lesson: number, sign: 1 | -1): void {
    const { plan, newMinutes, uses, paidIn } = this;
    const row = element * plan.lessonCount;
    const minutes = entryAt(plan.elementMinutes, element);
    const count = entryAt(uses, row + lesson) + sign;
    uses[row + lesson] = count;
    if (plan.open) {
      if (count === (sign === 1 ? 1 : 0)) newMinutes[lesson] = entryAt(newMinutes, lesson) + sign * minutes;
      return;
    }
    const before = entryAt(paidIn, element);
    let after = before;
    if (sign === 1 && (before === LEFT || lesson < before)) after = lesson;
    else if (sign === -1 && lesson === before && count === 0) {
      after = lesson + 1;
      while (after < plan.lessonCount && uses[row + after] === 0) after += 1;
      if (after === plan.lessonCount) after = LEFT;
    }
    if (after === before) return;
    paidIn[element] = after;
    if (before !== LEFT) newMinutes[before] = entryAt(newMinutes, before) - minutes;
    if (after !== LEFT) newMinutes[after] = entryAt(newMinutes, after) + minutes;
  }

  private badPairs(item: number): number {
    const { plan, at } = this;
    const lesson = entryAt(at, item);
    if (lesson === LEFT) return 0;
    let bad = 0;
    for (const partner of entryAt(plan.partners, item)) {
      const other = entryAt(at, partner);
      if (other === LEFT || (lesson < plan.taught && other < plan.taught)) continue;
      if (doBlur(plan.apart, lesson, other)) bad += 1;
    }
    return bad;
  }

  private movedCost(item: number): number {
    const { plan, at } = this;
    const before = entryAt(plan.published, item);
    return before === LEFT || plan.isTaught[item] || before === at[item] ? 0 : plan.weights.moved;
  }
}
