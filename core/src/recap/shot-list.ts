import { eveningByLog } from '../evening/evening-by-log.ts';
import type { Library } from '../library/library.ts';
import { seriesOrder } from '../library/series-order.ts';
import type { Log, Studio } from '../model/document.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { canFollow } from '../steps/links.ts';

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

/** What a lesson is filmed by. */
export interface ShotSource {
  readonly library: Library;
  readonly studio: Pick<Studio, 'roles'>;
  /** Of how many lessons. */
  readonly lessons: number;
  readonly lesson: number;
  /** All entries of the class; those of later lessons are passed over. */
  readonly logs: readonly Log[];
}

/** So slow that each count can be said. */
const SLOWLY = 0.6;
const COUNT_IN = 4;
/** Seconds in which one can say what is shown. */
const LEAST_SECONDS = 8;
/** Seconds a step of a figure without set timing is shown. */
const UNTIMED_STEP = 2;

/**
 * The takes by which the figures that were new tonight are filmed: nothing that was only begun, more than once in a row only what
 * joins itself, at speed only what is solid. The last lesson's are the walk through all that was danced. Linear in the figures.
 */
export function shotList({ library, studio, lessons, lesson, logs }: ShotSource): ShotList {
  const figuresOf = (ids: readonly string[]) =>
    ids.flatMap(id => library.readings.get(id)?.figure ?? []).filter(({ parts }) => parts.length > 0);
  const evening = eveningByLog(logs, lesson);
  const isSolid = new Set(
    evening.logs.flatMap(({ pattern, result }) => (result === 'solid' ? [pattern] : [])),
  );
  const takes =
    lesson === lessons
      ? seriesOrder(figuresOf([...evening.known, ...evening.fresh])).map(({ figure }) => walkThrough(figure))
      : figuresOf(evening.fresh).flatMap(figure => takesOf(figure, studio, isSolid.has(figure.pattern.id)));
  return { takes, total: takes.reduce((sum, { seconds }) => sum + seconds, 0) };
}

/** One figure of the series, once and counted. */
function walkThrough(figure: Figure): Take {
  const { slow } = temposOf(figure);
  const who = figure.parts.length > 1 ? 'both' : 'one dancer';
  return takeOf(figure, { what: 'once, counted', angle: 'from the front', who, tempo: slow, repeats: 1 });
}

function takesOf(figure: Figure, { roles }: Pick<Studio, 'roles'>, isSolid: boolean): readonly Take[] {
  const isPair = figure.parts.length > 1;
  const names = { lead: roles?.lead ?? 'Leader', follow: roles?.follow ?? 'Follower' };
  const { usual, slow, most } = temposOf(figure);
  const all = isPair ? 'both' : 'one dancer';
  const joins = canFollow(figure, figure);
  const take = (what: string, angle: string, who: string, tempo: number, times: number): Take =>
    takeOf(figure, { what, angle, who, tempo, repeats: joins ? times : 1 });
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
    ...(isSolid ? [take('at speed', 'from the front', all, most, 2)] : []),
    take('with music', 'from the front', all, usual, 4),
  ];
}

/** Beats a minute: as usual, so slow that counts can be said, and as fast as it is danced. */
function temposOf({ pattern, dance }: Figure): { usual: number; slow: number; most: number } {
  const bands = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  if (bands.length === 0) return { usual: 100, slow: Math.round(100 * SLOWLY), most: 100 };
  const least = Math.min(...bands.map(({ min }) => min));
  const most = Math.max(...bands.map(({ max }) => max));
  return { usual: Math.round((least + most) / 2), slow: Math.round(least * SLOWLY), most };
}

function takeOf(
  figure: Figure,
  { what, tempo, ...take }: Omit<Take, 'seconds' | 'tempo'> & { readonly tempo: number },
): Take {
  return {
    ...{ what: `${figure.pattern.name}: ${what}`, ...take },
    tempo: figure.beats === null ? null : tempo,
    seconds: Math.max(LEAST_SECONDS, secondsOf(figure, tempo, take.repeats)),
  };
}

function secondsOf(figure: Figure, tempo: number, repeats: number): number {
  if (figure.beats === null) return (figure.parts[0]?.steps.length ?? 0) * UNTIMED_STEP * repeats;
  const beats = COUNT_IN + (figure.beats / TICKS_PER_BEAT) * repeats;
  return Math.ceil((beats * 60) / tempo);
}
