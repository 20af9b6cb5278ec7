import { wall } from './0002-studio-wall.ts';

/**
 * An account is a person's own: it may belong to several studios, each with an address. People come in by links that are
 * given to them once.
 */
export const MEMBERSHIPS = `
  CREATE TABLE memberships (
    account_id uuid NOT NULL REFERENCES accounts ON DELETE CASCADE,
    studio_id uuid NOT NULL,
    person_id text NOT NULL,
    entered_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (account_id, studio_id),
    UNIQUE (studio_id, person_id),
    FOREIGN KEY (studio_id, person_id) REFERENCES people (studio_id, id) ON DELETE CASCADE
  );
  INSERT INTO memberships (account_id, studio_id, person_id)
    SELECT id, studio_id, person_id FROM accounts ON CONFLICT DO NOTHING;
  ${wall('memberships', 'studio_id')}
  DROP POLICY own_studio ON accounts;
  ALTER TABLE accounts DISABLE ROW LEVEL SECURITY;
  REVOKE ALL ON accounts FROM map_step_studio;
  ALTER TABLE accounts DROP COLUMN studio_id, DROP COLUMN person_id;

  CREATE TABLE invitations (
    token_hash text PRIMARY KEY,
    studio_id uuid NOT NULL,
    person_id text NOT NULL,
    expires_at timestamptz NOT NULL,
    UNIQUE (studio_id, person_id),
    FOREIGN KEY (studio_id, person_id) REFERENCES people (studio_id, id) ON DELETE CASCADE
  );
  ${wall('invitations', 'studio_id')}
  CREATE TABLE founding_links (
    token_hash text PRIMARY KEY,
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    expires_at timestamptz NOT NULL
  );
  ${wall('founding_links', 'studio_id')}

  ALTER TABLE studios ADD COLUMN slug text, ADD COLUMN version integer NOT NULL DEFAULT 1;
  UPDATE studios SET slug = left(trim(both '-' from regexp_replace(lower(body ->> 'name'), '[^a-z0-9]+', '-', 'g')), 40);
  UPDATE studios s SET slug = slug || '-' || left(s.id::text, 8)
    WHERE slug = '' OR EXISTS (SELECT FROM studios o WHERE o.slug = s.slug AND o.id < s.id);
  UPDATE studios SET slug = trim(both '-' from slug);
  ALTER TABLE studios ALTER COLUMN slug SET NOT NULL;
  CREATE UNIQUE INDEX ON studios (slug);

  CREATE INDEX ON sessions ((sess -> 'owner' ->> 'account'));
`;
