import { wall } from './0002-studio-wall.ts';

/** Tables whose rows are of a lesson of a class, and what of a row is worth keeping when it goes. */
const OF_LESSONS = [
  { table: 'logs', kept: 'body' },
  { table: 'attendance', kept: 'body' },
  {
    table: 'recaps',
    kept: "jsonb_build_object('section', section_id, 'lesson', lesson, 'audience', audience, 'markdown', markdown)",
  },
] as const;

/** Lessons are those that the course of the class has; rows of others are set aside. */
const boundLessons = OF_LESSONS.map(
  ({ table, kept }) => `
  WITH gone AS (
    DELETE FROM ${table} r USING sections s, courses c
    WHERE s.studio_id = r.studio_id AND s.id = r.section_id
      AND c.studio_id = r.studio_id AND c.id = s.course_id
      AND r.lesson NOT BETWEEN 1 AND LEAST(100, jsonb_array_length(c.body -> 'lessons'))
    RETURNING r.*
  )
  INSERT INTO set_aside (studio_id, kind, body, why)
    SELECT studio_id, '${table}', ${kept}, 'its lesson is not one of the course' FROM gone;
  ALTER TABLE ${table} ADD CONSTRAINT ${table}_lesson CHECK (lesson BETWEEN 1 AND 100);`,
).join('');

const LINK_TEXT = `
  ALTER TABLE recaps ADD COLUMN published_markdown text;
  UPDATE recaps r SET published_markdown = COALESCE((
    SELECT h.before ->> 'markdown' FROM history h
    WHERE h.studio_id = r.studio_id AND h.aggregate = 'recap'
      AND h.aggregate_id = r.section_id || '/' || r.lesson || '/' || r.audience
      AND h.after ? 'markdown'
      AND h.id > COALESCE((
        SELECT max(p.id) FROM history p
        WHERE p.studio_id = h.studio_id AND p.aggregate = 'recap' AND p.aggregate_id = h.aggregate_id
          AND p.kind = 'publish'), 0)
    ORDER BY h.id LIMIT 1), r.markdown)
  WHERE published_at IS NOT NULL;
  ALTER TABLE recaps ADD CHECK (published_markdown IS NULL OR published_at IS NOT NULL);`;

/**
 * What the tables themselves hold to: which studio is the demo, lessons that exist, links to what was published for
 * students, time zones that exist, and how often an account was tried.
 */
export const BOUNDS = `
  ALTER TABLE studios ADD COLUMN demo boolean NOT NULL DEFAULT false;
  -- Until now nobody could enter a studio without an account but by the demo's one click.
  UPDATE studios SET demo = NOT EXISTS (SELECT FROM accounts a WHERE a.studio_id = studios.id);
  UPDATE studios SET body = jsonb_set(body, '{timezone}', '"UTC"')
    WHERE NOT EXISTS (SELECT FROM pg_timezone_names z WHERE z.name = body ->> 'timezone');

  CREATE TABLE set_aside (
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    kind text NOT NULL,
    body jsonb NOT NULL,
    why text NOT NULL,
    at timestamptz NOT NULL DEFAULT now()
  );
  ${wall('set_aside', 'studio_id')}
  ${boundLessons}
  ${LINK_TEXT}
  DELETE FROM recap_links WHERE audience <> 'students';
  ALTER TABLE recap_links ADD CHECK (audience = 'students');

  ALTER TABLE sign_in_tries RENAME COLUMN address_hash TO key_hash;
  ALTER TABLE sign_in_tries ADD COLUMN free_at timestamptz NOT NULL DEFAULT now();
`;
