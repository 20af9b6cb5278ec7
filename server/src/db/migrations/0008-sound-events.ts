/** What every entry says: who and when, under which id. */
const SIGNED = `body ->> 'id' = id::text AND body ->> 'by' IS NOT NULL AND body ->> 'at' ~ '^[12][0-9]{3}-'`;

/** True of a row whose entry is what it should be. */
const IS_SOUND = {
  logs: `body ->> 'pattern' = pattern_id AND body ->> 'lesson' = lesson::text
    AND body ->> 'result' IN ('solid', 'shaky', 'touched', 'not-reached')`,
  attendance: `body ->> 'student' = student_id AND body ->> 'lesson' = lesson::text
    AND jsonb_typeof(body -> 'here') = 'boolean'`,
  marks: `body ->> 'student' = student_id AND body ->> 'pattern' = pattern_id
    AND body ->> 'mark' IN ('0', '1', '2', '3')`,
} as const;

/**
 * There are very many entries, and whole lists of them go out as the database prints them: so the tables themselves hold
 * each to what it should be. What is not is set aside.
 */
export const SOUND_EVENTS = Object.entries(IS_SOUND)
  .map(([table, isSound]) => {
    const condition = `COALESCE(${SIGNED} AND ${isSound}, false)`;
    return `
  WITH gone AS (DELETE FROM ${table} WHERE NOT ${condition} RETURNING *)
  INSERT INTO set_aside (studio_id, kind, body, why)
    SELECT studio_id, '${table}', body, 'it cannot be read' FROM gone;
  ALTER TABLE ${table} ADD CONSTRAINT ${table}_sound CHECK (${condition});`;
  })
  .join('');
