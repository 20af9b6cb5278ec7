/** Aggregates that are kept as one document each: `body` is the entry of `mapstep/1`. */
export const DOCUMENT_TABLES = [
  'dances',
  'levels',
  'elements',
  'patterns',
  'combinations',
  'rooms',
  'people',
  'students',
  'courses',
  'sections',
  'checks',
];

const documentTable = (name: string) => `
  CREATE TABLE ${name} (
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    id text NOT NULL,
    position integer NOT NULL,
    version integer NOT NULL DEFAULT 1,
    body jsonb NOT NULL,
    PRIMARY KEY (studio_id, id)
  );`;

/** A reference inside a document, held by the database as a real foreign key. */
const reference = (table: string, column: string, key: string, to: string) => `
  ALTER TABLE ${table}
    ADD COLUMN ${column} text GENERATED ALWAYS AS (body ->> '${key}') STORED,
    ADD FOREIGN KEY (studio_id, ${column}) REFERENCES ${to} (studio_id, id) DEFERRABLE INITIALLY DEFERRED;
  CREATE INDEX ON ${table} (studio_id, ${column});`;

export const FIRST = `
  CREATE TABLE studios (
    id uuid PRIMARY KEY,
    body jsonb NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now()
  );
  ${DOCUMENT_TABLES.map(documentTable).join('')}
  ${reference('levels', 'dance_id', 'dance', 'dances')}
  ${reference('patterns', 'dance_id', 'dance', 'dances')}
  ${reference('patterns', 'level_id', 'level', 'levels')}
  ${reference('courses', 'level_id', 'level', 'levels')}
  ${reference('sections', 'course_id', 'course', 'courses')}
  ${reference('sections', 'room_id', 'room', 'rooms')}
  ${reference('checks', 'section_id', 'section', 'sections')}

  CREATE TABLE accounts (
    id uuid PRIMARY KEY,
    studio_id uuid NOT NULL,
    person_id text NOT NULL,
    email text NOT NULL,
    password_hash text NOT NULL,
    FOREIGN KEY (studio_id, person_id) REFERENCES people (studio_id, id) ON DELETE CASCADE
  );
  CREATE UNIQUE INDEX ON accounts (lower(email));

  CREATE TABLE plans (
    studio_id uuid NOT NULL,
    id bigint GENERATED ALWAYS AS IDENTITY,
    course_id text NOT NULL,
    body jsonb NOT NULL,
    PRIMARY KEY (studio_id, id),
    FOREIGN KEY (studio_id, course_id) REFERENCES courses (studio_id, id) ON DELETE CASCADE
  );
  CREATE INDEX ON plans (studio_id, course_id, id DESC);

  CREATE TABLE logs (
    studio_id uuid NOT NULL,
    id uuid NOT NULL,
    seq bigint GENERATED ALWAYS AS IDENTITY,
    section_id text NOT NULL,
    lesson integer NOT NULL,
    pattern_id text NOT NULL,
    body jsonb NOT NULL,
    body_hash text NOT NULL,
    received_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, id),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, pattern_id) REFERENCES patterns (studio_id, id)
  );
  CREATE INDEX ON logs (studio_id, section_id, seq);

  CREATE TABLE attendance (
    studio_id uuid NOT NULL,
    id uuid NOT NULL,
    seq bigint GENERATED ALWAYS AS IDENTITY,
    section_id text NOT NULL,
    lesson integer NOT NULL,
    body jsonb NOT NULL,
    body_hash text NOT NULL,
    received_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, id),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE
  );
  CREATE INDEX ON attendance (studio_id, section_id, seq);

  CREATE TABLE recaps (
    studio_id uuid NOT NULL,
    section_id text NOT NULL,
    lesson integer NOT NULL,
    audience text NOT NULL CHECK (audience IN ('students', 'staff')),
    version integer NOT NULL DEFAULT 1,
    markdown text NOT NULL,
    published_at timestamptz,
    corrects text,
    PRIMARY KEY (studio_id, section_id, lesson, audience),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE
  );

  CREATE TABLE recap_links (
    token_hash text PRIMARY KEY,
    studio_id uuid NOT NULL,
    section_id text NOT NULL,
    lesson integer NOT NULL,
    audience text NOT NULL,
    expires_at timestamptz NOT NULL,
    revoked_at timestamptz,
    FOREIGN KEY (studio_id, section_id, lesson, audience)
      REFERENCES recaps (studio_id, section_id, lesson, audience) ON DELETE CASCADE
  );
  CREATE INDEX ON recap_links (studio_id, section_id, lesson, audience);

  CREATE TABLE history (
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    id bigint GENERATED ALWAYS AS IDENTITY,
    aggregate text NOT NULL,
    aggregate_id text NOT NULL,
    kind text NOT NULL,
    what text NOT NULL,
    person_id text NOT NULL,
    at timestamptz NOT NULL DEFAULT now(),
    before jsonb,
    after jsonb,
    undoes bigint,
    PRIMARY KEY (studio_id, id)
  );
  CREATE INDEX ON history (studio_id, aggregate, aggregate_id, id DESC);

  CREATE TABLE sessions (
    sid text PRIMARY KEY,
    sess json NOT NULL,
    expire timestamptz NOT NULL
  );
  CREATE INDEX ON sessions (expire);
`;
