export {
  type CourseAnswer,
  type CourseCommand,
  type CourseMove,
  type CourseSummary,
  courseCommandBody,
  type HistoryEntry,
  type ImportAnswer,
  type MaterialAnswer,
  type SectionSummary,
  type StudioAnswer,
} from './courses.ts';
export { ERROR_STATUS, type ErrorBody, type ErrorCode } from './errors.ts';
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
  type FinishBody,
  finishBody,
  type LogEntry,
  logBody,
  type PublishAnswer,
  type RecapAnswer,
  recapPublishBody,
  recapSaveBody,
  type SectionAnswer,
  type ShareAnswer,
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
