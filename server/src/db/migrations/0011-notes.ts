import { wall } from './0002-studio-wall.ts';

/** What is noted of an evening besides its figures: words, something else that was done, songs. Only ever added. */
export const NOTES = `
  CREATE TABLE notes (
    studio_id uuid NOT NULL,
    id uuid NOT NULL,
    seq bigint GENERATED ALWAYS AS IDENTITY,
    section_id text NOT NULL,
    lesson integer NOT NULL CONSTRAINT notes_lesson CHECK (lesson BETWEEN 1 AND 100),
    body jsonb NOT NULL,
    received_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, id),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE,
    CONSTRAINT notes_sound CHECK (COALESCE(
      body ->> 'id' = id::text AND body ->> 'by' IS NOT NULL AND body ->> 'at' ~ '^[12][0-9]{3}-'
      AND body ->> 'lesson' = lesson::text AND body ->> 'kind' IN ('note', 'else', 'song')
      AND jsonb_typeof(body -> 'text') = 'string', false))
  );
  CREATE INDEX ON notes (studio_id, section_id, seq);
  ${wall('notes', 'studio_id')}
`;
