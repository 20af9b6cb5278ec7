// How hard a figure is, as a sum of published terms. Only an order within one dance: it ranks, it measures nothing.
import { isOffered, type Library } from '../library/library.ts';
import { ownEntry } from '../model/entry-at.ts';
import { needsOf } from '../model/needs.ts';
import { type Figure, findPart, partTurn } from '../steps/figure.ts';
import { shortestStepMs } from '../timing/tempo.ts';
import { compareFigures } from './compare.ts';

/** The weight of each term; see `figureDifficulty` for what each counts. */
export const DIFFICULTY_WEIGHTS = {
  depth: 1,
  own: 3,
  holds: 1,
  turn: 1,
  quick: 1,
  novelty: 4,
  strain: 1,
} as const;

export type DifficultyTerm = keyof typeof DIFFICULTY_WEIGHTS;

export interface Difficulty {
  /** The director's word, where there is one, else the sum of the terms. */
  readonly total: number;
  readonly computed: number;
  /** What each term counts, before its weight. */
  readonly terms: Readonly<Record<DifficultyTerm, number>>;
}

/** A step of so many milliseconds is easy; each tenth of a second less counts 1. */
const EASY_STEP_MS = 500;

/**
 * The difficulty of a figure: longest chain of needs (`depth`), share of the follower's steps that are own (`own`),
 * changes of hold (`holds`), half turns of whoever turns most (`turn`), tenths of a second by which the shortest
 * step falls short of half a second at the dance's middle tempo (`quick`), and novelty against the nearest of what
 * it needs, 1 when it needs nothing (`novelty`), and what its cautions say of weight or strain on the partner (`strain`), each
 * times its weight.
 */
export function figureDifficulty(figure: Figure, library: Library): Difficulty {
  const known = difficulties.get(library) ?? new WeakMap<Figure, Difficulty>();
  difficulties.set(library, known);
  const difficulty = known.get(figure) ?? rate(figure, library);
  known.set(figure, difficulty);
  return difficulty;
}

/** Plans ask for every figure of a course again and again: rated once a library. */
const difficulties = new WeakMap<Library, WeakMap<Figure, Difficulty>>();

function rate(figure: Figure, library: Library): Difficulty {
  const terms: Record<DifficultyTerm, number> = {
    depth: needsDepth(figure.pattern.id, library),
    own: ownShare(figure),
    holds: holdChanges(figure),
    turn: mostTurn(figure) / 180,
    quick: quickness(figure),
    novelty: noveltyAgainstNeeds(figure, library),
    strain: strain(figure),
  };
  const computed = Object.entries(terms).reduce(
    (sum, [term, value]) => sum + value * DIFFICULTY_WEIGHTS[term as DifficultyTerm],
    0,
  );
  return { total: figure.pattern.difficulty?.points ?? computed, computed, terms };
}

/** The longest chain of needs below a figure; a circle is cut where it closes. */
function needsDepth(id: string, library: Library, above: ReadonlySet<string> = new Set()): number {
  const pattern = library.patterns.get(id);
  const needs = (pattern ? needsOf(pattern) : []).filter(need => !above.has(need));
  const path = new Set([...above, id]);
  return needs.reduce((most, need) => Math.max(most, 1 + needsDepth(need, library, path)), 0);
}

function ownShare(figure: Figure): number {
  const steps = findPart(figure, 'follow')?.steps ?? [];
  return steps.length === 0 ? 0 : steps.filter(({ natural }) => natural === 'own').length / steps.length;
}

function holdChanges({ pattern }: Figure): number {
  const inside = pattern.holds?.length ?? 0;
  const exit = pattern.exit ?? 'same';
  const exits = exit === 'same' ? (pattern.entry ?? []) : typeof exit === 'string' ? [exit] : exit;
  const keeps = exits.some(hold => pattern.entry?.includes(hold)) || exits.length === 0;
  return inside + (keeps || inside > 0 ? 0 : 1);
}

function mostTurn({ parts }: Figure): number {
  return parts.reduce((most, part) => Math.max(most, Math.abs(partTurn(part))), 0);
}

function quickness({ parts, dance }: Figure): number {
  const [range] = dance.tempo;
  if (!range) return 0;
  const rhythms = parts.map(({ rhythm }) => rhythm);
  const shortest = shortestStepMs(rhythms, (range.min + range.max) / 2) ?? EASY_STEP_MS;
  return Math.max(0, EASY_STEP_MS - shortest) / 100;
}

/** What a caution counts: a partner's weight or neck far more than a spin. */
const STRAINS: Readonly<Record<string, number>> = { dip: 4, lean: 4, strength: 4, neck: 4, spin: 1 };

function strain({ pattern: { marks = [] } }: Figure): number {
  const codes = new Set(marks.flatMap(({ kind, code }) => (kind === 'caution' && code ? [code] : [])));
  return [...codes].reduce((sum, code) => sum + (ownEntry(STRAINS, code) ?? 0), 0);
}

function noveltyAgainstNeeds(figure: Figure, library: Library): number {
  const novelties = needsOf(figure.pattern).flatMap(id => {
    const need = library.readings.get(id)?.figure;
    return need && need.parts.length > 0 ? [compareFigures(figure, need).novelty] : [];
  });
  return novelties.length === 0 ? 1 : Math.min(...novelties);
}

export interface OutOfOrder {
  readonly id: string;
  /** Harder than the middle figure of the next level, or easier than that of the level before. */
  readonly kind: 'harder' | 'easier';
  /** The level it would fall to by difficulty. */
  readonly than: string;
}

/** Figures whose difficulty is out of order with their level. */
export function figuresOutOfOrder(library: Library): readonly OutOfOrder[] {
  const levels = [...library.levels.values()].sort((a, b) => a.order - b.order);
  const byLevel = new Map(levels.map(({ id }) => [id, difficultiesOf(library, id)]));
  return levels.flatMap(level => {
    const same = levels.filter(({ dance }) => dance === level.dance);
    const at = same.indexOf(level);
    const next = same.slice(at + 1).find(({ id }) => (byLevel.get(id) ?? []).length > 0);
    const before = same.slice(0, at).findLast(({ id }) => (byLevel.get(id) ?? []).length > 0);
    return (byLevel.get(level.id) ?? []).flatMap(({ id, total }): OutOfOrder[] => {
      if (next && total > median(byLevel.get(next.id) ?? [])) return [{ id, kind: 'harder', than: next.id }];
      if (before && total < median(byLevel.get(before.id) ?? []))
        return [{ id, kind: 'easier', than: before.id }];
      return [];
    });
  });
}

interface Rated {
  readonly id: string;
  readonly total: number;
}

function difficultiesOf(library: Library, level: string): readonly Rated[] {
  return [...library.readings.values()].flatMap(({ figure }) =>
    figure.pattern.level === level && isOffered(figure.pattern) && figure.parts.length > 0
      ? [{ id: figure.pattern.id, total: figureDifficulty(figure, library).total }]
      : [],
  );
}

function median(rated: readonly Rated[]): number {
  const sorted = rated.map(({ total }) => total).sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const [low = 0, high = 0] = [sorted[Math.ceil(sorted.length / 2) - 1], sorted[middle]];
  return (low + high) / 2;
}
