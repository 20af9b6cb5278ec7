import { wall } from './0002-studio-wall.ts';

/** What several servers share: jobs and how they stand, and how often an address tried to sign in. */
export const SHARED_WORK = `
  CREATE TABLE jobs (
    studio_id uuid NOT NULL REFERENCES studios ON DELETE CASCADE,
    id uuid NOT NULL,
    kind text NOT NULL,
    state text NOT NULL DEFAULT 'waiting'
      CHECK (state IN ('waiting', 'running', 'done', 'failed', 'stopped')),
    stage text NOT NULL DEFAULT '',
    done integer NOT NULL DEFAULT 0,
    total integer NOT NULL DEFAULT 0,
    person_id text NOT NULL,
    stop_asked boolean NOT NULL DEFAULT false,
    runs integer NOT NULL DEFAULT 0,
    beat_at timestamptz,
    input text,
    result jsonb,
    fault jsonb,
    created_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, id)
  );
  ${wall('jobs', 'studio_id')}

  CREATE UNLOGGED TABLE sign_in_tries (
    address_hash text PRIMARY KEY,
    tries integer NOT NULL,
    resets_at timestamptz NOT NULL
  );
`;
