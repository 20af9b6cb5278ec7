import { wall } from './0002-studio-wall.ts';

/**
 * Marks become entries of their own instead of a list inside their check, and the history of a course names
 * fields (`placed/<figure>`) as that of everything else does.
 */
export const EVENTS = `
  CREATE TABLE marks (
    studio_id uuid NOT NULL,
    id uuid NOT NULL,
    seq bigint GENERATED ALWAYS AS IDENTITY,
    check_id text NOT NULL,
    student_id text NOT NULL,
    pattern_id text NOT NULL,
    body jsonb NOT NULL,
    body_hash text NOT NULL,
    received_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, id),
    FOREIGN KEY (studio_id, check_id) REFERENCES checks (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
    FOREIGN KEY (studio_id, pattern_id) REFERENCES patterns (studio_id, id)
  );
  CREATE INDEX ON marks (studio_id, check_id, seq);
  ${wall('marks', 'studio_id')}

  INSERT INTO marks (studio_id, id, check_id, student_id, pattern_id, body, body_hash)
    SELECT c.studio_id, (mark ->> 'id')::uuid, c.id, mark ->> 'student', mark ->> 'pattern', mark || jsonb_build_object('check', c.id), ''
    FROM checks c, jsonb_array_elements(c.body -> 'marks') WITH ORDINALITY AS given (mark, position)
    ORDER BY c.studio_id, c.position, given.position;
  UPDATE checks SET body = jsonb_set(body, '{marks}', '[]');

  ALTER TABLE attendance ADD COLUMN student_id text;
  UPDATE attendance SET student_id = body ->> 'student';
  ALTER TABLE attendance
    ALTER COLUMN student_id SET NOT NULL,
    ADD FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id);

  CREATE FUNCTION pg_temp.placed_fields(moves jsonb) RETURNS jsonb LANGUAGE sql AS $$
    SELECT COALESCE(jsonb_object_agg('placed/' || key, CASE jsonb_typeof(value)
      WHEN 'number' THEN jsonb_build_object('pattern', key, 'lesson', value) ELSE 'null'::jsonb END), '{}')
    FROM jsonb_each(moves)
  $$;
  UPDATE history SET before = pg_temp.placed_fields(before), after = pg_temp.placed_fields(after)
    WHERE aggregate = 'course' AND jsonb_typeof(after) = 'object';
`;
