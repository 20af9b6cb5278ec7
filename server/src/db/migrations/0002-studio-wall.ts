import { DOCUMENT_TABLES } from './0001-first.ts';

const OTHER_STUDIO_TABLES = ['accounts', 'plans', 'logs', 'attendance', 'recaps', 'recap_links', 'history'];

export const wall = (table: string, column: string) => `
  ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
  CREATE POLICY own_studio ON ${table}
    USING (${column} = NULLIF(current_setting('map_step.studio', true), '')::uuid)
    WITH CHECK (${column} = NULLIF(current_setting('map_step.studio', true), '')::uuid);
  GRANT SELECT, INSERT, UPDATE, DELETE ON ${table} TO map_step_studio;`;

/**
 * The second wall between studios: work on a studio runs as a role that does not own the tables, and sees
 * only the rows of the studio its transaction names, even where a query forgets to ask.
 */
export const STUDIO_WALL = `
  DO $$ BEGIN
    IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'map_step_studio') THEN
      CREATE ROLE map_step_studio NOLOGIN;
    END IF;
  EXCEPTION WHEN duplicate_object OR unique_violation THEN NULL;
  END $$;
  DO $$ BEGIN
    IF NOT pg_has_role(CURRENT_USER, 'map_step_studio', 'MEMBER') THEN
      GRANT map_step_studio TO CURRENT_USER;
    END IF;
  END $$;
  DO $$ BEGIN
    EXECUTE format('GRANT USAGE ON SCHEMA %I TO map_step_studio', current_schema());
  END $$;
  ${wall('studios', 'id')}
  ${[...DOCUMENT_TABLES, ...OTHER_STUDIO_TABLES].map(table => wall(table, 'studio_id')).join('')}
`;
