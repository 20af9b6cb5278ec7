// Comma-separated values (RFC 4180). Cells that a spreadsheet would take for a formula are written with an apostrophe
// before them, which reading takes away again.
import { CsvError, parse } from 'csv-parse/browser/esm/sync';
import { stringify } from 'csv-stringify/browser/esm/sync';
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
  const rows: CsvRow[] = [];
  let cellCount = 0;
  // The parser counts two line ends where a cell holds CR LF.
  let countedTwice = 0;
  const keep = (cells: readonly string[], line: number) => {
    cellCount += cells.length;
    if (cellCount > MOST_CELLS) throw new TooManyCells(line - countedTwice);
    countedTwice += countOf(cells, /\r\n/g);
    const breaks = countOf(cells, /\r\n|\r|\n/g);
    rows.push({ line: line - countedTwice - breaks, cells: cells.map(unguard) });
    return null;
  };
  try {
    parse(text, {
      bom: true,
      delimiter: separatorOf(text),
      record_delimiter: ['\r\n', '\n', '\r'],
      relax_column_count: true,
      relax_quotes: true,
      skip_records_with_empty_values: true,
      trim: true,
      on_record: (cells: string[], { lines }) => keep(cells, lines),
    });
  } catch (error) {
    return failure(faultOf(error, countedTwice));
  }
  return success(rows);
}

class TooManyCells extends Error {
  readonly line: number;
  constructor(line: number) {
    super(`there are more than ${MOST_CELLS.toLocaleString('en-GB')} cells`);
    this.line = line;
  }
}

function faultOf(error: unknown, countedTwice: number): CsvFault {
  if (error instanceof TooManyCells) return { line: error.line, message: error.message };
  if (!(error instanceof CsvError)) throw error;
  const line = Number(error['lines']) - countedTwice;
  if (error.code === 'CSV_QUOTE_NOT_CLOSED')
    return { line, message: 'a quote that is opened here is never closed' };
  return { line, message: 'something stands after a closing quote; write "" for a quote inside' };
}

function countOf(cells: readonly string[], pattern: RegExp): number {
  return cells.reduce((sum, cell) => sum + (cell.match(pattern)?.length ?? 0), 0);
}

function separatorOf(source: string): string {
  const first = source.slice(0, source.search(/[\r\n]|$/));
  const count = (separator: string) => first.split(separator).length;
  return SEPARATORS.reduce((best, separator) => (count(separator) > count(best) ? separator : best));
}

/** The text of rows: commas, CRLF, quotes only where they are needed. */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  return stringify(
    rows.map(cells => cells.map(guard)),
    { record_delimiter: 'windows', quoted_match: NEEDS_QUOTES },
  );
}

// A spreadsheet passes over what is blank or not printed before the sign, and takes the full-width sign for the plain one.
const FORMULA = /^[\s\p{Cf}\p{Cc}]*[=+\-@\uFF1D\uFF0B\uFF0D\uFF20]|^[\t\r\n]/u;
const NUMBER = /^[+-]?\d+(\.\d+)?$/;

/** A cell that is read with another separator, or trimmed, stays what it is. */
const NEEDS_QUOTES = /[;\t\r\n]|^\s|\s$/;

function guard(text: string): string {
  const isRisky = FORMULA.test(text) && !NUMBER.test(text);
  return isRisky || text.startsWith("'") ? `'${text}` : text;
}

/** What was guarded when it was written; numbers never were, but others write `'-90`. */
function unguard(text: string): string {
  const guarded = text.slice(1);
  return text.startsWith("'") && (guarded.startsWith("'") || FORMULA.test(guarded)) ? guarded : text;
}
