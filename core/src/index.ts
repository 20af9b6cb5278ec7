export { type FileFault, readDocument, readJson, readShape } from './interchange/read-json.ts';
export { findJsonFault, MAX_DEPTH } from './interchange/scan-json.ts';
export { costWeights as costWeightsSchema, log as logSchema } from './interchange/schema.ts';
export { addDays, daysBetween, shiftDates } from './interchange/shift-dates.ts';
export { writeDocument } from './interchange/write-json.ts';
export { CAUTION_NOTICE, CAUTIONS, cautionsOf } from './lesson/cautions.ts';
export { type ClassPlan, planClass } from './lesson/class-plan.ts';
export { type ClassProgress, classProgress, lessonsBehind, standingLogs } from './lesson/progress.ts';
export { draftRecap, type RecapSource } from './lesson/recap-draft.ts';
export {
  type BlockKind,
  type LessonBlock,
  type LessonLayer,
  type RunningOrder,
  runningOrder,
} from './lesson/running-order.ts';
export { checkDocument, type DocumentCheck } from './library/check-document.ts';
export { byId, type Library, type Material, openLibrary } from './library/library.ts';
export { assemblyMinutes } from './likeness/assembly.ts';
export { type DerivedElement, figureElements } from './likeness/elements.ts';
export type {
  Approach,
  Attendance,
  Audience,
  BeatsText,
  Check,
  Combination,
  Contact,
  CostWeights,
  Course,
  CourseItem,
  CourseLesson,
  Dance,
  Element,
  FixedBlocks,
  Floor,
  Hold,
  HoldAt,
  Holiday,
  ItemValue,
  Json,
  Layer,
  Level,
  Log,
  LogResult,
  Mark,
  NaturalPart,
  Parts,
  Pattern,
  PatternKind,
  PatternMark,
  Person,
  Placement,
  PlanVersion,
  Recap,
  RhythmText,
  Role,
  Room,
  Section,
  Split,
  Strand,
  Student,
  Studio,
  StudioDocument,
  TempoRange,
  WeightClass,
} from './model/document.ts';
export { parseBeats, printBeats } from './model/fraction.ts';
export type { CheckCode, Issue, Severity } from './model/issue.ts';
export { failure, type Result, success } from './model/result.ts';
export { CoreError, type Tenths, TICKS_PER_BEAT, type Ticks, ticks } from './model/units.ts';
export { describePlan, type PlanAnswer, type PlanBudget, solvePlan } from './plan/answer.ts';
export { buildPlanProblem, lessonCapacity } from './plan/build-problem.ts';
export { allowedLessons, lessonRule } from './plan/domain.ts';
export {
  type BrokenRule,
  type Judgement,
  judgePlan,
  type PlanCost,
  type PlannedLesson,
} from './plan/judge.ts';
export {
  COST_WEIGHTS,
  lastIntroducing,
  type Placed,
  type PlanItem,
  type PlanProblem,
} from './plan/problem.ts';
export { createPlanSearch, type PlanSearch, type SearchProgress } from './plan/search.ts';
export { findProblemFaults } from './plan/validate.ts';
export {
  danceBeats,
  type Figure,
  type FigurePart,
  type FigureReading,
  figureTurn,
  readFigure,
} from './steps/figure.ts';
export { findHold } from './steps/holds.ts';
export { printStep, type Step } from './steps/step.ts';
export { actionInWords, stepInWords, turnInWords } from './steps/words.ts';
export { slowQuickCall, type TimedStep, timedSteps } from './timing/calls.ts';
export { fitPhrase } from './timing/phrase.ts';
export { parseRhythm, type Rhythm, type RhythmEvent, type RhythmOptions } from './timing/rhythm.ts';
