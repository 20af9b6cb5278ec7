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

/**
 * The rows of a text, with or without a byte order mark, whatever ends its lines; a separator other than the comma
 * is taken from the first line. Empty lines are passed over.
 */
export function readCsv(text: string): Result<readonly CsvRow[], CsvFault> {
  const source = text.startsWith('\uFEFF') ? text.slice(1) : text;
  const separator = separatorOf(source);
  const rows: CsvRow[] = [];
  let cells: string[] = [];
  let cell = '';
  let line = 1;
  let rowLine = 1;
  let isQuoted = false;
  let wasQuoted = false;
  const endCell = () => {
    cells.push(wasQuoted ? unguard(cell) : unguard(cell.trim()));
    cell = '';
    wasQuoted = false;
  };
  const endRow = () => {
    endCell();
    if (cells.some(text => text !== '')) rows.push({ line: rowLine, cells });
    cells = [];
  };
  for (let at = 0; at < source.length; at += 1) {
    const character = source.charAt(at);
    if (isQuoted) {
      if (character === '\n') line += 1;
      if (character !== '"') cell += character;
      else if (source.charAt(at + 1) === '"') {
        cell += '"';
        at += 1;
      } else isQuoted = false;
    } else if (character === '"' && cell.trim() === '' && !wasQuoted) {
      isQuoted = true;
      wasQuoted = true;
      cell = '';
    } else if (character === separator) endCell();
    else if (character === '\n' || character === '\r') {
      if (character === '\r' && source.charAt(at + 1) === '\n') at += 1;
      endRow();
      line += 1;
      rowLine = line;
    } else if (wasQuoted && character.trim() !== '')
      return failure({ line, message: `"${character}" after a closing quote; write "" for a quote inside` });
    else if (!wasQuoted) cell += character;
  }
  if (isQuoted) return failure({ line: rowLine, message: 'a quote that is opened here is never closed' });
  if (cell !== '' || cells.length > 0) endRow();
  return success(rows);
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

const FORMULA = /^[=+\-@\t\r]/;
const NUMBER = /^[+-]?\d+(\.\d+)?$/;

function writeCell(text: string): string {
  const isRisky = (FORMULA.test(text) && !NUMBER.test(text)) || text.startsWith("'");
  const guarded = isRisky ? `'${text}` : text;
  const needsQuotes = /[",\r\n;\t]/.test(guarded) || guarded !== guarded.trim();
  return needsQuotes ? `"${guarded.replaceAll('"', '""')}"` : guarded;
}

function unguard(text: string): string {
  return /^'[=+\-@\t\r']/.test(text) ? text.slice(1) : text;
}
