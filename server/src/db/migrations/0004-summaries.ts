import { DOCUMENT_TABLES } from './0001-first.ts';
import { wall } from './0002-studio-wall.ts';

/** What lists ask for without reading everything: order, the newest classes, how far a class is, what changed. */
export const SUMMARIES = `
  ${DOCUMENT_TABLES.map(table => `CREATE INDEX ON ${table} (studio_id, position);`).join('\n  ')}
  ALTER TABLE sections
    ADD COLUMN last_date text GENERATED ALWAYS AS (COALESCE(body -> 'dates' ->> -1, '')) STORED,
    ADD COLUMN student_count integer GENERATED ALWAYS AS (jsonb_array_length(body -> 'students')) STORED;
  CREATE INDEX ON sections (studio_id, last_date DESC, position DESC);
  CREATE INDEX ON logs (studio_id, section_id, lesson DESC);
  CREATE INDEX ON patterns (studio_id, dance_id, position);

  CREATE TABLE material_stamps (
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    -- Empty: dances, levels and elements, which every dance shares.
    dance_id text NOT NULL,
    version bigint NOT NULL,
    PRIMARY KEY (studio_id, dance_id)
  );
  ${wall('material_stamps', 'studio_id')}
  -- The row of a stamp orders those who change what it stands for, so that no change is passed over.
  CREATE FUNCTION stamp_material() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      EXECUTE format(
        'INSERT INTO material_stamps SELECT DISTINCT studio_id, %s, 1 FROM changed ORDER BY 1, 2
         ON CONFLICT (studio_id, dance_id) DO UPDATE SET version = material_stamps.version + 1',
        CASE TG_TABLE_NAME WHEN 'patterns' THEN 'dance_id' ELSE quote_literal('') END);
      RETURN NULL;
    END
  $$;
  ${['dances', 'levels', 'elements', 'patterns'].flatMap(stampTriggers).join('\n  ')}
`;

/** A trigger that sees the changed rows can be of one kind of change only. */
function stampTriggers(table: string): string[] {
  return ['INSERT', 'UPDATE', 'DELETE'].map(
    change => `CREATE TRIGGER stamp_${change.toLowerCase()} AFTER ${change} ON ${table}
    REFERENCING ${change === 'DELETE' ? 'OLD' : 'NEW'} TABLE AS changed
    FOR EACH STATEMENT EXECUTE FUNCTION stamp_material();`,
  );
}
