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
  const differing = told.flatMap(([when, pair]) =>
    pair ? [`${when} in ${LIST.format(pair[0].map(name))}, not ${LIST.format(pair[1].map(name))}`] : [],
  );
  if (differing.length === 0) return [];
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
