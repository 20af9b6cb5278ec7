// Why no sequence is left once they are danced: what the table holds leads to some, but each fails at its seam or in its place.
import type { Library } from '../library/library.ts';
import { bestFirst, type SearchTerms, stepsOf, type TrailBudget } from './best-first.ts';
import { findLinkFault } from './walk.ts';
import type { NoSequence } from './why-none.ts';

const BUDGET = 20_000;

/** `isProven`: all were looked at. */
export function whyNotDanced(library: Library, terms: SearchTerms, isProven: boolean): NoSequence {
  const { maxInRow } = terms.request;
  if (isProven && firstOf({ ...terms, leaves: 'seam' }))
    return {
      rule: 'row',
      message: `danced round and round, some figure would come more often in a row than ${maxInRow} where the end meets the beginning`,
    };
  const found = firstOf({ ...terms, leaves: 'place' });
  const fault = found && findLinkFault(library, terms.request, found);
  const where = fault ? `; at best ${fault}` : '';
  return isProven
    ? {
        rule: 'place',
        message: `every order of these figures comes to a place from which it cannot be danced on${where}`,
      }
    : { rule: 'place', message: `none was found that can be danced through; not all were tried${where}` };
}

function firstOf(terms: SearchTerms): readonly string[] | undefined {
  const budget: TrailBudget = { left: BUDGET, least: 0, isOver: false };
  for (const trail of bestFirst(terms, budget)) return stepsOf(trail).map(({ figure }) => figure.id);
  return undefined;
}
