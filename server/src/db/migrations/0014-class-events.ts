import { wall } from './0002-studio-wall.ts';

/** A kind: its view, named as the table that it had, and the columns of it that are its own. */
const KINDS = [
  { kind: 'log', view: 'logs', columns: ['section_id', 'lesson', 'pattern_id'] },
  { kind: 'present', view: 'attendance', columns: ['section_id', 'lesson', 'student_id'] },
  { kind: 'note', view: 'notes', columns: ['section_id', 'lesson'] },
  { kind: 'mark', view: 'marks', columns: ['check_id', 'student_id', 'pattern_id'] },
] as const;

const COLUMNS = ['section_id', 'check_id', 'lesson', 'pattern_id', 'student_id'];

/** The rows of a table of before, in an order that keeps that of each table and puts them together as they were received. */
const rowsOf = ({ kind, view, columns }: (typeof KINDS)[number]) => `
  SELECT r.studio_id, r.id, '${kind}' AS kind, r.body, r.received_at, r.seq AS own_seq,
    max(r.received_at) OVER (PARTITION BY r.studio_id ORDER BY r.seq) AS at,
    ${COLUMNS.map(column => {
      if ((columns as readonly string[]).includes(column)) return `r.${column}`;
      if (kind === 'mark' && column === 'section_id') return 'c.section_id';
      return `NULL::${column === 'lesson' ? 'integer' : 'text'} AS ${column}`;
    }).join(', ')}
  FROM ${view} r ${kind === 'mark' ? 'JOIN checks c ON c.studio_id = r.studio_id AND c.id = r.check_id' : ''}`;

/** What happened in a class is one stream, of which each kind is a view. Rows are only ever added, and numbered as they come. */
export const CLASS_EVENTS = `
  CREATE TABLE class_events (
    studio_id uuid NOT NULL,
    kind text NOT NULL,
    id uuid NOT NULL,
    seq bigint GENERATED ALWAYS AS IDENTITY,
    section_id text NOT NULL,
    check_id text,
    lesson integer CONSTRAINT class_events_lesson CHECK (lesson BETWEEN 1 AND 100),
    pattern_id text,
    student_id text,
    body jsonb NOT NULL,
    received_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, kind, id),
    FOREIGN KEY (studio_id, section_id) REFERENCES sections (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, check_id) REFERENCES checks (studio_id, id) ON DELETE CASCADE,
    FOREIGN KEY (studio_id, pattern_id) REFERENCES patterns (studio_id, id),
    FOREIGN KEY (studio_id, student_id) REFERENCES students (studio_id, id),
    CONSTRAINT class_events_sound CHECK (COALESCE(
      body ->> 'id' = id::text AND body ->> 'by' IS NOT NULL AND body ->> 'at' ~ '^[12][0-9]{3}-'
      AND body ->> 'lesson' IS NOT DISTINCT FROM lesson::text
      AND (kind <> 'mark') = (lesson IS NOT NULL) AND (kind = 'mark') = (check_id IS NOT NULL)
      AND (kind IN ('log', 'mark')) = (pattern_id IS NOT NULL)
      AND (kind IN ('present', 'mark')) = (student_id IS NOT NULL)
      AND (pattern_id IS NULL OR body ->> 'pattern' = pattern_id)
      AND (student_id IS NULL OR body ->> 'student' = student_id)
      AND CASE kind
        WHEN 'log' THEN body ->> 'result' IN ('solid', 'shaky', 'touched', 'not-reached')
        WHEN 'present' THEN jsonb_typeof(body -> 'here') = 'boolean'
        WHEN 'note' THEN body ->> 'kind' IN ('note', 'else', 'song') AND jsonb_typeof(body -> 'text') = 'string'
        WHEN 'mark' THEN body ->> 'mark' IN ('0', '1', '2', '3')
        ELSE false END, false))
  );
  INSERT INTO class_events (studio_id, kind, id, section_id, check_id, lesson, pattern_id, student_id, body, received_at)
    SELECT studio_id, kind, id, section_id, check_id, lesson, pattern_id, student_id, body, received_at
    FROM (${KINDS.map(rowsOf).join(' UNION ALL ')}) before
    ORDER BY at, kind, own_seq;
  DROP TABLE ${KINDS.map(({ view }) => view).join(', ')};
  CREATE INDEX ON class_events (studio_id, section_id, seq);
  CREATE INDEX ON class_events (studio_id, section_id, kind, seq);
  CREATE INDEX ON class_events (studio_id, section_id, lesson DESC) WHERE kind = 'log';
  CREATE INDEX ON class_events (studio_id, check_id, seq) WHERE kind = 'mark';
  ${wall('class_events', 'studio_id')}
  ${KINDS.map(
    ({ kind, view, columns }) => `
  CREATE VIEW ${view} WITH (security_invoker = true) AS
    SELECT studio_id, id, seq, ${columns.join(', ')}, body, received_at FROM class_events WHERE kind = '${kind}';
  GRANT SELECT ON ${view} TO map_step_studio;`,
  ).join('')}
`;
