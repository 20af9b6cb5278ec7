// What changes tell other servers: written with the change, told once that is committed, by whoever comes first.
import type { Sequelize } from 'sequelize';
import type { StudioScope } from './studio-scope.ts';

export const CHANNEL = 'map_step_changes';

/** Tells what stands in the outbox and takes it out, whichever server wrote it: one that died has told nothing. */
export const SEND_OUTBOX = `
  WITH due AS (SELECT seq FROM outbox ORDER BY seq LIMIT 500 FOR UPDATE SKIP LOCKED),
    sent AS (DELETE FROM outbox USING due WHERE outbox.seq = due.seq RETURNING outbox.*)
  SELECT pg_notify('${CHANNEL}', (signal || jsonb_build_object('studio', studio_id))::text)
  FROM (SELECT * FROM sent ORDER BY seq) AS told`;

/** Puts a signal of a studio into the outbox; it is sent after the transaction, without keeping who waits for that. */
export async function putInOutbox(scope: StudioScope, signal: object): Promise<void> {
  await scope.select('INSERT INTO outbox (studio_id, signal) VALUES ($1, $2::jsonb) RETURNING seq', [
    JSON.stringify(signal),
  ]);
  scope.transaction.afterCommit(() => sendSoon(scope.models.sequelize));
}

const sending = new WeakMap<Sequelize, { isAgain: boolean }>();

/** One statement at a time tells all that was put in meanwhile. What cannot be sent now is swept up later. */
function sendSoon(sequelize: Sequelize): void {
  const running = sending.get(sequelize);
  if (running) {
    running.isAgain = true;
    return;
  }
  const turn = { isAgain: false };
  sending.set(sequelize, turn);
  void sequelize
    .query(SEND_OUTBOX)
    .catch(() => undefined)
    .then(() => {
      sending.delete(sequelize);
      if (turn.isAgain) sendSoon(sequelize);
    });
}
