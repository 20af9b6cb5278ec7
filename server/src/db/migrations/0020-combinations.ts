/** A combination may belong to a course, which then stays as long as it does. */
export const COMBINATIONS = `
  ALTER TABLE combinations
    ADD COLUMN course_id text GENERATED ALWAYS AS (body ->> 'course') STORED,
    ADD FOREIGN KEY (studio_id, course_id) REFERENCES courses (studio_id, id) DEFERRABLE INITIALLY DEFERRED;
  CREATE INDEX ON combinations (studio_id, course_id);
`;
