/** How the tables refuse what would leave a studio without a director who can sign in. */
export const NO_DIRECTOR_LEFT = 'MS001';

/**
 * One director who can sign in always remains, whoever writes the rows. Two who step back at the same moment wait for each
 * other at the row of their studio; the demo, where nobody has an account, is free.
 */
const A_DIRECTOR_REMAINS = `
  CREATE FUNCTION keep_a_director() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path FROM CURRENT AS $$
  BEGIN
    PERFORM FROM studios WHERE id = OLD.studio_id AND NOT demo FOR UPDATE;
    IF FOUND AND NOT EXISTS (
      SELECT FROM people p JOIN memberships m ON m.studio_id = p.studio_id AND m.person_id = p.id
      WHERE p.studio_id = OLD.studio_id AND p.body ->> 'role' = 'director')
    THEN RAISE EXCEPTION 'no director is left' USING ERRCODE = '${NO_DIRECTOR_LEFT}';
    END IF;
    RETURN NULL;
  END $$;
  CREATE CONSTRAINT TRIGGER a_director_remains AFTER UPDATE OR DELETE ON people
    DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (OLD.body ->> 'role' = 'director')
    EXECUTE FUNCTION keep_a_director();
  CREATE CONSTRAINT TRIGGER a_director_remains AFTER UPDATE OR DELETE ON memberships
    DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_a_director();
`;

/**
 * A password ends the sessions of the one before it, a session knows when it began, jobs keep the bytes of their file and
 * what is to be done with it, and all servers of one database sign cookies alike.
 */
export const DOORS = `
  ALTER TABLE accounts ADD COLUMN epoch integer NOT NULL DEFAULT 1;
  UPDATE sessions SET sess = jsonb_set(sess::jsonb, '{since}', to_jsonb(to_char(now() AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')))::json
    WHERE sess ->> 'since' IS NULL;
  UPDATE jobs SET input = NULL WHERE state NOT IN ('waiting', 'running');
  ALTER TABLE jobs ADD COLUMN terms jsonb, ALTER COLUMN input TYPE bytea USING convert_to(input, 'UTF8'),
    ALTER COLUMN input SET STORAGE EXTERNAL;
  ${A_DIRECTOR_REMAINS}
  CREATE TABLE server_secrets (name text PRIMARY KEY, value text NOT NULL);
`;
