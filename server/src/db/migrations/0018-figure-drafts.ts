import { wall } from './0002-studio-wall.ts';

/** Figures that somebody is writing and that cannot stand yet: a row for each writer and figure, gone when it is saved. */
export const FIGURE_DRAFTS = `
  CREATE TABLE figure_drafts (
    studio_id uuid NOT NULL,
    person_id text NOT NULL,
    figure_id text NOT NULL,
    base jsonb,
    now jsonb NOT NULL,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (studio_id, person_id, figure_id),
    FOREIGN KEY (studio_id, person_id) REFERENCES people (studio_id, id) ON DELETE CASCADE
  );
  ${wall('figure_drafts', 'studio_id')}
`;
