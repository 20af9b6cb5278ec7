import type { Role } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';

/** How something is danced in a figure of a sequence, and how it was danced as the figure before ended. */
export interface Attention {
  readonly quality: string;
  readonly role: Role | 'both';
  /** Its words, one after the other, each once where it stays; empty where the figure does not say. */
  readonly values: readonly string[];
  /** The last word of the figure before; undefined where that one does not say. */
  readonly before: string | undefined;
}

/**
 * What to attend to as a figure begins: the qualities that its tracks give and those that only the figure before gave, without
 * what just goes on as it was.
 */
export function attendTo(figure: Figure, before: Figure | undefined): readonly Attention[] {
  const own = tracksOf(figure);
  const earlier = before ? tracksOf(before) : new Map<string, Track>();
  const keys = new Set([...own.keys(), ...earlier.keys()]);
  return [...keys].flatMap((key): Attention[] => {
    const [now, then] = [own.get(key), earlier.get(key)];
    const track = now ?? then;
    if (!track) return [];
    const values = now?.words ?? [];
    const last = then?.words.at(-1);
    if (values.length === 1 && values[0] === last) return [];
    return [{ quality: track.quality, role: track.role, values, before: last }];
  });
}

interface Track {
  readonly quality: string;
  readonly role: Role | 'both';
  readonly words: readonly string[];
}

function tracksOf({ pattern }: Figure): ReadonlyMap<string, Track> {
  return new Map<string, Track>(
    (pattern.tracks ?? []).flatMap(({ quality, role: own, values }): [string, Track][] => {
      const role: Role | 'both' = own ?? 'both';
      const said = values.filter(value => value !== null);
      const words = said.filter((word, index) => word !== said[index - 1]);
      return words.length === 0 ? [] : [[`${quality} ${role}`, { quality, role, words }]];
    }),
  );
}
