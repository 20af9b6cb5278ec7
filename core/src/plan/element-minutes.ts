// What elements take in a plan under search: each is paid for once, in the lesson of its first use or the one before.
import { numberAt } from '../model/entry-at.ts';
import type { CompiledPlan } from './compile.ts';
import { LEFT } from './snapshot.ts';

export class ElementMinutes {
  /** How many elements are taught ahead. */
  aheadCount = 0;
  private readonly plan: CompiledPlan;
  /** The new minutes of each lesson, of which elements are a part. */
  private readonly newMinutes: Float64Array;
  private readonly uses: Int32Array;
  private readonly firstUse: Int32Array;
  /** 1 for an element that is to be taught ahead where it can. */
  private readonly ahead: Uint8Array;

  constructor(plan: CompiledPlan, newMinutes: Float64Array) {
    this.plan = plan;
    this.newMinutes = newMinutes;
    this.uses = new Int32Array(plan.elementCount * plan.lessonCount);
    this.firstUse = new Int32Array(plan.elementCount).fill(LEFT);
    this.ahead = new Uint8Array(plan.elementCount);
  }

  isAhead(element: number): number {
    return numberAt(this.ahead, element);
  }

  wanted(): readonly number[] {
    return [...this.ahead];
  }

  setAhead(element: number, isAhead: number): void {
    if (!this.plan.mayAhead[element] || this.ahead[element] === isAhead) return;
    this.pay(element, -1);
    this.ahead[element] = isAhead;
    this.pay(element, 1);
  }

  /** One use more or less in a lesson; in an open course each lesson pays by itself. */
  use(element: number, lesson: number, sign: 1 | -1): void {
    const { plan, newMinutes, uses, firstUse } = this;
    const row = element * plan.lessonCount;
    const count = numberAt(uses, row + lesson) + sign;
    uses[row + lesson] = count;
    if (plan.open) {
      if (count === (sign === 1 ? 1 : 0))
        newMinutes[lesson] = numberAt(newMinutes, lesson) + sign * numberAt(plan.elementMinutes, element);
      return;
    }
    const before = numberAt(firstUse, element);
    let after = before;
    if (sign === 1 && (before === LEFT || lesson < before)) after = lesson;
    else if (sign === -1 && lesson === before && count === 0) {
      after = lesson + 1;
      while (after < plan.lessonCount && uses[row + after] === 0) after += 1;
      if (after === plan.lessonCount) after = LEFT;
    }
    if (after === before) return;
    this.pay(element, -1);
    firstUse[element] = after;
    this.pay(element, 1);
  }

  private pay(element: number, sign: 1 | -1): void {
    const { plan, newMinutes } = this;
    const first = numberAt(this.firstUse, element);
    if (first === LEFT) return;
    const isAhead = this.ahead[element] === 1 && first > plan.taught;
    if (isAhead) this.aheadCount += sign;
    const lesson = isAhead ? first - 1 : first;
    newMinutes[lesson] = numberAt(newMinutes, lesson) + sign * numberAt(plan.elementMinutes, element);
  }
}
