export {
  type AccountAnswer,
  type AccountsAnswer,
  acceptBody,
  type InvitationAnswer,
  type LinkAnswer,
  passwordBody,
} from './accounts.ts';
export type {
  DocumentCommand,
  HistoryEntry,
  StaleDetails,
  Versioned,
} from './commands.ts';
export type {
  CourseAnswer,
  CourseClass,
  CourseCommand,
  CourseListAnswer,
  CourseSummary,
  CourseVersionsAnswer,
  Material,
  MaterialAnswer,
  SectionSummary,
  StudioAnswer,
} from './courses.ts';
export type { FigureDraft } from './drafts.ts';
export { ERROR_STATUS, type ErrorBody, type ErrorCode } from './errors.ts';
export type { ImportResult, ImportUndone, JobAnswer, JobFault, JobKind, JobState } from './jobs.ts';
export { type Change, EVERYTHING } from './live.ts';
export { PATHS, type RoutePath } from './paths.ts';
export type {
  ComingFaultsAnswer,
  FindingsAnswer,
  LevelsAnswer,
  NextTermAnswer,
  ReturningAnswer,
  RollOverAnswer,
  TodayAnswer,
  TodaysClass,
} from './programme.ts';
export type { Access, OwnClass, RouteDefinition } from './route-definition.ts';
export {
  type AnswerOf,
  type BodyOf,
  mayCall,
  type ParamsOf,
  type QueryOf,
  ROUTES,
  type RouteName,
} from './routes.ts';
export type {
  AttendanceEntry,
  CheckAnswer,
  CheckListAnswer,
  FinishBody,
  LogEntry,
  MarkEntry,
  NoteEntry,
  PublishAnswer,
  RecapAnswer,
  RecapDetail,
  SectionAnswer,
  SentEvent,
  ShareAnswer,
  SinceAnswer,
  StoredAnswer,
} from './sections.ts';
export {
  type SessionAnswer,
  type SetupBody,
  type SignedInPerson,
  type SignInBody,
  type StaffRole,
  setupBody,
} from './session.ts';
export type {
  EnrolBody,
  EntryCreateBody,
  RemovableKind,
  SetUpEntries,
  SetUpKind,
  StudioDecisions,
  TermAnswer,
} from './setup.ts';
export { studioDecisions } from './setup.ts';
export type { FoundStudent, WalkInBody, WalkInsOffered } from './students.ts';
export {
  printTableOrder,
  readTableOrder,
  type TableOrder,
  type TableResult,
  type TableTerms,
} from './tables.ts';
