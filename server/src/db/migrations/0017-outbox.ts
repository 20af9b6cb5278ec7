import { wall } from './0002-studio-wall.ts';

/** What is to be told once its transaction has ended: PostgreSQL puts those who NOTIFY in line, so no change does it itself. */
export const OUTBOX = `
  CREATE TABLE outbox (
    seq bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    studio_id uuid NOT NULL,
    signal jsonb NOT NULL
  );
  ${wall('outbox', 'studio_id')}
`;
