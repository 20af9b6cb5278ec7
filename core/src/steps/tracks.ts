import type { Dance, Pattern, Quality, QualityLayer, QualityTrack } from '../model/document.ts';

/** Where a quality is seen, from the feet upward: the order in which they are taught. */
const LAYERS: readonly QualityLayer[] = ['feet', 'knees', 'hips', 'body', 'arms', 'head', 'show'];

export interface FigureTrack {
  readonly quality: Quality;
  readonly track: QualityTrack;
  /** Index among the tracks of the pattern. */
  readonly index: number;
}

/** The qualities of a dance from the feet upward. */
export function qualitiesInOrder({ qualities = [] }: Pick<Dance, 'qualities'>): readonly Quality[] {
  return qualities.toSorted((a, b) => LAYERS.indexOf(a.layer) - LAYERS.indexOf(b.layer));
}

/** The tracks of a figure from the feet upward; those of one quality as they are written. */
export function tracksInOrder(
  dance: Pick<Dance, 'qualities'>,
  { tracks = [] }: Pick<Pattern, 'tracks'>,
): readonly FigureTrack[] {
  return qualitiesInOrder(dance).flatMap(quality =>
    tracks.flatMap((track, index) => (track.quality === quality.id ? [{ track, index, quality }] : [])),
  );
}

/** A figure with one word of a track changed; a track without words is taken away. */
export function putTrackWord(pattern: Pattern, index: number, event: number, text: string): Pattern {
  const tracks = pattern.tracks ?? [];
  const track = tracks[index];
  if (!track) return pattern;
  const length = Math.max(track.values.length, event + 1);
  const values = Array.from({ length }, (_, at) =>
    at === event ? text || null : (track.values[at] ?? null),
  );
  const kept = values.every(value => value === null)
    ? tracks.toSpliced(index, 1)
    : tracks.with(index, { ...track, values });
  const { tracks: _, ...rest } = pattern;
  return kept.length > 0 ? { ...rest, tracks: kept } : rest;
}
