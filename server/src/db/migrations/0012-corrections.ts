import { wall } from './0002-studio-wall.ts';

/**
 * What links show is the text of the moment with its drawings in it; a later publishing is a correction and says so. A
 * student who was away has a link of their own to what was missed.
 */
export const CORRECTIONS = `
  ALTER TABLE recaps
    ADD COLUMN published_frozen text CHECK (length(published_frozen) <= 4000000),
    ADD COLUMN first_published_at timestamptz;
  UPDATE recaps SET first_published_at = published_at;

  CREATE TABLE missed_links (
    token_hash text PRIMARY KEY,
    studio_id uuid NOT NULL,
    section_id text NOT NULL,
    student_id text NOT NULL,
    markdown text NOT NULL CHECK (length(markdown) <= 4000000),
    created_at timestamptz NOT NULL,
    expires_at timestamptz NOT NULL,
    UNIQUE (studio_id, section_id, student_id),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id) ON DELETE CASCADE
  );
  ${wall('missed_links', 'studio_id')}
`;
