import { type Check, checkSchema, type StudioDocument } from '@map-step/core';
import type { Aggregate } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** A check without its marks: those are entries of their own. */
export function checkAggregate(scope: StudioScope, id: string, section: string): Aggregate<Check> {
  const aggregate = documentAggregate(scope, id, {
    kind: 'check',
    table: 'checks',
    noun: 'check',
    told: () => ({ topic: 'check', id: section }),
    fixed: ['id', 'section', 'marks'],
    schema: checkSchema,
    around: check => around(scope, check),
  });
  const find = async () => {
    const stored = await aggregate.find();
    return stored?.body.section === section ? stored : undefined;
  };
  return { ...aggregate, find };
}

async function around(scope: StudioScope, check: Check): Promise<Partial<StudioDocument>> {
  const named = check.items.map(({ pattern }) => pattern);
  return {
    sections: await documentStore(scope, 'sections').listSome([check.section]),
    patterns: await documentStore(scope, 'patterns').listSome(named),
  };
}
