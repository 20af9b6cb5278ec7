import { wall } from './0002-studio-wall.ts';

/** What a student was told of a check, behind a link of their own. It goes with the student, and with the check. */
export const CHECK_LINKS = `
  CREATE TABLE check_links (
    token_hash text PRIMARY KEY,
    studio_id uuid NOT NULL,
    check_id text NOT NULL,
    student_id text NOT NULL,
    markdown text NOT NULL CHECK (length(markdown) <= 100000),
    created_at timestamptz NOT NULL,
    expires_at timestamptz NOT NULL,
    UNIQUE (studio_id, check_id, student_id),
    FOREIGN KEY (studio_id, check_id) REFERENCES checks (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id) ON DELETE CASCADE
  );
  ${wall('check_links', 'studio_id')}
`;
