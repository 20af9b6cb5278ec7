import type { Dance, StudioDocument } from '../model/document.ts';
import { type Issue, issue } from '../model/issue.ts';
import { figureErrorsIn } from './check-figures.ts';
import { findCircles } from './check-needs.ts';
import { checkReferences } from './check-references.ts';
import { byId } from './library.ts';

/**
 * Why the first entry of a list of a document cannot stand among the others: errors only, as `checkDocument` tells them.
 * The others are not judged. Linear in the entry and in what stands around it.
 */
export function checkFirstEntry(document: StudioDocument, list: 'patterns' | keyof StudioDocument): Issue[] {
  const problems = [
    ...checkReferences(document),
    ...(list === 'patterns' ? [...firstFigure(document), ...findCircles(document)] : []),
  ];
  return problems.filter(({ severity, at }) => severity === 'error' && `${at}/`.startsWith(`/${list}/0/`));
}

function firstFigure(document: StudioDocument): Issue[] {
  return figureIssues({ ...document, patterns: document.patterns?.slice(0, 1) ?? [] }, document);
}

/** The errors of figures, each danced as its dance has it, among those that they name. */
function figureIssues(
  { patterns = [], dances }: Pick<StudioDocument, 'patterns' | 'dances'>,
  around: Pick<StudioDocument, 'patterns' | 'levels'>,
): Issue[] {
  const library = { levels: byId(around.levels), patterns: byId(around.patterns) };
  const known = byId(dances);
  return patterns.flatMap((pattern, index) => {
    const dance = known.get(pattern.dance);
    const errors = dance ? figureErrorsIn(pattern, dance, library) : [];
    return errors.map(({ code, path, message }) => issue(code, ['patterns', index, ...path], message));
  });
}

/** A figure that a change of its dance would make undanceable, and why. */
export interface BrokenFigure {
  readonly name: string;
  readonly message: string;
}

/**
 * The figures that can be danced in a studio as it is and could not with a dance as it is wished. Linear in what is
 * written.
 */
export function figuresBrokenBy(document: StudioDocument, wished: Dance): readonly BrokenFigure[] {
  const faultsWith = (dances: readonly Dance[]) => {
    const changed = { ...document, dances };
    return [...checkReferences(changed), ...figureIssues(changed, changed)].filter(
      ({ severity, at }) => severity === 'error' && at.startsWith('/patterns/'),
    );
  };
  const dances = document.dances ?? [];
  const before = new Set(faultsWith(dances).map(({ at }) => at));
  const after = faultsWith(dances.map(other => (other.id === wished.id ? wished : other)));
  return after
    .filter(({ at }) => !before.has(at))
    .map(({ at, message }) => ({ name: document.patterns?.[Number(at.split('/')[2])]?.name ?? at, message }));
}
