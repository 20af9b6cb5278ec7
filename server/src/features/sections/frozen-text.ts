import { combinationsInBlocks, figuresInBlocks, patternsOf } from '@map-step/core';
import { workedOut } from '../../compute/work-first.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { getStudio } from '../studio/studio-store.ts';

/** What the tables take of one text. */
const LONGEST = 4_000_000;

/** A text with its blocks as the figures are at this moment. */
export async function frozenText(scope: StudioScope, markdown: string): Promise<string> {
  const [figures, danced] = [figuresInBlocks(markdown), combinationsInBlocks(markdown)];
  if (figures.length + danced.length === 0) return markdown;
  const combinations = await documentStore(scope, 'combinations').listSome(danced);
  const named = [...new Set([...figures, ...combinations.flatMap(patternsOf)])];
  const patterns = await documentStore(scope, 'patterns').listSome(named);
  const dances = await documentStore(scope, 'dances').listSome([
    ...new Set([...patterns, ...combinations].map(({ dance }) => dance)),
  ]);
  const { roles, counting } = await getStudio(scope);
  const text = workedOut(scope, 'freeze-text', {
    markdown,
    material: { patterns, dances },
    combinations,
    studio: { ...(roles && { roles }), ...(counting && { counting }) },
  });
  if (text.length > LONGEST)
    throw new HttpFault(
      'too-large',
      'With its drawings this text is longer than can be kept. Take out the blocks of the longest figures.',
    );
  return text;
}
