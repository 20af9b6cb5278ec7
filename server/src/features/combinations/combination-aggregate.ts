import { type Combination, combinationSchema, patternsOf, type StudioDocument } from '@map-step/core';
import type { Aggregate } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';

/** Figures danced one after the other. Whether they can be is told where they are looked at: nothing is refused for it. */
export function combinationAggregate(scope: StudioScope, id: string): Aggregate<Combination> {
  const aggregate = documentAggregate(scope, id, {
    kind: 'combination',
    table: 'combinations',
    noun: 'combination',
    told: () => ({ topic: 'combination', id }),
    fixed: ['id', 'dance'],
    schema: combinationSchema,
    around: combination => around(scope, combination),
  });
  return {
    ...aggregate,
    check: async (combination, touched) => {
      const checked = await aggregate.check(combination, touched);
      await refuseOtherDances(scope, checked);
      return checked;
    },
  };
}

async function around(scope: StudioScope, combination: Combination): Promise<Partial<StudioDocument>> {
  const { dance, course } = combination;
  const named = await scope.select<{ id: string }>(
    'SELECT id FROM patterns WHERE studio_id = $1 AND id = ANY($2)',
    [patternsOf(combination)],
  );
  return {
    dances: await documentStore(scope, 'dances').listSome([dance]),
    patterns: await documentStore(scope, 'patterns').listSome(named.map(({ id }) => id)),
    courses: course === undefined ? [] : await documentStore(scope, 'courses').listSome([course]),
  };
}

async function refuseOtherDances(scope: StudioScope, combination: Combination): Promise<void> {
  const [other] = await scope.select<{ name: string }>(
    "SELECT body ->> 'name' AS name FROM patterns WHERE studio_id = $1 AND id = ANY($2) AND dance_id <> $3",
    [patternsOf(combination), combination.dance],
  );
  if (other) throw new HttpFault('bad-request', `“${other.name}” is a figure of another dance.`);
}
