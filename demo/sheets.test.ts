// What stands below the steps of a sheet agrees: the couple is drawn in the hold that the ribbon names.
import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import {
  coupleOnFloor,
  holdStretches,
  openLibrary,
  readDocument,
  readFigure,
  sheetLayout,
} from '../core/src/index.ts';

const read = readDocument(readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error('the demo cannot be read');
const library = openLibrary(read.value);

test('a figure that ends in the hold it came in is said to, also where it changes between', () => {
  const wrap = library.patterns.get('wrap');
  const dance = library.dances.get('hustle');
  if (!wrap || !dance) throw new Error('the demo has no wrap');
  const holds = [{ event: 1, hold: 'one-hand' }];
  const { figure } = readFigure({ ...wrap, exit: 'same', holds }, dance);
  const layout = sheetLayout(figure);
  const { end } = holdStretches(figure, layout, [0, layout.columns.length]).at(-1) ?? {};
  expect(end).toMatchObject({ words: 'Two hands', hold: { id: 'two-hand' } });
  expect(coupleOnFloor(figure).at(-1)?.hold.id).toBe('two-hand');
});

test('the couple below each count is in the hold that the ribbon names there', () => {
  let counts = 0;
  const differ: string[] = [];
  for (const { figure } of library.readings.values()) {
    const poses = coupleOnFloor(figure);
    const layout = sheetLayout(figure);
    if (poses.length !== layout.columns.length) continue;
    const ribbon = holdStretches(figure, layout, [0, layout.columns.length]);
    for (const [column, { hold }] of poses.entries()) {
      const stretch = ribbon.find(({ from, to }) => from <= column && column < to);
      const end = column === poses.length - 1 ? stretch?.end : undefined;
      const named = end && !end.words.startsWith('in the same hold') ? end.words : (stretch?.words ?? '');
      counts += 1;
      if (!named.includes(hold.name))
        differ.push(`${figure.pattern.id}, column ${column + 1}: ${hold.name} drawn, “${named}” named`);
    }
  }
  expect(differ).toEqual([]);
  expect(counts).toBeGreaterThan(300);
});
