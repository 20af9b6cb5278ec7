export {
  type DocumentCommand,
  documentCommandBody,
  type HistoryEntry,
  type StaleDetails,
  type Versioned,
} from './commands.ts';
export {
  type CourseAnswer,
  type CourseCommand,
  type CourseListAnswer,
  type CourseMove,
  type CourseSummary,
  type CourseVersionsAnswer,
  courseCommandBody,
  courseCreateBody,
  figureCreateBody,
  type Material,
  type MaterialAnswer,
  type SectionSummary,
  type StudioAnswer,
} from './courses.ts';
export { ERROR_STATUS, type ErrorBody, type ErrorCode } from './errors.ts';
export type { ImportResult, ImportUndone, JobAnswer, JobFault, JobKind, JobState } from './jobs.ts';
export { type Change, EVERYTHING } from './live.ts';
export {
  type Access,
  mayCall,
  ROUTES,
  type RouteDefinition,
  type RouteName,
  type StaffRole,
} from './routes.ts';
export {
  type AttendanceEntry,
  attendanceBody,
  type CheckAnswer,
  type FinishBody,
  finishBody,
  type LogEntry,
  logBody,
  type MarkEntry,
  markBody,
  type PublishAnswer,
  type RecapAnswer,
  type RecapDetail,
  recapPublishBody,
  type SectionAnswer,
  type ShareAnswer,
  type StoredAnswer,
} from './sections.ts';
export {
  demoSignInBody,
  type SessionAnswer,
  type SetupBody,
  type SignedInPerson,
  type SignInBody,
  setupBody,
  signInBody,
} from './session.ts';
export {
  type TableOrder,
  type TableResult,
  tableBody,
} from './tables.ts';
