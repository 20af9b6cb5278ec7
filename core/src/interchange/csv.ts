// Comma-separated values (RFC 4180): one pass over the characters. Cells that a spreadsheet would take for a
// formula are written with an apostrophe before them, which reading takes away again.
import { failure, type Result, success } from '../model/result.ts';

export interface CsvFault {
  /** From 1, as a text editor counts. */
  readonly line: number;
  readonly message: string;
}

export interface CsvRow {
  /** The line of the text on which the row begins, from 1. */
  readonly line: number;
  readonly cells: readonly string[];
}

const SEPARATORS = [',', ';', '\t'] as const;
const MOST_CELLS = 2_000_000;

/**
 * The rows of a text, with or without a byte order mark, whatever ends its lines; a separator other than the comma
 * is taken from the first line. Empty lines are passed over. Linear in the length of the text.
 */
export function readCsv(text: string): Result<readonly CsvRow[], CsvFault> {
  const source = text.startsWith('\uFEFF') ? text.slice(1) : text;
  const separator = separatorOf(source);
  const rows: CsvRow[] = [];
  let cells: string[] = [];
  let line = 1;
  let rowLine = 1;
  let count = 0;
  let at = 0;
  const endRow = () => {
    if (cells.some(cell => cell !== '')) rows.push({ line: rowLine, cells });
    cells = [];
  };
  while (at < source.length) {
    const cell = readCell(source, at, separator);
    if (cell === undefined)
      return failure({ line: rowLine, message: 'a quote that is opened here is never closed' });
    line += cell.breaks;
    if (!isEnd(source.charAt(cell.end), separator)) {
      const message = `"${source.charAt(cell.end)}" after a closing quote; write "" for a quote inside`;
      return failure({ line, message });
    }
    cells.push(unguard(cell.text));
    count += 1;
    if (count > MOST_CELLS)
      return failure({ line, message: `there are more than ${MOST_CELLS.toLocaleString('en-GB')} cells` });
    at = cell.end;
    const isRowOver = source.charAt(at) !== separator;
    if (isRowOver) {
      endRow();
      if (source.startsWith('\r\n', at)) at += 1;
      line += 1;
      rowLine = line;
    }
    at += 1;
    if (!isRowOver && at === source.length) cells.push('');
  }
  endRow();
  return success(rows);
}

interface Cell {
  readonly text: string;
  /** Where its separator, the end of its line or of the text stands, or what should not stand after its quote. */
  readonly end: number;
  /** How many lines end inside its quotes. */
  readonly breaks: number;
}

const BLANK = /[^\S\r\n]/;

/** The cell that begins at `from`; undefined when its quote is never closed. */
function readCell(source: string, from: number, separator: string): Cell | undefined {
  const start = skipBlanks(source, from, separator);
  if (source.charAt(start) === '"') return readQuoted(source, start + 1, separator);
  let end = start;
  while (!isEnd(source.charAt(end), separator)) end += 1;
  return { text: source.slice(from, end).trim(), end, breaks: 0 };
}

/** The cell whose quote stands before `from`. */
function readQuoted(source: string, from: number, separator: string): Cell | undefined {
  const parts: string[] = [];
  let at = from;
  for (;;) {
    const quote = source.indexOf('"', at);
    if (quote < 0) return undefined;
    parts.push(source.slice(at, quote));
    at = quote + 1;
    if (source.charAt(at) !== '"') break;
    parts.push('"');
    at += 1;
  }
  const text = parts.join('');
  return { text, end: skipBlanks(source, at, separator), breaks: text.split('\n').length - 1 };
}

function skipBlanks(source: string, from: number, separator: string): number {
  let at = from;
  while (source.charAt(at) !== separator && BLANK.test(source.charAt(at))) at += 1;
  return at;
}

function isEnd(character: string, separator: string): boolean {
  return character === '' || character === separator || character === '\n' || character === '\r';
}

/** The text of rows: commas, CRLF, quotes only where they are needed. */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  return rows.map(cells => `${cells.map(writeCell).join(',')}\r\n`).join('');
}

function separatorOf(source: string): string {
  const first = source.slice(0, source.search(/[\r\n]|$/));
  const count = (separator: string) => first.split(separator).length;
  return SEPARATORS.reduce((best, separator) => (count(separator) > count(best) ? separator : best));
}

// A spreadsheet passes over what is blank or not printed before the sign, and takes the full-width sign for the plain one.
const FORMULA = /^[\s\p{Cf}\p{Cc}]*[=+\-@\uFF1D\uFF0B\uFF0D\uFF20]|^[\t\r\n]/u;
const NUMBER = /^[+-]?\d+(\.\d+)?$/;

function writeCell(text: string): string {
  const isRisky = FORMULA.test(text) && !NUMBER.test(text);
  const guarded = isRisky || text.startsWith("'") ? `'${text}` : text;
  const needsQuotes = /[",\r\n;\t]/.test(guarded) || guarded !== guarded.trim();
  return needsQuotes ? `"${guarded.replaceAll('"', '""')}"` : guarded;
}

/** What was guarded when it was written; numbers never were, but others write `'-90`. */
function unguard(text: string): string {
  const guarded = text.slice(1);
  return text.startsWith("'") && (guarded.startsWith("'") || FORMULA.test(guarded)) ? guarded : text;
}
