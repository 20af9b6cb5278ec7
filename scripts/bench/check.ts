// `npm run bench -- check`: `check` of a library of 1,000 figures, and of one figure among them as while typing.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  checkDocument,
  createFigureChecker,
  figureClosure,
  figureLinks,
  figurePath,
  openLibrary,
  type Pattern,
  readFigure,
  type StudioDocument,
} from '@map-step/core';
import { orFew } from '../small.mjs';
import { percentile } from './load.ts';

const FIGURES = orFew(1000, 100);
const RUNS = orFew(30, 2);

export function benchCheck(): void {
  const demo = readFileSync(fileURLToPath(new URL('../../demo/tarn-street.json', import.meta.url)), 'utf8');
  const document = timesOver(JSON.parse(demo) as StudioDocument);
  const library = openLibrary(document);
  const check = createFigureChecker(library);
  const figure = [...library.readings.values()].at(-1)?.figure;
  if (!figure) throw new Error('the demo has no figures');
  const rows: [string, () => unknown][] = [
    [`check of ${FIGURES} figures`, () => checkDocument(document)],
    ['one figure read and checked again while typing', () => check(readFigure(figure.pattern, figure.dance))],
    ['the checker of a library', () => createFigureChecker(library)],
    ['what may follow and come before', () => figureLinks(library, figure)],
    ['closure and path', () => [figureClosure(figure), figurePath(figure)]],
  ];
  process.stdout.write('| what | median ms | p95 ms |\n|---|---|---|\n');
  for (const [what, run] of rows) {
    const times = Array.from({ length: RUNS }, () => timeOf(run));
    const [median, most] = [percentile(times, 50), percentile(times, 95)];
    process.stdout.write(`| ${what} | ${median.toFixed(2)} | ${most.toFixed(2)} |\n`);
  }
}

function timeOf(run: () => unknown): number {
  const begun = performance.now();
  run();
  return performance.now() - begun;
}

/** The demo's figures again and again under new ids, each copy with needs of its own. */
function timesOver(document: StudioDocument): StudioDocument {
  const figures = document.patterns ?? [];
  const renamed = (ids: readonly string[] | undefined, copy: number) => ids?.map(id => `${id}-${copy}`);
  const patterns = Array.from({ length: FIGURES }, (_, index): Pattern => {
    const copy = Math.floor(index / figures.length);
    const { needs, lookalikes, variantOf, over, ...pattern } = figures[index % figures.length] as Pattern;
    const [own, alike] = [renamed(needs, copy), renamed(lookalikes, copy)];
    return {
      ...pattern,
      id: `${pattern.id}-${copy}`,
      ...(own && { needs: own }),
      ...(alike && { lookalikes: alike }),
    };
  });
  const { format, studio, dances, levels, elements } = document;
  return {
    format,
    studio,
    ...(dances && { dances }),
    ...(levels && { levels }),
    ...(elements && { elements }),
    patterns,
  };
}
