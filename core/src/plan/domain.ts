import { lastIntroducing, type PlanItem, type PlanProblem, taughtLessons } from './problem.ts';

/** The reason why an item may not be introduced in a lesson, as the rule's name and in words. */
export interface LessonRule {
  readonly rule: 'taught' | 'pin' | 'window' | 'last' | 'gate' | 'dance' | 'split';
  readonly message: string;
}

/** The last lesson a gate item may come (joined, when split): two before the end, so that it is reviewed. */
export function gateLesson(problem: PlanProblem): number | undefined {
  const count = problem.lessons.length;
  return problem.open || count < 4 ? undefined : count - 2;
}

/**
 * Which rule, if any, keeps an item out of a lesson by itself, whatever else is placed. In a mend, lessons
 * already taught are closed, pins in them are dropped, and windows and gates that ended there are open.
 */
export function lessonRule(problem: PlanProblem, item: PlanItem, lesson: number): LessonRule | undefined {
  const taught = taughtLessons(problem);
  const taughtIn = problem.taught?.items[item.id];
  if (taughtIn !== undefined)
    return lesson === taughtIn ? undefined : { rule: 'taught', message: `was taught in lesson ${taughtIn}` };
  if (lesson <= taught) return { rule: 'taught', message: `lesson ${lesson} has been taught` };
  if (item.pin !== undefined && item.pin > taught && lesson !== item.pin)
    return { rule: 'pin', message: `is pinned to lesson ${item.pin}` };
  const last = lastIntroducing(problem);
  if (lesson > last) return { rule: 'last', message: 'the last lesson introduces nothing' };
  if (item.allowed && !item.allowed.includes(lesson))
    return { rule: 'dance', message: `lesson ${lesson} is not of its dance` };
  if (item.from !== undefined && lesson < item.from)
    return { rule: 'window', message: `may not come before lesson ${item.from}` };
  if (item.to !== undefined && item.to > taught && lesson > item.to)
    return { rule: 'window', message: `may not come after lesson ${item.to}` };
  const joined = item.split ? lesson + 1 : lesson;
  if (joined > last) return { rule: 'split', message: 'takes two lessons and needs one more after this' };
  const gate = gateLesson(problem);
  const gateIsOpen = gate === undefined || gate <= taught || (item.split && gate <= taught + 1);
  if (item.gate && !gateIsOpen && joined > gate)
    return { rule: 'gate', message: `is checked at the end and must be taught by lesson ${gate}` };
  return undefined;
}

/** The lessons an item may be introduced in, by itself. */
export function allowedLessons(problem: PlanProblem, item: PlanItem): readonly number[] {
  return problem.lessons.flatMap((_, index) => (lessonRule(problem, item, index + 1) ? [] : [index + 1]));
}
