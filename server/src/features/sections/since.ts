import type { SinceAnswer } from '@map-step/contract';
import type { ClassEvent, ClassEventKind } from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';

const MOST = 500;

/** The number of the newest event of a class; 0 when nothing has happened. */
export async function newestEvent(scope: StudioScope, section: string): Promise<number> {
  const [row] = await scope.select<{ seq: number }>(
    `SELECT COALESCE(max(seq), 0)::float8 AS seq FROM class_events WHERE studio_id = $1 AND section_id = $2`,
    [section],
  );
  return row?.seq ?? 0;
}

/** What happened in a class after an event, in the order in which it came. */
export async function readSince(scope: StudioScope, section: string, after: number): Promise<SinceAnswer> {
  const rows = await scope.select<Row>(
    `SELECT seq::float8 AS seq, kind, check_id, CASE kind WHEN 'mark' THEN body - 'check' ELSE body END AS entry
     FROM class_events WHERE studio_id = $1 AND section_id = $2 AND seq > $3 ORDER BY seq LIMIT ${MOST + 1}`,
    [section, after],
  );
  const told = rows.slice(0, MOST);
  return { events: told.map(eventOf), seq: told.at(-1)?.seq ?? after, isAll: rows.length <= MOST };
}

interface Row {
  readonly seq: number;
  readonly kind: ClassEventKind;
  readonly check_id: string | null;
  /** Held to its kind by the table. */
  readonly entry: object;
}

function eventOf({ kind, check_id: check, entry }: Row): ClassEvent {
  return { kind, ...(check !== null && { check }), entry } as ClassEvent;
}
