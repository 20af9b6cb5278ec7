// What hurts in the levels of a dance.
import { figureRoute, findRoutes, isDanced } from '../couple/routes.ts';
import { figureName, type Library } from '../library/library.ts';
import { figureDifficulty } from '../likeness/difficulty.ts';
import { needsOf } from '../model/needs.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import type { Figure } from '../steps/figure.ts';
import { requiredBy, type TaughtLevel } from './level-chain.ts';

export type FindingCode = 'gap' | 'twice' | 'unused' | 'heavy' | 'out-of-order' | 'stuck' | 'gate-unused';

export interface Finding {
  readonly code: FindingCode;
  readonly dance: string;
  /** Where it is felt: of something taught twice the upper level, of a figure that is missing the one that needs it. */
  readonly level: string;
  /** Missing where it is said of a level. */
  readonly pattern?: string;
  readonly message: string;
  /** Of a figure out of order: to which of its neighbours it would belong. */
  readonly toward?: 'above' | 'below';
}

/** A level is heavy when it has so many times the minutes of its neighbours, by the minute of its lessons. */
const HEAVY = 1.35;

/**
 * The findings in a chain of levels, lowest first; within a level in the order of the codes, then of its figures. `asked`: what
 * checks of each level ask. Costs the routes of the dance once a level.
 */
export function findingsOf(
  library: Library,
  dance: string,
  chain: readonly TaughtLevel[],
  asked: ReadonlyMap<string, ReadonlySet<string>>,
): readonly Finding[] {
  const name = (id: string) => figureName(library, id);
  const routes = chain.map((_, index) => routesUpTo(library, chain, index));
  const medians = chain.map(level => medianOf(difficultiesOf(library, level).map(([, points]) => points)));
  return chain.flatMap((level, index): Finding[] => {
    const { id: own, name: levelName } = level.level;
    const tell = (code: FindingCode, message: string, pattern?: string): Finding => ({
      ...{ code, dance, level: own, message },
      ...(pattern !== undefined && { pattern }),
    });
    const below = new Map(
      chain.slice(0, index).flatMap(lower => lower.teaches.map(id => [id, lower.level.name] as const)),
    );
    const above = chain.slice(index + 1);
    const isLast = above.length === 0;
    const weight = heaviness(chain, index);
    const unused = isLast ? [] : unusedIn(library, level, above, routes.slice(index + 1), asked.get(own));
    const neededAbove = new Set(
      above.flatMap(upper => upper.teaches.flatMap(id => needsOf(library.patterns.get(id) ?? {}))),
    );
    return [
      ...requiredBy(library, level)
        .filter(id => !below.has(id))
        .map(id =>
          tell('gap', `${name(id)} is needed in ${levelName} and taught neither there nor below`, id),
        ),
      ...level.teaches
        .filter(id => below.has(id))
        .map(id =>
          tell('twice', `${name(id)} is introduced in ${below.get(id)} and again in ${levelName}`, id),
        ),
      ...(unused.length === 0
        ? []
        : [tell('unused', `Nothing uses ${unused.map(name).join(', ')}, which ${levelName} teaches`)]),
      ...(weight > HEAVY
        ? [tell('heavy', `${levelName} has ${weight.toFixed(1)} times the minutes of the levels beside it`)]
        : []),
      ...outOfOrder(library, level, medians[index - 1], medians[index + 1]).map(([id, toward]) => ({
        ...tell('out-of-order', `${name(id)} is ${ORDER_WORDS[toward]} ${levelName}`, id),
        toward,
      })),
      ...(routes[index]?.stuck ?? []).map(([id, way]) =>
        tell('stuck', `${name(id)} cannot be ${way} with what is taught up to ${levelName}`, id),
      ),
      ...(isLast ? [] : [...level.gates])
        .filter(id => level.teaches.includes(id) && !neededAbove.has(id))
        .map(id =>
          tell('gate-unused', `${name(id)} is a gate of ${levelName}, and nothing above needs it`, id),
        ),
    ];
  });
}

interface LevelRoutes {
  /** Figures of the level that have no way in, or none out. */
  readonly stuck: readonly (readonly [string, 'reached' | 'left'])[];
  /** Figures on a shortest way into one of the level or out of it. */
  readonly passed: ReadonlySet<string>;
}

function routesUpTo(library: Library, chain: readonly TaughtLevel[], index: number): LevelRoutes {
  const ids = [...new Set(chain.slice(0, index + 1).flatMap(({ teaches }) => teaches))];
  const figures = figuresOf(library, ids).filter(isDanced);
  const routes = findRoutes(figures);
  const own = new Set(chain[index]?.teaches);
  if (!routes) return { stuck: [], passed: new Set() };
  const ways = figures
    .filter(({ pattern }) => own.has(pattern.id))
    .map(figure => [figure.pattern.id, figureRoute(figure, routes)] as const);
  return {
    stuck: ways
      .filter(([, way]) => way.in === null || way.out === null)
      .map(([id, way]) => [id, way.in === null ? 'reached' : 'left']),
    passed: new Set(
      ways.flatMap(([id, way]) => [...(way.in ?? []), ...(way.out ?? [])].filter(on => on !== id)),
    ),
  };
}

function figuresOf(library: Library, ids: readonly string[]): readonly Figure[] {
  return ids.flatMap(id => library.readings.get(id)?.figure ?? []);
}

/** What is introduced, no gate, needed by nothing, in no check, and on no way of what is taught above. */
function unusedIn(
  library: Library,
  { teaches, gates }: TaughtLevel,
  above: readonly TaughtLevel[],
  routes: readonly LevelRoutes[],
  asked: ReadonlySet<string> = new Set(),
): readonly string[] {
  const needed = new Set([...library.patterns.values()].flatMap(needsOf));
  const isPassed = (id: string) => above.some((_, index) => routes[index]?.passed.has(id));
  return teaches.filter(
    id =>
      !gates.has(id) &&
      !needed.has(id) &&
      !asked.has(id) &&
      !isPassed(id) &&
      !isOnlyPractised(library.patterns.get(id)),
  );
}

/** How many times the minutes of its neighbours a level has, by the minute of its lessons; 0 where it has none. */
function heaviness(chain: readonly TaughtLevel[], index: number): number {
  const share = (level: TaughtLevel | undefined) =>
    level && level.lessons > 0 && level.minutes > 0 ? level.minutes / level.lessons : undefined;
  const beside = [share(chain[index - 1]), share(chain[index + 1])].filter(one => one !== undefined);
  const own = share(chain[index]);
  const mean = beside.reduce((sum, one) => sum + one, 0) / beside.length;
  return own === undefined || beside.length === 0 ? 0 : own / mean;
}

function difficultiesOf(library: Library, { teaches }: TaughtLevel): readonly (readonly [string, number])[] {
  return figuresOf(library, teaches)
    .filter(({ pattern }) => !isOnlyPractised(pattern))
    .map(figure => [figure.pattern.id, figureDifficulty(figure, library).total] as const);
}

function medianOf(values: readonly number[]): number | undefined {
  const sorted = values.toSorted((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]];
  return low === undefined || high === undefined ? undefined : (low + high) / 2;
}

const ORDER_WORDS = {
  above: 'harder than most of the level after',
  below: 'easier than most of the level before',
} as const;

function outOfOrder(
  library: Library,
  level: TaughtLevel,
  before: number | undefined,
  after: number | undefined,
): readonly (readonly [string, 'above' | 'below'])[] {
  const isHard = (points: number) => after !== undefined && points > after;
  const isEasy = (points: number) => before !== undefined && points < before;
  return difficultiesOf(library, level)
    .filter(([, points]) => isHard(points) || isEasy(points))
    .map(([id, points]) => [id, isHard(points) ? 'above' : 'below']);
}
