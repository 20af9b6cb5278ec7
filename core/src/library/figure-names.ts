// How a figure is named where it is written in a line: by the house's name for it, by another, or by how one begins.
import type { Dance } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import type { Figure } from '../steps/figure.ts';
import { nearestOf } from '../steps/step.ts';
import type { Library } from './library.ts';

/** A name as it stands, whatever signs are in it. */
export const QUOTED = /["“”][^"“”]*["“”]/;
/** Read as something else than a part of a name. */
const SIGNS = /[,:;+()[\]×*–]|^\S+-\S+ of | last | \d+ times$| x\d+$/i;

/** The name of a figure so that it reads back: with signs in it in quotes, the second of two that are called alike by its id. */
export function writtenName(id: string, { patterns }: Pick<Library, 'patterns'>): string {
  const pattern = patterns.get(id);
  if (!pattern) return id;
  const { name, dance } = pattern;
  const first = [...patterns.values()].find(
    one => one.dance === dance && one.name.toLowerCase() === name.toLowerCase(),
  );
  if (first !== pattern) return id;
  return SIGNS.test(name) ? `"${name}"` : name;
}

/** The figure of a dance that is meant by a name, another of its names, its id, or how one of these begins; else what would be understood. */
export function findFigureByName(
  written: string,
  { readings }: Library,
  dance: Dance,
): Result<Figure, string> {
  const name = written.trim().replace(/^["“”](.*)["“”]$/, '$1');
  const wanted = name.toLowerCase();
  const own = [...readings.values()].flatMap(({ figure }) => (figure.dance.id === dance.id ? [figure] : []));
  const namesOf = ({ pattern }: Figure) =>
    [pattern.name, pattern.id, ...(pattern.aliases ?? []).map(alias => alias.name)].map(one =>
      one.toLowerCase(),
    );
  const exact =
    own.find(({ pattern }) => pattern.id === wanted) ?? own.find(figure => namesOf(figure).includes(wanted));
  if (exact) return success(exact);
  const begun =
    wanted === '' ? [] : own.filter(figure => namesOf(figure).some(one => one.startsWith(wanted)));
  const [only, ...others] = begun;
  if (only && others.length === 0) return success(only);
  if (begun.length > 1)
    return failure(
      `“${name}” can be ${begun
        .slice(0, 4)
        .map(({ pattern }) => pattern.name)
        .join(', ')}: write more of it`,
    );
  const names = own.map(({ pattern }) => pattern.name);
  return failure(`“${name}” is no figure of ${dance.name}; there are ${nearestOf(name, names)}`);
}
