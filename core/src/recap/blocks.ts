// Blocks of a recap that are drawn from a figure: a line of their own such as `{{sheet: wrap}}`. While a text is a draft
// they are as the figure is; what is published has them as they were that moment.
import { writeSheetSvg } from '../interchange/write-svg.ts';
import type { Library } from '../library/library.ts';
import { comparisonInWords } from '../likeness/compare.ts';
import { toldBeside } from '../likeness/told-beside.ts';
import type { Combination, Studio } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { standOf } from '../sequences/request.ts';
import { walkSequence } from '../sequences/walk.ts';
import type { Figure } from '../steps/figure.ts';
import { type CalledFigure, callSheet } from './call-sheet.ts';
import { countedBy } from './counted.ts';
import { writeCoupleSvg } from './write-couple-svg.ts';
import { writePathSvg } from './write-path-svg.ts';

export const BLOCK_KINDS = ['sheet', 'count', 'comparison', 'couple', 'path', 'combination'] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

/** A block as it is written: what it shows of which figure, and beside which other. */
export interface Block {
  readonly kind: BlockKind;
  /** Of a combination its own id. */
  readonly figure: string;
  readonly other?: string;
}

const LINE = new RegExp(
  `^\\{\\{(${BLOCK_KINDS.join('|')}): ([a-z0-9-]{1,64})(?:, ([a-z0-9-]{1,64}))?\\}\\}$`,
);

/** The block that a line is; undefined for any other line. */
export function readBlock(line: string): Block | undefined {
  const [, kind, figure, other] = LINE.exec(line.trim()) ?? [];
  const found = BLOCK_KINDS.find(one => one === kind);
  return found && figure ? { kind: found, figure, ...(other && { other }) } : undefined;
}

export function printBlock({ kind, figure, other }: Block): string {
  return `{{${kind}: ${figure}${other ? `, ${other}` : ''}}}`;
}

/** The ids of the figures that the blocks of a text are drawn from, each once. */
export function figuresInBlocks(markdown: string): readonly string[] {
  if (!markdown.includes('{{')) return [];
  const drawn = blocksIn(markdown).filter(({ kind }) => kind !== 'combination');
  return [...new Set(drawn.flatMap(({ figure, other }) => (other ? [figure, other] : [figure])))];
}

/** The ids of the combinations that stand in a text, each once. */
export function combinationsInBlocks(markdown: string): readonly string[] {
  if (!markdown.includes('{{')) return [];
  const named = blocksIn(markdown).filter(({ kind }) => kind === 'combination');
  return [...new Set(named.map(({ figure }) => figure))];
}

function blocksIn(markdown: string): readonly Block[] {
  return markdown.split('\n').flatMap(line => readBlock(line) ?? []);
}

export interface BlockSource {
  readonly library: Library;
  readonly studio: Pick<Studio, 'roles' | 'counting'>;
  readonly combinations?: readonly Combination[];
}

/** A text with its blocks as plain Markdown and drawings, as the figures are at this moment. */
export function freezeBlocks(markdown: string, source: BlockSource): string {
  if (!markdown.includes('{{')) return markdown;
  return markdown
    .split('\n')
    .map(line => {
      const block = readBlock(line);
      return block ? frozen(block, source) : line;
    })
    .join('\n');
}

function frozen({ kind, figure: id, other: otherId }: Block, source: BlockSource): string {
  const { library, studio } = source;
  if (kind === 'combination') return combinationInWords(id, source);
  const figure = library.readings.get(id)?.figure;
  if (!figure || figure.parts.length === 0) return `*There is no step sheet of “${id}”.*`;
  const { name } = figure.pattern;
  switch (kind) {
    case 'sheet':
      return drawing(`Step sheet of ${name}`, writeSheetSvg(figure, studio.roles));
    case 'count':
      return `**${countedBy(figure, studio.counting)}**`;
    case 'comparison':
      return comparison(figure, library.readings.get(otherId ?? '')?.figure, studio);
    case 'couple':
      return drawing(`The couple in ${name}, count by count`, writeCoupleSvg(figure));
    case 'path':
      return drawing(`The path of ${name} on the floor`, writePathSvg(figure));
    default:
      return kind satisfies never;
  }
}

/** A line a phrase, as it is called. */
function combinationInWords(id: string, { library, studio, combinations = [] }: BlockSource): string {
  const combination = combinations.find(one => one.id === id);
  const dance = library.dances.get(combination?.dance ?? '');
  if (!combination || !dance) return `*There is no combination “${id}”.*`;
  const { start, steps, end, name } = combination;
  const walk = walkSequence(library, { dance, start: standOf(start), steps, end });
  const lines = callSheet(library, walk, { dance, counting: studio.counting, steps });
  return [
    `**${name}**, ${printBeats(walk.beats)} beats:`,
    '',
    ...lines.map(({ phrase, figures }) => `${phrase}. ${figures.map(calledInWords).join(' · ')}`),
    '',
  ].join('\n');
}

function calledInWords({ name, or }: CalledFigure): string {
  return [name, ...or].join(' or ');
}

function comparison(a: Figure, b: Figure | undefined, { roles }: Pick<Studio, 'roles'>): string {
  if (!b) return '*There is nothing to compare it with.*';
  return [`${a.pattern.name}: ${comparisonInWords(a, b, roles)}.`, ...toldBeside(a, b)].join(' ');
}

/** An image that holds its own drawing; nothing is fetched for it. */
function drawing(words: string, svg: string | undefined): string {
  if (svg === undefined) return `*There is no drawing: ${words.toLowerCase()}.*`;
  const data = encodeURIComponent(svg).replace(/[()']/g, sign => `%${sign.charCodeAt(0).toString(16)}`);
  return `![${words.replace(/[[\]]/g, '')}](data:image/svg+xml,${data})`;
}
