/** What became of one student is found without looking through all that was ever written. */
export const EVENTS_OF_STUDENTS = `
  CREATE INDEX ON class_events (studio_id, student_id) WHERE student_id IS NOT NULL;
`;
