import type { Library } from '../library/library.ts';
import type { Split } from '../model/document.ts';
import { quickestStep } from '../steps/quickness.ts';

export type SongFit =
  | { readonly pattern: string; readonly fit: 'suits' }
  /** In a form of another tempo. */
  | { readonly pattern: string; readonly fit: 'other-form'; readonly form: string }
  | { readonly pattern: string; readonly fit: 'too-fast' | 'too-slow' | 'other-split' };

/**
 * Which figures a song suits, in beats a minute: those whose band, or whose dance's, holds the tempo and whose shortest
 * step the level can do; else a form of the figure for another tempo that it suits.
 */
export function figuresForSong(
  library: Library,
  ids: readonly string[],
  song: { readonly tempo: number; readonly split?: Split },
): readonly SongFit[] {
  return ids.flatMap((id): SongFit[] => {
    const misfit = whyNot(library, id, song);
    if (misfit === 'unknown') return [];
    if (misfit === undefined) return [{ pattern: id, fit: 'suits' }];
    const form = [...library.patterns.values()].find(
      ({ id: other, variantOf, variantWhy }) =>
        variantOf === id && variantWhy === 'tempo' && whyNot(library, other, song) === undefined,
    );
    return [form ? { pattern: id, fit: 'other-form', form: form.id } : { pattern: id, fit: misfit }];
  });
}

function whyNot(
  library: Library,
  id: string,
  { tempo, split }: { readonly tempo: number; readonly split?: Split },
): 'unknown' | 'too-fast' | 'too-slow' | 'other-split' | undefined {
  const figure = library.readings.get(id)?.figure;
  if (!figure) return 'unknown';
  const { pattern, dance, parts } = figure;
  const quickest = quickestStep(figure, tempo, library.levels.get(pattern.level ?? '')?.shortest);
  const bands = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  const isSplit = parts.some(({ rhythm }) =>
    rhythm.events.some(({ onset }) => onset !== null && onset % 48 !== 0),
  );
  if (quickest && quickest.ms < quickest.limit) return 'too-fast';
  if (bands.length > 0 && bands.every(({ max }) => tempo > max)) return 'too-fast';
  if (bands.length > 0 && bands.every(({ min }) => tempo < min)) return 'too-slow';
  if (split !== undefined && isSplit && split !== (pattern.split ?? dance.split)) return 'other-split';
  return undefined;
}

const MOST_TAPS = 12;
const LONGEST_GAP_MS = 2000;

/** Beats a minute from the instants of taps in milliseconds, over the last of them; undefined under four in a row. */
export function tempoOfTaps(taps: readonly number[]): number | undefined {
  const last = taps.slice(-MOST_TAPS);
  const begin = last.findLastIndex(
    (tap, index) => index > 0 && tap - (last[index - 1] ?? tap) > LONGEST_GAP_MS,
  );
  const run = last.slice(Math.max(0, begin));
  const [first, end] = [run[0], run.at(-1)];
  if (run.length < 4 || first === undefined || end === undefined || end <= first) return undefined;
  return Math.round((60_000 * (run.length - 1)) / (end - first));
}
