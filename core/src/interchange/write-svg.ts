// A step sheet as a drawing of its own (SVG 1.1): columns as wide as their beats, a row a role, the hold below.
import type { Role } from '../model/document.ts';
import type { Figure, FigurePart } from '../steps/figure.ts';
import { holdStretches } from '../steps/hold-stretches.ts';
import { type SheetCell, type SheetLayout, sheetLayout } from '../steps/sheet.ts';
import { sheetLines } from '../steps/sheet-lines.ts';
import { type FigureTrack, tracksInOrder } from '../steps/tracks.ts';
import { cellWords } from '../steps/words.ts';

const TITLE = 96;
const LEAST_COLUMN = 72;
const LEAST_ROW = 84;
const COUNTS = 64;
const RIBBON = 28;
const TRACK = 24;
const HEAD = 40;
const GAP = 24;
/** Columns of a line: sixteen of the narrowest. */
const MOST_WIDTH = 16 * LEAST_COLUMN;

const COLORS: Readonly<Record<Role, string>> = { lead: '#1F6F78', follow: '#A63D6E', solo: '#4B4E8C' };
const INK = '#1B1F3B';
const LINE = '#D8DCE6';

/** The step sheet of a figure as the text of an SVG file, in lines of whole bars; `names` are what the house calls the roles. */
export function writeSheetSvg(figure: Figure, names: { readonly [role in Role]?: string } = {}): string {
  const layout = sheetLayout(figure);
  const lines = sheetLines(layout.columns, MOST_WIDTH, LEAST_COLUMN).map(range => lineOf(layout, range));
  const tracks = tracksInOrder(figure.dance, figure.pattern);
  const row = rowHeight(figure, lines);
  const rows = COUNTS + figure.parts.length * row + RIBBON + tracks.length * TRACK;
  const width = Math.max(TITLE, ...lines.map(({ end }) => end));
  const height = HEAD + Math.max(1, lines.length) * (rows + GAP) - GAP;
  const body = [
    label(0, 24, figure.pattern.name, { size: 20, weight: 700 }),
    ...lines.flatMap((line, index) => {
      const top = HEAD + index * (rows + GAP);
      const bottom = top + COUNTS + figure.parts.length * row;
      return [
        ...drawCounts(line, top),
        ...figure.parts.flatMap((part, at) =>
          drawRow(part, line, { top: top + COUNTS + at * row, height: row }, names[part.role]),
        ),
        ...drawHold(figure, line, bottom),
        ...tracks.flatMap((track, at) => drawTrack(track, line, bottom + RIBBON + at * TRACK, names)),
      ];
    }),
  ];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="sans-serif">`,
    '<defs>',
    ...figure.parts.map(
      ({ role }) =>
        `<pattern id="own-${role}" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="2.2" height="5" fill="${COLORS[role]}"/></pattern>`,
    ),
    '</defs>',
    `<rect width="${width}" height="${height}" fill="#FFFFFF"/>`,
    ...body,
    '</svg>\n',
  ].join('\n');
}

/** A line of the sheet: some of its columns, and where each begins. */
interface Line {
  readonly layout: SheetLayout;
  readonly range: readonly [number, number];
  readonly end: number;
  /** Where a column of this line begins; undefined for those of others. */
  at(column: number): number | undefined;
  /** How wide a cell is. */
  widthOf(cell: SheetCell): number;
}

function lineOf(layout: SheetLayout, range: readonly [number, number]): Line {
  const perBeat = LEAST_COLUMN / Math.min(...layout.columns.map(({ width }) => width || 1), 1);
  const edges = new Map<number, number>();
  let end = TITLE;
  for (let column = range[0]; column < range[1]; column += 1) {
    edges.set(column, end);
    end += (layout.columns[column]?.width ?? 0) * perBeat;
  }
  const widthOf = ({ from, to }: SheetCell) =>
    layout.columns.slice(from, to).reduce((sum, { width }) => sum + width * perBeat, 0);
  return { layout, range, end, at: column => edges.get(column), widthOf };
}

function drawCounts({ layout: { columns, cells }, at }: Line, top: number): readonly string[] {
  const [first] = [...cells.values()];
  const isRest = (column: number) =>
    first?.some(({ from, step }) => from === column && step === null) ?? false;
  return columns.flatMap(({ label: count, edge }, index) => {
    const x = at(index);
    if (x === undefined) return [];
    const call = first?.find(({ from }) => from === index)?.call ?? '';
    const weight = { phrase: 3, bar: 1.5, none: 0.75 }[edge];
    return [
      `<path d="M${x} ${top}V${top + COUNTS}" stroke="${edge === 'none' ? LINE : INK}" stroke-width="${weight}"/>`,
      label(x + 6, top + 24, isRest(index) ? `(${count})` : count, { size: 20, weight: 700 }),
      label(x + 6, top + 46, call, { size: 13 }),
    ];
  });
}

function drawRow(
  part: FigurePart,
  line: Line,
  { top, height }: Row,
  name: string | undefined,
): readonly string[] {
  const { layout, at, end } = line;
  const color = COLORS[part.role];
  return [
    `<path d="M0 ${top}H${end}" stroke="${LINE}"/>`,
    label(4, top + height / 2, name ?? { lead: 'Leader', follow: 'Follower', solo: 'Steps' }[part.role], {
      size: 13,
      weight: 700,
      color,
    }),
    ...(layout.cells.get(part.role) ?? []).flatMap(cell => {
      const x = at(cell.from);
      return x === undefined ? [] : drawCell(part, cell, { x, width: line.widthOf(cell), top, height });
    }),
  ];
}

interface Row {
  readonly top: number;
  readonly height: number;
}

/** As high as its fullest cell is. */
function rowHeight(figure: Figure, lines: readonly Line[]): number {
  const heights = lines.flatMap(line =>
    figure.parts.flatMap(part =>
      (line.layout.cells.get(part.role) ?? []).map(
        cell => FIRST_LINE + linesOf(part, cell, line.widthOf(cell)).length * LINE_HEIGHT,
      ),
    ),
  );
  return Math.max(LEAST_ROW, ...heights);
}

/** Where the first line of a cell stands, how far apart they are, and about how wide a letter is. */
const FIRST_LINE = 36;
const LINE_HEIGHT = 14;
const LETTER = 7;

/** The words of a cell, broken where they would reach into the next. */
function linesOf(part: FigurePart, cell: SheetCell, width: number): readonly string[] {
  const figureStep = cell.step === null ? undefined : part.steps[cell.step];
  const step = figureStep?.step;
  if (!step) return [];
  const [action = '', ...others] = cellWords(step);
  const own = figureStep.natural === 'own' ? ['own step'] : [];
  const all = [`${step.foot === 'B' ? 'both' : step.foot} ${action}`, ...others, ...own];
  return all.flatMap(words => brokenInto(words, Math.max(8, Math.floor((width - 8) / LETTER))));
}

function brokenInto(words: string, most: number): readonly string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

function drawCell(
  part: FigurePart,
  cell: SheetCell,
  { x, width, top, height }: Row & { readonly x: number; readonly width: number },
): readonly string[] {
  const frame = `<path d="M${x} ${top}v${height}" stroke="${LINE}"/>`;
  const figureStep = cell.step === null ? undefined : part.steps[cell.step];
  const step = figureStep?.step;
  if (!step) return [frame, ...(cell.step === null ? [label(x + 6, top + 18, 'rest', { size: 12 })] : [])];
  const isOwn = figureStep.natural === 'own';
  return [
    frame,
    `<rect x="${x + 6}" y="${top + 6}" width="${step.foot === 'B' ? 20 : 10}" height="14" rx="5" fill="${isOwn ? `url(#own-${part.role})` : COLORS[part.role]}"/>`,
    ...linesOf(part, cell, width).map((line, index) =>
      label(x + 6, top + FIRST_LINE + index * LINE_HEIGHT, line, {
        size: 12,
        weight: index === 0 ? 700 : 400,
      }),
    ),
  ];
}

/** The hold where it starts, changes and ends. */
function drawHold(figure: Figure, { layout, range, end, at }: Line, top: number): readonly string[] {
  const stretches = holdStretches(figure, layout, range);
  if (stretches.length === 0) return [];
  return [
    `<rect x="${TITLE}" y="${top}" width="${Math.max(0, end - TITLE)}" height="${RIBBON}" fill="#FBF0D2"/>`,
    label(4, top + 18, 'Hold', { size: 13, weight: 700 }),
    ...stretches.flatMap(({ words, from, isChange, end: ends }) => {
      const x = at(from) ?? TITLE;
      return [
        ...(isChange ? [`<path d="M${x} ${top}v${RIBBON}" stroke="${INK}" stroke-width="2"/>`] : []),
        label(x + 6, top + 18, ends ? `${words}; ends ${ends.words}` : words, { size: 13 }),
      ];
    }),
  ];
}

/** How it is danced, a row a quality. */
function drawTrack(
  { quality, track }: FigureTrack,
  { layout: { columns }, at, end }: Line,
  top: number,
  names: { readonly [role in Role]?: string },
): readonly string[] {
  const of = track.role ? `, ${names[track.role] ?? track.role}` : '';
  return [
    `<path d="M0 ${top}H${end}" stroke="${LINE}"/>`,
    label(4, top + 16, `${quality.name}${of}`.slice(0, MOST_TITLE), { size: 11, weight: 700 }),
    ...columns.flatMap(({ event }, index) => {
      const x = at(index);
      const word = event === null ? null : track.values[event];
      return x === undefined ? [] : [label(x + 6, top + 16, word ?? '', { size: 12 })];
    }),
  ];
}

/** Letters of a row's title that have room before the first column. */
const MOST_TITLE = 16;

interface LabelLook {
  readonly size: number;
  readonly weight?: number;
  readonly color?: string;
}

function label(x: number, y: number, words: string, { size, weight = 400, color = INK }: LabelLook): string {
  return words === ''
    ? ''
    : `<text x="${x}" y="${y}" font-size="${size}" font-weight="${weight}" fill="${color}">${escapeXml(words)}</text>`;
}

function escapeXml(words: string): string {
  return words
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');
}
