import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readCsv, writeCsv } from './csv.ts';

const cells = (text: string) => {
  const read = readCsv(text);
  if (!read.ok) throw new Error(read.fault.message);
  return read.value.map(row => row.cells);
};

describe('comma-separated values', () => {
  test.each([
    [
      'quotes, commas and line breaks inside a cell',
      'a,"b, ""c""\r\nd"\r\ne,f',
      [
        ['a', 'b, "c"\r\nd'],
        ['e', 'f'],
      ],
    ],
    [
      'a byte order mark',
      '\uFEFFid,name\nx,y',
      [
        ['id', 'name'],
        ['x', 'y'],
      ],
    ],
    [
      'semicolons of a spreadsheet',
      'id;name\nx;y,z',
      [
        ['id', 'name'],
        ['x', 'y,z'],
      ],
    ],
    [
      'tabs',
      'id\tname\nx\ty',
      [
        ['id', 'name'],
        ['x', 'y'],
      ],
    ],
    [
      'old line ends and empty lines',
      'a,b\r\rc,d\r',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    ['spaces around a cell', ' a , b ', [['a', 'b']]],
    ['a guarded formula', "'=1+1,'-x,-90", [['=1+1', '-x', '-90']]],
    ['nothing', '', []],
  ])('%s', (_, text, rows) => {
    expect(cells(text)).toEqual(rows);
  });

  test('rows know the line on which they begin', () => {
    const lines = (text: string) => {
      const read = readCsv(text);
      return read.ok ? read.value.map(({ line }) => line) : read.fault.line;
    };
    expect(lines('a\n\n"b\nc"\nd')).toEqual([1, 3, 5]);
    expect(lines('a\r\n"b\r\n\r\nc"\r\nd\r\n')).toEqual([1, 2, 5]);
    expect(lines('"a\r\nb"\r\n"c\r\nd"\r\n"e" f')).toBe(5);
  });

  test.each([
    ['a,"b', 1, /never closed/],
    ['a\n"b" c,d', 2, /after a closing quote/],
  ])('%j is refused on line %d', (text, line, message) => {
    const read = readCsv(text);
    expect(read.ok ? undefined : read.fault.line).toBe(line);
    expect(read.ok ? '' : read.fault.message).toMatch(message);
  });

  test('what would be a formula is written so that it is none; a number stays a number', () => {
    expect(writeCsv([['=SUM(A1)', '-90', '@x', "'y"]])).toBe("'=SUM(A1),-90,'@x,''y\r\n");
  });

  test.each([
    ['a blank', ' =1'],
    ['a no-break blank', '\u00a0=1'],
    ['a line feed', '\n=1'],
    ['a zero-width sign', '\u200b=1'],
    ['a control sign', '\u0001=1'],
    ['nothing, full-width', '\uff1d1+1'],
    ['nothing, full-width at', '\uff201'],
    ['nothing, full-width minus', '\uff0d1+cmd'],
  ])('after %s it is guarded too', (_, formula) => {
    const text = writeCsv([[formula]]);
    expect(text.replace(/^"/, '')).toMatch(/^'/);
    expect(cells(text)).toEqual([[formula]]);
  });

  test('what is written reads back equal', () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom(
        ...['=1', '-90', "'", '"', ',', ' x ', 'a\r\nb', '\t', ';', '@', "' =", '\n=', '\uff1d', "'\u200b-"],
      ),
    );
    const rows = fc.array(fc.array(cell, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(rows, given => {
        const header = ['id', 'name', 'kind', 'more'];
        const kept = given.filter(row => row.some(text => text !== ''));
        expect(cells(writeCsv([header, ...given]))).toEqual([header, ...kept]);
      }),
      { seed: 71, numRuns: 500 },
    );
  });
});

test.each([
  ['open', `a${'"'.repeat(1_000_000)}`, 1_000_001],
  ['closed', `"${'""'.repeat(1_000_000)}"`, 1_000_000],
  ['after a million blanks', `${' '.repeat(1_000_000)}"b"`, 1],
])('a cell of very many quotes, %s, is read in one pass', (_, cell, length) => {
  const rows = readCsv(`id,name\n${cell},x\n`);
  expect(rows.ok && rows.value[1]?.cells.map(text => text.length)).toEqual([length, 1]);
});
