/**
 * Each dance, level, element and figure knows the stamp of its last change, so that whoever has the material of before is sent
 * only what came after.
 */
export const MATERIAL_STAMPS = `
  ${['dances', 'levels', 'elements', 'patterns'].map(table => `ALTER TABLE ${table} ADD COLUMN stamp bigint NOT NULL DEFAULT 0;`).join('\n  ')}
  CREATE OR REPLACE FUNCTION stamp_material() RETURNS trigger LANGUAGE plpgsql AS $$
    DECLARE of text := CASE TG_TABLE_NAME WHEN 'patterns' THEN 'changed.dance_id' ELSE quote_literal('') END;
    BEGIN
      -- Its own writing of the stamps below calls it again.
      IF pg_trigger_depth() > 1 THEN RETURN NULL; END IF;
      EXECUTE format(
        'INSERT INTO material_stamps SELECT DISTINCT studio_id, %s, 1 FROM changed ORDER BY 1, 2
         ON CONFLICT (studio_id, dance_id) DO UPDATE SET version = material_stamps.version + 1', of);
      IF TG_OP <> 'DELETE' THEN
        EXECUTE format(
          'UPDATE %I t SET stamp = s.version FROM changed JOIN material_stamps s
             ON s.studio_id = changed.studio_id AND s.dance_id = %s
           WHERE t.studio_id = changed.studio_id AND t.id = changed.id', TG_TABLE_NAME, of);
      END IF;
      RETURN NULL;
    END
  $$;
`;
