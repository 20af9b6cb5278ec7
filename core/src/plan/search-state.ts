// A plan under search: where each item lies, with the minutes of each lesson kept up to date by each move.
// A move costs O(elements of the item × lessons); the energy is O(lessons).

import { entryAt, numberAt } from '../model/entry-at.ts';
import type { CompiledPlan } from './compile.ts';
import { ElementMinutes } from './element-minutes.ts';
import { MEND_WEIGHTS } from './judge.ts';
import { doBlur } from './look-alikes.ts';
import { LEVEL_SLACK_MINUTES, type Placing } from './problem.ts';
import { LEFT, placingOf, type Snapshot } from './snapshot.ts';

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
  private readonly elements: ElementMinutes;
  private readonly kinds: Int32Array;
  /** How many items dance item i within them in lesson t, at i × lessons + t. */
  private readonly within: Int32Array;
  private left: number;
  private lookalikes = 0;
  private moved = 0;
  private stuck = 0;
  private order = 0;
  private readonly undoItems: number[] = [];
  private readonly undoLessons: number[] = [];

  constructor(plan: CompiledPlan) {
    this.plan = plan;
    this.at = new Int32Array(plan.itemCount).fill(LEFT);
    this.newMinutes = new Float64Array(plan.lessonCount + 6);
    this.reviewMinutes = new Float64Array(plan.lessonCount + 6);
    this.elements = new ElementMinutes(plan, this.newMinutes);
    this.kinds = new Int32Array(plan.lessonCount * 5);
    this.within = new Int32Array(plan.hasAlong ? plan.itemCount * plan.lessonCount : 0);
    this.left = plan.leftCost.reduce((sum, cost) => sum + cost, 0);
    for (let item = 0; item < plan.itemCount; item += 1) this.moved += this.movedCost(item);
  }

  /** Puts an item into a lesson, or out with `LEFT`, and remembers it for `rollback`. */
  put(item: number, lesson: number): void {
    this.undoItems.push(item);
    this.undoLessons.push(numberAt(this.at, item));
    this.set(item, lesson);
  }

  /** Teaches an element ahead, or with its figure, and remembers it for `rollback`. */
  putAhead(element: number, isAhead: number): void {
    this.undoItems.push(~element);
    this.undoLessons.push(this.elements.isAhead(element));
    this.elements.setAhead(element, isAhead);
  }

  isAhead(element: number): number {
    return this.elements.isAhead(element);
  }

  /** Makes everything put since the last commit stand. */
  commit(): void {
    this.undoItems.length = 0;
    this.undoLessons.length = 0;
  }

  rollback(): void {
    while (this.undoItems.length > 0) {
      const item = this.undoItems.pop() as number;
      const before = this.undoLessons.pop() as number;
      if (item < 0) this.elements.setAhead(~item, before);
      else this.set(item, before);
    }
  }

  touched(): number {
    return this.undoItems.length;
  }

  energy(): Energy {
    const { plan, newMinutes, reviewMinutes, kinds } = this;
    const { weights, taught, last, lessonCount, share, capacity } = plan;
    let total = 0;
    for (let t = taught; t < last; t += 1) total += numberAt(newMinutes, t);
    let overSum = 0;
    let overMax = 0;
    let short = 0;
    let excess = 0;
    for (let t = taught; t < lessonCount; t += 1) {
      const minutes = numberAt(newMinutes, t);
      const full = minutes + numberAt(reviewMinutes, t) - numberAt(capacity, t);
      if (full > 0) excess += full;
      if (t >= last) continue;
      const over = (minutes - numberAt(share, t) * total) / 10 - LEVEL_SLACK_MINUTES;
      if (over > 0) {
        overSum += over;
        if (over > overMax) overMax = over;
      }
      const here = t * 5;
      const kindCount = (kinds[here] ? 1 : 0) + (kinds[here + 1] ? 1 : 0) + (kinds[here + 2] ? 1 : 0);
      if (kindCount < 2) short += 2 - kindCount;
      const qualities = numberAt(kinds, here + 3);
      if (qualities > 1) excess += 50 * (qualities - 1);
    }
    const rest =
      weights.level * overSum +
      weights.largest * overMax +
      weights.mix * short +
      weights.lookalike * this.lookalikes +
      weights.stuck * this.stuck +
      weights.order * this.order +
      weights.ahead * this.elements.aheadCount;
    const rank =
      taught === 0
        ? this.left + rest + this.moved
        : this.left * MEND_WEIGHTS.left + this.moved * MEND_WEIGHTS.moved + rest;
    return { rank, excess };
  }

  placing(): Placing {
    return placingOf(this.plan, this.snapshot());
  }

  snapshot(): Snapshot {
    return { at: [...this.at], ahead: this.elements.wanted() };
  }

  private set(item: number, lesson: number): void {
    const { plan } = this;
    const before = numberAt(this.at, item);
    if (before === lesson) return;
    this.lookalikes -= this.badPairs(item);
    this.moved -= this.movedCost(item);
    if (plan.hasWays) this.stuck -= this.stuckAround(item);
    if (plan.hasOrder) this.order -= this.outOfOrder(item);
    if (before === LEFT) this.left -= numberAt(plan.leftCost, item);
    else this.fill(item, before, -1);
    this.at[item] = lesson;
    if (lesson === LEFT) this.left += numberAt(plan.leftCost, item);
    else this.fill(item, lesson, 1);
    if (plan.hasAlong) {
      this.takeAlong(item, before, -1);
      this.takeAlong(item, lesson, 1);
    }
    this.lookalikes += this.badPairs(item);
    this.moved += this.movedCost(item);
    if (plan.hasWays) this.stuck += this.stuckAround(item);
    if (plan.hasOrder) this.order += this.outOfOrder(item);
  }

  private outOfOrder(item: number): number {
    const lesson = numberAt(this.at, item);
    return lesson === LEFT ? 0 : numberAt(this.plan.order, item * this.plan.lessonCount + lesson);
  }

  /** In how many lessons an item is stuck, and those that it opens a way for. */
  private stuckAround(item: number): number {
    let lessons = this.stuckLessons(item);
    for (const other of entryAt(this.plan.opens, item)) lessons += this.stuckLessons(other);
    return lessons;
  }

  /** In how many lessons still to come an item is stuck. */
  stuckLessons(item: number): number {
    const { plan, at } = this;
    const lesson = numberAt(at, item);
    if (lesson === LEFT) return 0;
    const from = Math.max(lesson + numberAt(plan.delay, item), plan.taught);
    const until = Math.max(this.opened(plan.out[item]), this.opened(plan.in[item]));
    return Math.max(0, until - from);
  }

  /** The first lesson that has one of these ways; one after the last where none has. */
  private opened(ways: Int32Array | undefined): number {
    if (!ways) return 0;
    const { plan, at } = this;
    let first = plan.lessonCount;
    for (let index = 0; index < ways.length; index += 1) {
      const way = numberAt(ways, index);
      const lesson = numberAt(at, way);
      if (lesson === LEFT) continue;
      const joined = lesson + numberAt(plan.delay, way);
      if (joined < first) first = joined;
    }
    return first;
  }

  private fill(item: number, lesson: number, sign: 1 | -1): void {
    const { plan, newMinutes, reviewMinutes } = this;
    const { loads, lessonCount } = plan;
    const end = numberAt(loads.from, item + 1);
    for (let index = numberAt(loads.from, item); index < end; index += 1) {
      const target = loads.isReview[index] ? reviewMinutes : newMinutes;
      const at = lesson + numberAt(loads.after, index);
      if (at >= lessonCount) continue;
      const isWithin = plan.hasAlong && numberAt(this.within, item * lessonCount + at) > 0;
      const minutes = numberAt(loads.minutes, index) - (isWithin ? numberAt(loads.saved, index) : 0);
      target[at] = numberAt(target, at) + sign * minutes;
    }
    const kind = lesson * 5 + numberAt(plan.kind, item);
    this.kinds[kind] = numberAt(this.kinds, kind) + sign;
    const elements = entryAt(plan.elements, item);
    for (let index = 0; index < elements.length; index += 1)
      this.elements.use(numberAt(elements, index), lesson, sign);
  }

  /** What an item needs is danced within it in its own lesson and where it is reviewed. */
  private takeAlong(item: number, lesson: number, sign: 1 | -1): void {
    if (lesson === LEFT) return;
    const { plan } = this;
    const needs = entryAt(plan.takesAlong, item);
    if (needs.length === 0) return;
    this.danceWithin(needs, lesson, sign);
    const { loads } = plan;
    const end = numberAt(loads.from, item + 1);
    for (let index = numberAt(loads.from, item); index < end; index += 1)
      if (loads.isReview[index]) this.danceWithin(needs, lesson + numberAt(loads.after, index), sign);
  }

  private danceWithin(needs: Int32Array, lesson: number, sign: 1 | -1): void {
    const { plan, within, reviewMinutes } = this;
    if (lesson >= plan.lessonCount) return;
    for (let index = 0; index < needs.length; index += 1) {
      const need = numberAt(needs, index);
      const at = need * plan.lessonCount + lesson;
      const before = numberAt(within, at);
      within[at] = before + sign;
      if (before + sign === (sign === 1 ? 1 : 0))
        reviewMinutes[lesson] = numberAt(reviewMinutes, lesson) - sign * this.savedIn(need, lesson);
    }
  }

  /** What the review of an item in a lesson saves, where it has one there. */
  private savedIn(item: number, lesson: number): number {
    const there = numberAt(this.at, item);
    if (there === LEFT) return 0;
    const { loads } = this.plan;
    const end = numberAt(loads.from, item + 1);
    for (let index = numberAt(loads.from, item); index < end; index += 1)
      if (loads.isReview[index] && there + numberAt(loads.after, index) === lesson)
        return numberAt(loads.saved, index);
    return 0;
  }

  private badPairs(item: number): number {
    const { plan, at } = this;
    const lesson = numberAt(at, item);
    if (lesson === LEFT) return 0;
    let bad = 0;
    for (const partner of entryAt(plan.partners, item)) {
      const other = numberAt(at, partner);
      if (other === LEFT || (lesson < plan.taught && other < plan.taught)) continue;
      if (doBlur(plan.apart, lesson, other)) bad += 1;
    }
    return bad;
  }

  private movedCost(item: number): number {
    const { plan, at } = this;
    const before = numberAt(plan.published, item);
    return before === LEFT || plan.isTaught[item] || before === at[item] ? 0 : plan.weights.moved;
  }
}
