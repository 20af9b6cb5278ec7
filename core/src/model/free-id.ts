import slugify from '@sindresorhus/slugify';

const LONGEST = 56;

/**
 * A name as an id of `a-z`, `0-9` and `-`, of at most 60 signs; with a number behind it where that is taken, the first
 * that is free. A name of signs alone takes the word that stands for it.
 */
export function freeId(name: string, isTaken: (id: string) => boolean, unnamed: string): string {
  const stem = slugify(name, { decamelize: false }).slice(0, LONGEST).replace(/-+$/, '') || unnamed;
  if (!isTaken(stem)) return stem;
  let number = 2;
  while (isTaken(`${stem}-${number}`)) number += 1;
  return `${stem}-${number}`;
}
