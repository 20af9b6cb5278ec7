import { MOST_BLOCKS } from '../interchange/schema.ts';
import type { Library } from '../library/library.ts';
import type { Course, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { printBlock } from './blocks.ts';
import { cautionLines } from './cautions.ts';
import { tellFigure } from './figure-telling.ts';

interface CatchUp {
  readonly course: Course;
  readonly library: Library;
  readonly studio: Studio;
  readonly localRules?: string | undefined;
  /** What was missed, in the order in which it was danced. */
  readonly figures: readonly string[];
  /** What the class has danced, that with it. */
  readonly had: readonly string[];
  /** What lies in any lesson of the class's plan. */
  readonly planned: readonly string[];
}

/**
 * What somebody missed, as a text of its own: each figure in words, as a recap tells it, then its step sheet, and the cautions at
 * the end. It names nobody, and no figure that the class has neither had nor has in its plan.
 */
export function catchUpText({ course, library, studio, localRules, figures, had, planned }: CatchUp): string {
  const met = new Set([...had, ...planned]);
  const knew = had.filter(id => !figures.includes(id));
  const patterns = figures.flatMap(id => library.patterns.get(id) ?? []);
  // A text takes so many blocks: of very many figures the words alone are told.
  const withSheets = patterns.length <= MOST_BLOCKS;
  const sections = patterns.flatMap((pattern, index) => {
    const figure = library.readings.get(pattern.id)?.figure;
    if (!figure) return [];
    const known = [...knew, ...figures.slice(0, index)];
    const hasSheet = withSheets && figure.parts.length > 0;
    return [
      ...['', `## ${escapeMarkdown(pattern.name)}`],
      ...tellFigure(figure, { studio, library, met, known }),
      ...(hasSheet ? ['', printBlock({ kind: 'sheet', figure: pattern.id })] : []),
    ];
  });
  const cautions = cautionLines(patterns, { studio, localRules });
  const care = cautions.length === 0 ? [] : ['', '## Take care', '', ...cautions];
  return `${[`# ${escapeMarkdown(course.name)}: what you missed`, ...sections, ...care].join('\n')}\n`;
}
