// What two figures differ in that is told and not priced: the holds, and how they are danced.
import type { Pattern } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';
import { allExitHolds, entryHolds, findHold } from '../steps/holds.ts';
import { tracksInOrder } from '../steps/tracks.ts';
import { compareFigures } from './compare.ts';

const LIST = new Intl.ListFormat('en', { type: 'disjunction' });
const ALL = new Intl.ListFormat('en');

/** Sentences about A beside B: other holds, and qualities that are danced in another way; none where nothing differs. */
export function toldBeside(a: Figure, b: Figure): readonly string[] {
  return [...heldOtherwise(a, b), ...dancedOtherwise(a, b)];
}

function heldOtherwise(a: Figure, b: Figure): readonly string[] {
  if (a.dance.id !== b.dance.id) return [];
  const name = (id: string) => findHold(a.dance, id)?.name ?? id;
  const ways = (holdsOf: (pattern: Pattern) => readonly string[]) => {
    const [own, other] = [holdsOf(a.pattern), holdsOf(b.pattern)];
    const isSame = own.length === other.length && own.every(id => other.includes(id));
    return isSame || own.length === 0 || other.length === 0 ? undefined : ([own, other] as const);
  };
  const told = [
    ['begins', ways(entryHolds)],
    ['ends', ways(allExitHolds)],
  ] as const;
  const differing = told.flatMap(([when, pair]) => (pair ? [waysInWords(when, pair)] : []));
  if (differing.length === 0) return [];
  function waysInWords(when: string, [own, other]: readonly [readonly string[], readonly string[]]): string {
    const only = own.filter(id => !other.includes(id));
    const missing = other.filter(id => !own.includes(id));
    const list = (ids: readonly string[]) => LIST.format(ids.map(name));
    if (missing.length === 0) return `${when} in ${list(only)} too`;
    if (only.length === 0) return `never ${when} in ${list(missing)}`;
    return `${when} in ${list(only)}, not ${list(missing)}`;
  }
  const isSameSteps = compareFigures(a, b).novelty === 0;
  return [`${isSameSteps ? 'The same steps, in another hold: it' : 'It'} ${differing.join(', and ')}.`];
}

function dancedOtherwise(a: Figure, b: Figure): readonly string[] {
  const written = ({ dance, pattern }: Figure) =>
    tracksInOrder(dance, pattern).map(
      ({ quality, track }) => [quality.name, `${track.role ?? ''} ${JSON.stringify(track.values)}`] as const,
    );
  const [own, other] = [written(a), written(b)];
  const differing = [...own, ...other].filter(
    one => ![own, other].every(list => list.some(([name, words]) => name === one[0] && words === one[1])),
  );
  const names = [...new Set(differing.map(([name]) => name))];
  return names.length === 0 ? [] : [`Danced in another way: ${ALL.format(names.map(lowerFirst))}.`];
}

function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}
