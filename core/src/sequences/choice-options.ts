import type { Library } from '../library/library.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import { labelOf } from '../steps/counts.ts';
import { type GivenSequence, type WalkRow, walkSequence } from './walk.ts';
import type { FitQuestion } from './what-fits.ts';

/** What the leader may set at a place of a sequence. */
export interface ChoiceOption {
  /** Null: nothing, the dance goes on at once. */
  readonly pattern: string | null;
  /** It can be danced into and on from. */
  readonly goes: boolean;
  /** With it the whole ends as it has to, on a whole phrase. */
  readonly meets: boolean;
  /** How the partner knows that it comes. */
  readonly signals: readonly string[];
}

export interface ChoicePoint {
  readonly options: readonly ChoiceOption[];
  /** The last count before, by which the signal must have come; undefined at the beginning. */
  readonly by: { readonly pattern: string; readonly count: string } | undefined;
}

/** What each of several figures, or none, would do in the place of an item; a walk for each. */
export function choicePoint(
  library: Library,
  sequence: GivenSequence,
  { at, among }: FitQuestion,
): ChoicePoint {
  const { steps, dance } = sequence;
  const phrase = dance.phrase * TICKS_PER_BEAT;
  const walkWith = (id: string | null) =>
    walkSequence(library, {
      ...sequence,
      steps: [...steps.slice(0, at), ...(id === null ? [] : [{ pattern: id }]), ...steps.slice(at + 1)],
    });
  const options = [...among, null].map((pattern): ChoiceOption => {
    const { faults, beats, closes } = walkWith(pattern);
    const marks = library.patterns.get(pattern ?? '')?.marks ?? [];
    return {
      ...{ pattern, goes: faults.length === 0, meets: closes && beats % phrase === 0 },
      signals: marks.flatMap(({ kind, text }) => (kind === 'signal' && text !== '' ? [text] : [])),
    };
  });
  const before = walkSequence(library, sequence).rows.findLast(({ item }) => item < at);
  return { options, by: before && lastCount(library, before) };
}

function lastCount(library: Library, { pattern }: WalkRow): ChoicePoint['by'] {
  const figure = library.readings.get(pattern)?.figure;
  const [part] = figure?.parts ?? [];
  if (!figure || !part) return undefined;
  return { pattern, count: labelOf(figure, part.rhythm, part.rhythm.events.length - 1) };
}
