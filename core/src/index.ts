export {
  type Agreement,
  markerAgreement,
  needsCalibration,
  TOLERANCE,
  weightedKappa,
} from './check/agreement.ts';
export { averageMark } from './check/average-mark.ts';
export { checkCandidates, newestCheck } from './check/candidates.ts';
export {
  type ItemResult,
  itemResults,
  type LayerResult,
  layerResults,
  notTaught,
  TAUGHT_SHARE,
} from './check/class-result.ts';
export { type Criterion, generateCriteria, LAYERS, layersFor } from './check/criteria.ts';
export { type Forecast, forecastLevel } from './check/forecast.ts';
export { markingShare, SHARED_STUDENTS } from './check/marking-share.ts';
export { openSecondLooks, partnersSeen, type SecondLook } from './check/observations.ts';
export { type Candidate, movedSince, PASS_SHARE, type Readiness, readiness } from './check/readiness.ts';
export { type ClassOfStudent, type StudentStory, storyInWords, studentStory } from './check/student-story.ts';
export { missingInWords, studentWords } from './check/student-words.ts';
export { type ClassPlan, MEND_BUDGET, planClass } from './class/class-plan.ts';
export { type Contradiction, findContradictions, type Witnessed } from './class/contradictions.ts';
export {
  type ClassEvent,
  type ClassEventKind,
  type EntryOf,
  EVENT_LISTS,
  endingWith,
  type Happenings,
  lessonOfEvent,
  signEvent,
  type UnsignedEvent,
  withEvents,
  withNewest,
} from './class/events.ts';
export { membersOn } from './class/members.ts';
export { missedFigures } from './class/missed.ts';
export {
  type ClassHistory,
  type ClassProgress,
  type ClassSoFar,
  classProgress,
  dancedBefore,
  lessonsBehind,
  lessonsOver,
  lessonsPassed,
  shakyFigures,
} from './class/progress.ts';
export { type BrokenPromise, brokenPromises } from './class/promises.ts';
export { findReversals, type Reversal } from './class/reversals.ts';
export { type FigureBeside, learnedAcross, sideBySide } from './class/side-by-side.ts';
export { isOnStaff, ownLessons } from './class/staff.ts';
export {
  type Cell,
  cellKey,
  standingLogs,
  standingMarks,
  standingNotes,
  standingPrepared,
} from './class/standing.ts';
export type { Body } from './couple/body-track.ts';
export { findWoundArms } from './couple/check-couple.ts';
export { type CoupleNumbers, coupleOnFloor, describeCouple } from './couple/describe-couple.ts';
export { findMend, makeStepKeep, rocksApart, rockTogether } from './couple/mend.ts';
export { readFigure } from './couple/read-figure.ts';
export { type DanceRoutes, type FigureRoute, figureRoute } from './couple/routes.ts';
export type { CouplePose } from './couple/together.ts';
export {
  beginEvening,
  type Evening,
  leftInBlock,
  lengthen,
  minutesAsItStands,
  nextBlock,
  pause,
  presentBlock,
  resume,
  takenIn,
} from './evening/evening.ts';
export { type EveningByLog, eveningByLog } from './evening/evening-by-log.ts';
export { type LearnedRatio, learnRatios, type TaughtFigure } from './evening/learned-minutes.ts';
export type {
  BlockKind,
  LessonBlock,
  LessonLayer,
  LessonSource,
  RunningOrder,
} from './evening/lesson-blocks.ts';
export { partnersIn, type Round } from './evening/rotation.ts';
export { runningOrder } from './evening/running-order.ts';
export { figuresForSong, type SongFit, tempoOfTaps } from './evening/songs.ts';
export { type Closure, figureClosure } from './floor/closure.ts';
export { type Footfall, figurePath, HALF_STANCE, type Point, type Track } from './floor/path.ts';
export { pathAfter } from './floor/path-after.ts';
export {
  couplesInRoom,
  type Footprint,
  footprint,
  KEEPS_PLACE,
  phraseTravel,
  REACH,
  type Travel,
  travel,
} from './floor/room.ts';
export {
  applyChanges,
  type Clash,
  changedFields,
  changesBetween,
  type FieldChange,
  readField,
  reverseChanges,
} from './history/changes.ts';
export { type CsvFault, type CsvRow, readCsv, writeCsv } from './interchange/csv.ts';
export { type FileFault, isBrokenText, readDocument, readJson, readShape } from './interchange/read-json.ts';
export { renamePerson } from './interchange/rename-person.ts';
export { findJsonFault, type JsonBounds, MAX_DEPTH } from './interchange/scan-json.ts';
export {
  attendance as attendanceSchema,
  check as checkSchema,
  combination as combinationSchema,
  costWeights as costWeightsSchema,
  course as courseSchema,
  dance as danceSchema,
  element as elementSchema,
  lessonNote as lessonNoteSchema,
  level as levelSchema,
  log as logSchema,
  logEntry as logEntrySchema,
  MOST_BLOCKS,
  mark as markSchema,
  markdown as markdownSchema,
  ofOne,
  pattern as patternSchema,
  person as personSchema,
  plan as planSchema,
  recap as recapSchema,
  room as roomSchema,
  section as sectionSchema,
  student as studentSchema,
  studio as studioSchema,
  unfinishedPattern,
} from './interchange/schema.ts';
export { shiftDates } from './interchange/shift-dates.ts';
export {
  type ColumnMapping,
  idsByName,
  type RowCells,
  type RowFault,
  readTable,
  type Table,
  type TableReading,
  type TableRow,
  tableRows,
  withIds,
} from './interchange/table.ts';
export {
  type CheckMarkRow,
  type CourseItemRow,
  ITEM_TABLE,
  MARK_TABLE,
  PATTERN_TABLE,
  STUDENT_TABLE,
  TABLE_NAMES,
  type TableName,
  writeTable,
} from './interchange/tables.ts';
export { writeDocument } from './interchange/write-json.ts';
export { type MidiSong, writeMidiFile } from './interchange/write-midi.ts';
export { writeSheetSvg } from './interchange/write-svg.ts';
export { checkDocument, type DocumentCheck, documentErrors } from './library/check-document.ts';
export { type BrokenFigure, checkFirstEntry, figuresBrokenBy } from './library/check-entry.ts';
export { createFigureChecker, type FigureIssue, findDanceRoutes } from './library/check-figures.ts';
export { circleThrough } from './library/check-needs.ts';
export { coupleAfter } from './library/couple-after.ts';
export {
  danceOn,
  type FigureJoin,
  findJoins,
  findJoinsOf,
  followsItself,
} from './library/dance-on.ts';
export { findFigureByName, writtenName } from './library/figure-names.ts';
export { type FigureIndex, type FigureWish, findFigures, indexFigures } from './library/find-figures.ts';
export { halvesOf, wholeOf } from './library/halves.ts';
export type { JoinFinding } from './library/join-words.ts';
export {
  type LevelPlace,
  type LevelPlaces,
  type LevelWay,
  levelPlaces,
  stuckAmong,
} from './library/level-places.ts';
export { type LevelRoute, levelRoutes } from './library/level-routes.ts';
export { byId, figureName, isOffered, type Library, type Material, openLibrary } from './library/library.ts';
export {
  figureJoins,
  figureLinks,
  findWayBack,
  type Join,
  type Links,
  linksOnOtherFoot,
  type MakeUp,
  turnsToMakeUp,
} from './library/links.ts';
export { type MadeFault, type MadeFields, writeMade } from './library/made.ts';
export {
  type MadeSpan,
  madeAnew,
  madeFolds,
  madeOf,
  madeSpans,
  type SheetFold,
} from './library/made-spans.ts';
export { printMadeText, readMadeText, suggestMade } from './library/made-text.ts';
export { findJoinMend } from './library/mend-join.ts';
export { type NeedsGraph, type NeedsNode, needsGraph } from './library/needs-graph.ts';
export {
  type ChangedRow,
  type FigurePreview,
  previewFigures,
} from './library/preview-figures.ts';
export type { AlignedPair, PairKind } from './likeness/align.ts';
export { assemblyMinutes } from './likeness/assembly.ts';
export {
  type Comparison,
  compareFigures,
  comparisonInWords,
  type Nearest,
  nearestFigures,
  type RoleComparison,
  type SameRange,
  sameRanges,
} from './likeness/compare.ts';
export {
  DIFFICULTY_WEIGHTS,
  type Difficulty,
  type DifficultyTerm,
  figureDifficulty,
  figuresOutOfOrder,
  type OutOfOrder,
} from './likeness/difficulty.ts';
export { type DerivedElement, figureElements } from './likeness/elements.ts';
export { type Granted, takenForGranted } from './likeness/granted.ts';
export { findMixedUp, type MixedUpPair, type SaidOf } from './likeness/mixed-up.ts';
export {
  type Opening,
  openingTree,
  sharedSteps,
  signalsBy,
} from './likeness/openings.ts';
export { type Ranks, rankByDifficulty, rankByNovelty } from './likeness/rank.ts';
export { type StillAnother, stillAnother } from './likeness/still-another.ts';
export { ELEMENT_BY_ITSELF, elementsOf, type TaughtElement } from './likeness/taught-elements.ts';
export { toldBeside } from './likeness/told-beside.ts';
export { type Danced, RECALL_AIM, recallOn } from './memory/recall.ts';
export { addDays, daysBetween, weekdayInWords } from './model/days.ts';
export type {
  Approach,
  Attendance,
  Audience,
  BeatsText,
  BodyPart,
  Check,
  Combination,
  CombinationStart,
  Contact,
  CostWeights,
  Course,
  CourseItem,
  CourseLesson,
  CutAt,
  Dance,
  Element,
  ElementLog,
  FigureLog,
  FixedBlocks,
  Floor,
  Hold,
  HoldAt,
  HoldPlace,
  Holiday,
  ItemValue,
  Json,
  Layer,
  LessonNote,
  Level,
  Log,
  LogResult,
  MadePiece,
  Mark,
  NaturalPart,
  Parts,
  Pattern,
  PatternKind,
  PatternMark,
  Person,
  Placement,
  PlanVersion,
  Quality,
  QualityLayer,
  QualityTrack,
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
  Touch,
  WeightClass,
} from './model/document.ts';
export { FORMAT } from './model/document.ts';
export { greatestCommonDivisor, parseBeats, printBeats } from './model/fraction.ts';
export { freeId } from './model/free-id.ts';
export { groupBy } from './model/group-by.ts';
export type { CheckCode, Issue, Severity } from './model/issue.ts';
export { needsOf } from './model/needs.ts';
export { NUMBER_WORDS } from './model/number-words.ts';
export { createRandom } from './model/random.ts';
export { failure, type Result, success } from './model/result.ts';
export { isTimeZone } from './model/time-zone.ts';
export {
  CoreError,
  printMetres,
  type Tenths,
  TICKS_PER_BEAT,
  type Ticks,
  tenths,
  ticks,
} from './model/units.ts';
export { hasWholeWords, wholeWords } from './model/whole-words.ts';
export { aheadLessons, mayComeAhead } from './plan/ahead.ts';
export { describePlan, type PlanAnswer, type PlanKnowledge } from './plan/answer.ts';
export { buildPlanProblem, lessonCapacity, taughtAsPlanned } from './plan/build-problem.ts';
export {
  addLesson,
  canDropLesson,
  changeItem,
  changeLesson,
  dropItem,
  dropLesson,
  dropSecondLook,
  placeItems,
  takeSpareUse,
  takeWhatIf,
  withBlock,
} from './plan/course-changes.ts';
export {
  type AheadMoves,
  aheadDifferences,
  countDifferences,
  differences,
  moveAhead,
} from './plan/differences.ts';
export { allowedLessons, lessonRule } from './plan/domain.ts';
export { type HighsLike, highsSolver } from './plan/exact/highs-solver.ts';
export type { MipSolver } from './plan/exact/mip.ts';
export type { PlannedLesson, PlannedReview } from './plan/fill-lessons.ts';
export {
  type BrokenRule,
  type Judgement,
  judgePlan,
  type PlanCost,
} from './plan/judge.ts';
export { lookAlikesOf, type PlacedLookAlike } from './plan/look-alikes.ts';
export { type PlanMend, planMends, takeAlong } from './plan/mends.ts';
export type { SolveBudget } from './plan/meter.ts';
export { lessonShares } from './plan/minutes.ts';
export { findOpenings } from './plan/openings.ts';
export { draftPlacing, followedPlacing, keptPlacing, placedInOrder, placedOf } from './plan/placed-order.ts';
export { easyToHard, lessonsOutOfOrder } from './plan/places.ts';
export {
  COST_WEIGHTS,
  lastIntroducing,
  type Placed,
  type Placing,
  type PlanItem,
  type PlanProblem,
  taughtLessons,
} from './plan/problem.ts';
export {
  changeEffect,
  costChange,
  type ItemReasons,
  itemReasons,
  type MoveEffect,
  type Moves,
  moveEffect,
  movePlaced,
  type WhatItTakes,
  whatItTakes,
} from './plan/reasons.ts';
export { createPlanSearch, type PlanSearch, type SearchProgress } from './plan/search.ts';
export { type FoundPlan, type SolveOptions, solvePlan } from './plan/solve.ts';
export { type RoomToSpare, roomToSpare, type SpareUse } from './plan/spare.ts';
export type { StuckItem } from './plan/stuck.ts';
export { findProblemFaults } from './plan/validate.ts';
export {
  askWhatIf,
  changeProblem,
  type LeastMinutes,
  leastMinutes,
  type WhatIf,
  type WhatIfAnswer,
  whatIfsOf,
} from './plan/what-if.ts';
export { findClashes, type TermClash, type TermClass } from './programme/clashes.ts';
export { type WeeklyDates, weeklyDates } from './programme/dates.ts';
export {
  type CancelledEvening,
  type ClassEvening,
  cancelEvening,
  type DateFault,
  eveningsBetween,
  findDateFaults,
} from './programme/evenings.ts';
export { type BrokenOfTimetable, type JudgedTimetable, judgeTimetable } from './programme/judge-timetable.ts';
export { levelBelow } from './programme/level-below.ts';
export { type HeldNow, likeThisTerm } from './programme/like-this-term.ts';
export { type FinishedClass, type LevelNext, nextTerm } from './programme/next-term.ts';
export {
  type LevelMend,
  mendInWords,
  type Programme,
  readLevels,
  readProgramme,
  takeMend,
} from './programme/programme.ts';
export { type CheckedClass, type Returning, returningTo } from './programme/returning.ts';
export {
  type RollOverChange,
  type RollOverProposal,
  rolledOver,
  rollOver,
} from './programme/roll-over.ts';
export { type ClassFacts, type ClassStanding, classStanding } from './programme/standing.ts';
export { RHYTHM_TEMPLATES, type RhythmTemplate, usualLessons } from './programme/templates.ts';
export { type LeftClass, makeTimetable, type PlacedClass, type Timetable } from './programme/timetable.ts';
export {
  type Named,
  printAsked,
  printSlots,
  printStaff,
  type ReadLines,
  readAsked,
  readSlots,
  readStaff,
} from './programme/timetable-lines.ts';
export type { AskedClasses, TimetableRequest } from './programme/timetable-request.ts';
export { type ProofSource, proofread } from './proofread/proofread.ts';
export type { Slip, SlipKind } from './proofread/slip.ts';
export {
  BLOCK_KINDS,
  type Block,
  type BlockKind as RecapBlockKind,
  combinationsInBlocks,
  figuresInBlocks,
  freezeBlocks,
  printBlock,
  readBlock,
} from './recap/blocks.ts';
export { type CalledFigure, type CallLine, callSheet } from './recap/call-sheet.ts';
export { catchUpText } from './recap/catch-up.ts';
export { CAUTION_NOTICE, CAUTIONS, cautionNotice, cautionsOf, cautionsWithCodes } from './recap/cautions.ts';
export { contradictingNotes } from './recap/contradicting-notes.ts';
export { draftRecap } from './recap/draft.ts';
export { draftRecaps, type FinishedLesson, type RecapDrafts } from './recap/draft-recaps.ts';
export { tellBriefly } from './recap/figure-telling.ts';
export { finishedLesson } from './recap/finished-lesson.ts';
export {
  type RecapSection,
  sectionsMissing,
  withSection,
  withSentence,
} from './recap/into-recap.ts';
export { type LevelSheet, levelSheet } from './recap/level-sheet.ts';
export { type OfferedNote, offeredNotes } from './recap/offered-notes.ts';
export { type ShotList, shotList, type Take } from './recap/shot-list.ts';
export { RESULT_WORDS } from './recap/staff-telling.ts';
export { allOf } from './recap/words.ts';
export type { CombineBudget } from './sequences/answer-search.ts';
export { type Attention, attendTo } from './sequences/attend-to.ts';
export { requestFault } from './sequences/check-request.ts';
export { type ChoiceOption, type ChoicePoint, choicePoint } from './sequences/choice-options.ts';
export { type Combined, combineFigures, type FoundSequence } from './sequences/combine.ts';
export { couplePath, ownFloor, type PathPiece, pathFootprint } from './sequences/couple-path.ts';
export {
  type EveningCombination,
  type EveningFigures,
  eveningCombination,
} from './sequences/evening-combination.ts';
export { homeStart } from './sequences/home-start.ts';
export { middleTempo, midiSong } from './sequences/midi-song.ts';
export { patternsOf } from './sequences/patterns-of.ts';
export { type PhrasePiece, phraseRows } from './sequences/phrase-rows.ts';
export { type Filling, refillAround } from './sequences/refill.ts';
export {
  type Choice,
  type CombineRequest,
  type SequenceEnd,
  type Stand,
  standOf,
} from './sequences/request.ts';
export { type Mishap, type Rescue, rescuesOf } from './sequences/rescue.ts';
export { SEQUENCE_WEIGHTS } from './sequences/score.ts';
export { MOST_MUSTS } from './sequences/stand-graph.ts';
export { usableFigures } from './sequences/usable-figures.ts';
export {
  type GivenSequence,
  type SequenceItem,
  type Walk,
  type WalkFault,
  type WalkRow,
  walkSequence,
} from './sequences/walk.ts';
export type { WalkCode } from './sequences/walk-step.ts';
export { type FittingFigure, fitsAfter, fitsBefore, fitsInPlace } from './sequences/what-fits.ts';
export type { NoSequence } from './sequences/why-none.ts';
export { countOf, labelOf, markCount, otherSchools, stepCount } from './steps/counts.ts';
export {
  freeFootBefore,
  makePartNatural,
  makeStepNatural,
  naturalPartOf,
  putSteps,
  removeStep,
  rolesOf,
  writtenSteps,
} from './steps/edit.ts';
export {
  danceActions,
  danceBeats,
  type Figure,
  type FigurePart,
  type FigureReading,
  figureTurn,
  KEEP,
} from './steps/figure.ts';
export { type HoldRegion, holdPlace, holdTouches } from './steps/hold-shape.ts';
export { holdStretches } from './steps/hold-stretches.ts';
export { entryHolds, findHold } from './steps/holds.ts';
export type { Mend } from './steps/mend.ts';
export { type NamedRun, namedRuns } from './steps/pieces.ts';
export { type QuickStep, quickestStep, type StepKind } from './steps/quickness.ts';
export { type SheetCell, type SheetColumn, type SheetLayout, sheetLayout } from './steps/sheet.ts';
export { sheetLines } from './steps/sheet-lines.ts';
export { printStep, type Step } from './steps/step.ts';
export { type FigureTrack, putTrackWord, qualitiesInOrder, tracksInOrder } from './steps/tracks.ts';
export { readTypedSteps, suggestSteps, type TypedContext } from './steps/typed.ts';
export { readTypedHold, suggestHolds } from './steps/typed-hold.ts';
export type { FreeFoot } from './steps/weight.ts';
export { actionInWords, cellWords, stepInWords, turnInWords } from './steps/words.ts';
export { numberedCall, slowQuickCall, type TimedStep, timedSteps } from './timing/calls.ts';
export { fitPhrase, secondsAt } from './timing/phrase.ts';
export {
  countLabel,
  eventCount,
  type RenderingFault,
  writeCounts,
  writeSlowQuick,
} from './timing/renderings.ts';
export { parseRhythm, type Rhythm, type RhythmEvent, type RhythmOptions } from './timing/rhythm.ts';
export { barsPerMinute, shortestOf } from './timing/tempo.ts';
