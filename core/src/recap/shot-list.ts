import type { Library } from '../library/library.ts';
import type { Studio } from '../model/document.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';

/** One take of a filmed recap. */
export interface Take {
  readonly what: string;
  /** From where it is filmed. */
  readonly angle: string;
  /** Who is seen. */
  readonly who: string;
  /** Beats a minute; null without timing. */
  readonly tempo: number | null;
  readonly repeats: number;
  /** Whole seconds with the four beats before it. */
  readonly seconds: number;
}

export interface ShotList {
  readonly takes: readonly Take[];
  /** Seconds of all takes. */
  readonly total: number;
}

/** So slow that each count can be said. */
const SLOWLY = 0.6;
const COUNT_IN = 4;
/** Seconds a step of a figure without set timing is shown. */
const UNTIMED_STEP = 2;

/** The takes by which one new figure is filmed, and one for everything at the end. Linear in the figures. */
export function shotList(
  figures: readonly string[],
  { library, studio }: { readonly library: Library; readonly studio: Pick<Studio, 'roles'> },
): ShotList {
  const known = figures
    .flatMap(id => library.readings.get(id)?.figure ?? [])
    .filter(({ parts }) => parts.length > 0);
  const takes = known.flatMap(figure => takesOf(figure, studio));
  return { takes, total: takes.reduce((sum, { seconds }) => sum + seconds, 0) };
}

function takesOf(figure: Figure, { roles }: Pick<Studio, 'roles'>): readonly Take[] {
  const { pattern, dance, parts } = figure;
  const isPair = parts.length > 1;
  const names = { lead: roles?.lead ?? 'Leader', follow: roles?.follow ?? 'Follower' };
  const bands = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  const least = Math.min(...bands.map(({ min }) => min));
  const most = Math.max(...bands.map(({ max }) => max));
  const usual = bands.length > 0 ? Math.round((least + most) / 2) : 100;
  const slow = Math.round((bands.length > 0 ? least : usual) * SLOWLY);
  const all = isPair ? 'both' : 'one dancer';
  const take = (what: string, angle: string, who: string, tempo: number, repeats: number): Take => ({
    ...{ what: `${pattern.name}: ${what}`, angle, who, repeats },
    tempo: figure.beats === null ? null : tempo,
    seconds: secondsOf(figure, tempo, repeats),
  });
  return [
    take('once, whole', 'from the front', all, usual, 1),
    ...(isPair
      ? [
          take('the leader’s part', 'from behind the leader', names.lead, slow, 2),
          take('the follower’s part', 'from behind the follower', names.follow, slow, 2),
        ]
      : [take('the steps', 'from behind, the feet in the picture', all, slow, 2)]),
    take('counted aloud', 'the feet close', all, slow, 2),
    ...(isPair ? [take('together', 'from the front', all, usual, 2)] : []),
    take('from the other side', 'from the other side', all, usual, 2),
    take('at speed', 'from the front', all, bands.length > 0 ? most : usual, 2),
    take('with music', 'from the front', all, usual, 4),
  ];
}

function secondsOf(figure: Figure, tempo: number, repeats: number): number {
  if (figure.beats === null) return (figure.parts[0]?.steps.length ?? 0) * UNTIMED_STEP * repeats;
  const beats = COUNT_IN + (figure.beats / TICKS_PER_BEAT) * repeats;
  return Math.ceil((beats * 60) / tempo);
}
