// The figures of a library danced from the middle of each of their holds, once.
import { type DancedWay, danceWay } from '../couple/carry.ts';
import { type Couple, holdLines, readCouple } from '../couple/couple-time.ts';
import { otherForm } from '../couple/drift.ts';
import { dancePoses } from '../couple/together.ts';
import { footRepeats } from '../floor/closure.ts';
import { modulo } from '../model/units.ts';
import { type Figure, figureTurn, partTurn } from '../steps/figure.ts';
import { allExitHolds, entryHolds } from '../steps/holds.ts';
import { alignments } from '../steps/links.ts';
import { isOffered, type Library } from './library.ts';

export interface DancedFigure {
  readonly figure: Figure;
  readonly couple: Couple;
  readonly ways: readonly DancedWay[];
  /** On the other feet, where that is how it goes on. */
  readonly otherWays: readonly DancedWay[];
  /** What it leads into others by, and what others lead into it by: figures of one kind have one text. */
  readonly ends: string;
  readonly starts: string;
}

/** The figures on offer that a couple dances and that have no faults, in the order of the library. */
export function danceFigures(library: Library): readonly DancedFigure[] {
  return [...library.readings.values()].flatMap(({ figure, faults }) =>
    faults.length === 0 && isOffered(figure.pattern) ? (danceFigure(figure) ?? []) : [],
  );
}

/** Figures stay the same from one library to the next while nobody changes them: danced once. */
const known = new WeakMap<Figure, { readonly danced: DancedFigure | undefined }>();

/** A figure danced on all its ways; undefined where no couple dances it. */
export function danceFigure(figure: Figure): DancedFigure | undefined {
  const kept = known.get(figure) ?? { danced: onAllWays(figure) };
  known.set(figure, kept);
  return kept.danced;
}

function onAllWays(figure: Figure): DancedFigure | undefined {
  const couple = readCouple(figure);
  if (!couple) return undefined;
  const otherWays = footRepeats(figure) === 2 ? waysOf(otherForm(couple)) : [];
  const { pattern, dance, parts } = figure;
  const align = alignments(figure).join();
  const feet = (which: 'start' | 'end') => parts.map(part => `${part.role}${part[which]}`).join();
  const ends = `${dance.id} ${dance.floor} ${allExitHolds(pattern).join()} ${feet('end')} ${align} ${figureTurn(figure)}`;
  const starts = `${dance.id} ${dance.floor} ${entryHolds(pattern).join()} ${feet('start')} ${align}`;
  return { figure, couple, ways: waysOf(couple), otherWays, ends, starts };
}

/** Its ways whose holds fit what both turn. */
function waysOf(couple: Couple): readonly DancedWay[] {
  const { dance } = couple.figure;
  const turn = partTurn(couple.follow) - partTurn(couple.lead);
  return holdLines(couple)
    .flat()
    .filter(line => {
      const [from, to] = [line[0].hold.rel, (line.at(-1) ?? line[0]).hold.rel];
      return from === undefined || to === undefined || modulo(to - from - turn, 360) === 0;
    })
    .map(line => danceWay(dance, line, dancePoses(couple, line)));
}

export const entryOf = ({ line }: DancedWay) => line[0].hold.id;
export const exitOf = ({ line }: DancedWay) => (line.at(-1) ?? line[0]).hold.id;
