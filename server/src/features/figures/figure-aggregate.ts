import { type Pattern, patternSchema, type StudioDocument } from '@map-step/core';
import type { Aggregate } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { listWithNeeds } from './material-store.ts';

/** A figure of the house. Its dance is what it is written in: that stays. */
export function figureAggregate(scope: StudioScope, id: string): Aggregate<Pattern> {
  return documentAggregate(scope, id, {
    kind: 'pattern',
    table: 'patterns',
    noun: 'figure',
    told: () => ({ topic: 'material', id }),
    fixed: ['id', 'dance'],
    schema: patternSchema,
    around: figure => around(scope, figure),
  });
}

/** Only what the figure names, so that the cost is that of the figure, however large the library. */
async function around(scope: StudioScope, figure: Pattern): Promise<Partial<StudioDocument>> {
  const { needs = [], lookalikes = [], made = [], variantOf, over } = figure;
  const named = [
    ...needs,
    ...lookalikes,
    ...made.flatMap(({ pattern, last }) => [pattern, last]),
    variantOf,
    over,
  ];
  const patterns = await listWithNeeds(scope, [...new Set(named.filter(id => id !== undefined))]);
  const all = [figure, ...patterns];
  const some = <Kind extends 'dances' | 'levels' | 'elements'>(
    kind: Kind,
    ids: readonly (string | undefined)[],
  ) => documentStore(scope, kind).listSome([...new Set(ids.filter(id => id !== undefined))]);
  return {
    patterns,
    dances: await some(
      'dances',
      all.map(({ dance }) => dance),
    ),
    levels: await some(
      'levels',
      all.map(({ level }) => level),
    ),
    elements: await some(
      'elements',
      all.flatMap(({ elements = [] }) => elements),
    ),
  };
}
