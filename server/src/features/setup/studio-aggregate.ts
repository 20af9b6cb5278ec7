import { type StudioDecisions, studioDecisions } from '@map-step/contract';
import { readShape } from '@map-step/core';
import { type Aggregate, getStored, readHistory } from '../../aggregates/aggregate.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import type { StudioRecord } from '../studio/studio-store.ts';

interface StudioColumns {
  readonly body: StudioRecord;
  readonly version: number;
}

/** What a studio decides for all that is planned and taught in it. What it keeps for files stays as it is. */
export function studioAggregate(scope: StudioScope): Aggregate<StudioDecisions> {
  const read = async (): Promise<StudioColumns | undefined> => {
    const [row] = await scope.select<StudioColumns>('SELECT body, version FROM studios WHERE id = $1');
    return row;
  };
  const aggregate: Aggregate<StudioDecisions> = {
    scope,
    kind: 'studio',
    id: 'studio',
    noun: 'studio',
    told: () => ({ topic: 'studio', id: 'studio' }),
    fixed: [],
    async find() {
      const row = await read();
      if (!row) return undefined;
      const { mappings: _, ext: __, ...body } = row.body;
      return { body: body as StudioDecisions, version: row.version };
    },
    async save(body, seen) {
      const rows = await scope.select(
        `UPDATE studios SET version = version + 1,
           body = jsonb_strip_nulls(jsonb_build_object('mappings', body -> 'mappings', 'ext', body -> 'ext')) || $2::jsonb
         WHERE id = $1 AND version = $3 RETURNING id`,
        [JSON.stringify(body), seen],
      );
      return rows.length === 1;
    },
    async check(body) {
      const shape = readShape(studioDecisions, body);
      if (shape.ok) return shape.value;
      const [first] = shape.fault;
      throw new HttpFault('bad-request', `So the studio cannot stand: ${first?.at} ${first?.message}`, {
        problems: shape.fault,
      });
    },
    tell: async () => ({ ...(await getStored(aggregate)), history: await readHistory(aggregate) }),
  };
  return aggregate;
}
