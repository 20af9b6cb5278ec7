import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readFigure } from '../couple/read-figure.ts';
import type { MadePiece, Pattern } from '../model/document.ts';
import { sheetLayout } from '../steps/sheet.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { type Library, openLibrary } from './library.ts';
import { writeMade } from './made.ts';
import { madeAnew, madeFolds, madeOf } from './made-spans.ts';

const parts = (first: string) => ({ lead: `L ${first}, R fwd, L fwd, R close`, follow: 'opposite' });
const PIECES: readonly Pattern[] = ['fwd', 'back', 'side'].map((first, index) =>
  figure(`piece-${index}`, { parts: parts(first) }),
);
const hall = { dances: [dance] };
const pieces = openLibrary(studio(PIECES, hall));

function madeFigure(id: string, made: readonly MadePiece[]): Pattern {
  const fields = writeMade(made, dance, piece => pieces.readings.get(piece)?.figure);
  if (!fields.ok) throw new Error(JSON.stringify(fields.fault));
  return { ...figure(id), ...fields.value, made };
}

const figureOf = (library: Library, id: string) => {
  const reading = library.readings.get(id);
  if (!reading) throw new Error(id);
  return reading.figure;
};

const piece = fc.record({
  pattern: fc.constantFrom('piece-0', 'piece-1', 'piece-2'),
  times: fc.integer({ min: 1, max: 3 }),
});

test('a change in a piece changes exactly what is linked, and written anew that is what the piece makes now', () => {
  const lists = fc.array(fc.array(piece, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(lists, all => {
      const made = all.map((list, index) => madeFigure(`made-${index}`, list));
      const changed = PIECES.map(one => (one.id === 'piece-0' ? { ...one, parts: parts('fwd small') } : one));
      const library = openLibrary(studio([...changed, ...made], hall));
      const linked = madeOf(library, 'piece-0').map(({ pattern }) => pattern.id);
      const stale = made.flatMap(({ id }) => (madeAnew(figureOf(library, id), library) ? [id] : []));
      expect(stale).toEqual(linked);
      for (const id of stale) {
        const own = figureOf(library, id);
        const anew = { ...own.pattern, ...madeAnew(own, library) };
        expect(JSON.stringify(anew.parts)).toContain('fwd small');
        expect(madeAnew(readFigure(anew, dance).figure, library)).toBeUndefined();
      }
    }),
    { seed: 17, numRuns: 60 },
  );
});

test('a long sheet is read as its pieces, each run of one as often as it comes', () => {
  const made = madeFigure('made', [{ pattern: 'piece-0', times: 3 }, { pattern: 'piece-1' }]);
  const library = openLibrary(studio([...PIECES, made], hall));
  const own = figureOf(library, 'made');
  expect(madeFolds(own, library, sheetLayout(own))).toEqual([
    { words: 'piece-0 ×3', from: 0, to: 12 },
    { words: 'piece-1', from: 12, to: 16 },
  ]);
});
