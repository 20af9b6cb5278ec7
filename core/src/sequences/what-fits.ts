// What may be changed in a sequence: each change is danced through, and told by what it leaves. A walk for each that is tried.
import type { Library } from '../library/library.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { type GivenSequence, type SequenceItem, walkSequence } from './walk.ts';

/** A figure that can be danced there. */
export interface FittingFigure {
  readonly pattern: string;
  /** Ticks that the whole is longer with it; below 0 shorter. */
  readonly longer: Ticks;
  /** It still ends as it has to. */
  readonly closes: boolean;
}

/** Where a figure would be danced, and which are tried. */
export interface FitQuestion {
  readonly at: number;
  readonly among: readonly string[];
}

/**
 * Those that may stand in the place of an item, as often as it is danced, with fewer links that fail, or none: what ends as it
 * has to and is no longer first, then as given.
 */
export function fitsInPlace(
  library: Library,
  sequence: GivenSequence,
  { at, among }: FitQuestion,
): readonly FittingFigure[] {
  const { steps } = sequence;
  const own = steps[at];
  const times = own && 'times' in own ? own.times : undefined;
  const isOwn = (id: string) => own !== undefined && 'pattern' in own && own.pattern === id;
  const others = among.filter(id => !isOwn(id));
  return fitting(library, sequence, others, id =>
    steps.map((item, index) =>
      index === at ? { pattern: id, ...(times !== undefined && { times }) } : item,
    ),
  );
}

/** The same of those that may be set before an item; before the end where `at` is as many as there are items. */
export function fitsBefore(
  library: Library,
  sequence: GivenSequence,
  { at, among }: FitQuestion,
): readonly FittingFigure[] {
  const { steps } = sequence;
  return fitting(library, sequence, among, id => [
    ...steps.slice(0, at),
    { pattern: id },
    ...steps.slice(at),
  ]);
}

/** The ids of those that can be danced right after an item, whatever would come then; as given. */
export function fitsAfter(
  library: Library,
  sequence: GivenSequence,
  { at, among }: FitQuestion,
): readonly string[] {
  const before = sequence.steps.slice(0, at + 1);
  const faults = walkSequence(library, { ...sequence, steps: before }).faults.length;
  return among.filter(pattern => {
    const after = walkSequence(library, { ...sequence, steps: [...before, { pattern }] });
    return after.faults.length === faults;
  });
}

function fitting(
  library: Library,
  sequence: GivenSequence,
  among: readonly string[],
  changed: (id: string) => readonly SequenceItem[],
): readonly FittingFigure[] {
  const before = walkSequence(library, sequence);
  const found = among.flatMap((pattern): FittingFigure[] => {
    const after = walkSequence(library, { ...sequence, steps: changed(pattern) });
    if (after.faults.length > 0 && after.faults.length >= before.faults.length) return [];
    return [{ pattern, longer: ticks(after.beats - before.beats), closes: after.closes }];
  });
  const rank = ({ longer, closes }: FittingFigure) => (closes ? 0 : 2) + (longer === 0 ? 0 : 1);
  return found.sort((a, b) => rank(a) - rank(b));
}
