// At the end of a series everything once, in an order that dances, and what to keep.
import type { Library } from '../library/library.ts';
import { seriesOrder } from '../library/series-order.ts';
import type { Course, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { groupBy } from '../model/group-by.ts';
import type { Figure } from '../steps/figure.ts';
import { alsoCalled, countedBy } from './counted.ts';
import { holdsInWords, partInWords } from './figure-telling.ts';
import { namesOf, withinSentence } from './words.ts';

interface Series {
  readonly course: Course;
  readonly library: Library;
  readonly studio: Studio;
  /** Figures that were danced, whatever came of them. */
  readonly taught: ReadonlySet<string>;
  /** Those that stand in the text already, whole. */
  readonly told: ReadonlySet<string>;
  /** The combination that the last lesson dances, by its name and its figures in turn. */
  readonly wrapUp?: { readonly name: string; readonly patterns: readonly string[] } | undefined;
}

/** Each figure with how it is counted and held, who does what, and its signal; the count once where all share it. */
export function everythingOnce({
  course,
  library,
  studio,
  taught,
  told: above,
  wrapUp,
}: Series): readonly string[] {
  const figures = course.items.flatMap(({ pattern }) => {
    const figure = library.readings.get(pattern)?.figure;
    return figure && figure.parts.length > 0 && taught.has(pattern) ? [figure] : [];
  });
  if (figures.length === 0) return [];
  const shared = usualCount(figures, studio.counting);
  const place = (figure: Figure) => wrapUp?.patterns.indexOf(figure.pattern.id) ?? -1;
  const danced = figures.filter(figure => place(figure) >= 0).sort((a, b) => place(a) - place(b));
  const others = seriesOrder(figures.filter(figure => place(figure) < 0));
  const parts = new Map<string, string>();
  const section = (figure: Figure, begins = '') => [
    '',
    `### ${escapeMarkdown(figure.pattern.name)}`,
    '',
    begins + (above.has(figure.pattern.id) ? 'As above.' : told(figure, studio, shared, parts)),
  ];
  return [
    ...(shared === undefined ? [] : [`Counted **${shared}** where nothing else is said.`]),
    ...(danced.length > 0 ? ['', `First as ${escapeMarkdown(wrapUp?.name ?? '')} goes.`] : []),
    ...danced.flatMap(figure => section(figure)),
    ...(danced.length > 0 && others.length > 0 ? ['', 'And besides:'] : []),
    ...others.flatMap(({ figure, follows }) => section(figure, follows ? '' : 'Begin anew. ')),
  ];
}

/** What several figures share: in which hold they are danced from the first step to the last, and how they are counted. */
export interface SharedTelling {
  /** How many they are. */
  readonly figures: number;
  readonly hold: string | undefined;
  readonly count: string | undefined;
}

export function sharedBy(figures: readonly Figure[], { counting }: Pick<Studio, 'counting'>): SharedTelling {
  const danced = figures.filter(({ parts }) => parts.length > 0);
  const ofAll = (words: (figure: Figure) => string | undefined) => {
    const [first, ...others] = danced.map(words);
    return others.length > 0 && others.every(other => other === first) ? first : undefined;
  };
  return {
    figures: danced.length,
    hold: ofAll(figure => /^Danced in (.*)\.$/.exec(holdsInWords(figure))?.[1]),
    count: ofAll(figure => `**${countedBy(figure, counting)}**${alsoCalled(figure, counting)}`),
  };
}

/** A part that is the same as one told before is not written out again: `**Leader:** as in Wrap.` */
function partsInWords(figure: Figure, studio: Studio, before: Map<string, string>): string {
  const parts = figure.parts.map(part => {
    const [title = '', steps = ''] = partInWords(figure, part, studio).split(/(?<=:\*\*) /);
    const same = before.get(steps);
    return { title, steps, same };
  });
  for (const { steps, same } of parts)
    if (same === undefined) before.set(steps, escapeMarkdown(figure.pattern.name));
  const [first] = parts;
  if (parts.length > 1 && first?.same && parts.every(({ same }) => same === first.same))
    return `Both parts as in ${first.same}.`;
  return parts.map(({ title, steps, same }) => `${title} ${same ? `as in ${same}` : steps}.`).join(' ');
}

/** `parts`: those told before, each with the figure that it was told of. */
function told(figure: Figure, studio: Studio, usual: string | undefined, parts: Map<string, string>): string {
  const own = countedBy(figure, studio.counting);
  const count = own === usual ? '' : `Counted **${own}**.`;
  const signal = figure.pattern.marks?.find(({ kind, text }) => kind === 'signal' && text !== '');
  const danced = partsInWords(figure, studio, parts);
  const sign = signal ? `Its signal: ${withinSentence(signal.text)}.` : '';
  return [holdsInWords(figure), count, danced, sign].filter(Boolean).join(' ');
}

/** The count that most of several figures share. */
function usualCount(figures: readonly Figure[], counting: Studio['counting']): string | undefined {
  const byCount = groupBy(figures, figure => countedBy(figure, counting));
  const [[count, own] = ['', []]] = [...byCount].sort(([, a], [, b]) => b.length - a.length);
  return own.length > 1 ? count : undefined;
}

/** What the level above builds on, of what was taught. */
export function keepDancing({
  course,
  library,
  taught,
}: Pick<Series, 'course' | 'library' | 'taught'>): readonly string[] {
  const own = library.levels.get(course.level ?? '');
  const [above] = [...library.levels.values()]
    .filter(level => own && level.dance === own.dance && level.order > own.order)
    .sort((a, b) => a.order - b.order);
  if (!above) return [];
  const builds = [...library.patterns.values()]
    .filter(({ level }) => level === above.id)
    .flatMap(({ needs = [] }) => needs)
    .filter((id, index, all) => taught.has(id) && all.indexOf(id) === index);
  return builds.length === 0
    ? []
    : [
        `${namesOf(library, builds)}: ${escapeMarkdown(above.name)} builds on ${builds.length === 1 ? 'it' : 'them'}.`,
      ];
}
