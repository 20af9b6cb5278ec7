// `npm run bench -- sequences`: sequences of 64 and 96 beats from 40 figures over ten holds, with six musts and without; and why
// there is none. Medians of three libraries, prints a table and JSON.
import { type CombineRequest, combineFigures, ticks } from '@map-step/core';
import { orFew } from '../small.mjs';
import { percentile } from './load.ts';
import { sequenceLibrary } from './sequence-library.ts';

const SEEDS = [1, 2, 3].slice(0, orFew(3, 1));
const HEAD = ['beats', 'musts', 'best ms', 'proven', 'five ms', 'why none ms'];

export function benchSequences(): void {
  const rows = [64, 96].flatMap(beats => [6, 0].map(musts => measure(beats, musts)));
  for (const row of [HEAD, ...rows]) process.stdout.write(`${row.join('\t')}\n`);
  process.stdout.write(`${JSON.stringify({ head: HEAD, rows })}\n`);
}

function measure(beats: number, musts: number): readonly (string | number)[] {
  const runs = SEEDS.map(seed => {
    const library = sequenceLibrary(40, seed);
    const request = requestFor(library, beats, musts);
    const [one, oneMs] = timed(() => combineFigures(library, { ...request, count: 1 }));
    const [, fiveMs] = timed(() => combineFigures(library, { ...request, count: 5 }));
    const [none, noneMs] = timed(() =>
      combineFigures(library, { ...request, maxInRow: 1, beats: ticks(24 * beats + 1) }),
    );
    if (none.why === null) throw new Error('half a tick was filled');
    return { oneMs, fiveMs, noneMs, proven: one.proven };
  });
  const proven = runs.filter(run => run.proven).length;
  const ms = (of: 'oneMs' | 'fiveMs' | 'noneMs') =>
    Math.round(
      percentile(
        runs.map(run => run[of]),
        50,
      ),
    );
  return [beats, musts, ms('oneMs'), `${proven} of ${runs.length}`, ms('fiveMs'), ms('noneMs')];
}

/** Musts that can be met together: those of a sequence that was found without any. */
function requestFor(
  library: Parameters<typeof combineFigures>[0],
  beats: number,
  musts: number,
): CombineRequest {
  const request: CombineRequest = {
    ...{ dance: 'pier', use: [...library.patterns.keys()], beats: ticks(beats * 48), end: 'same', count: 5 },
    start: { hold: 'h0', feet: { lead: 'L', follow: 'R' }, facing: 0 },
    ...{ must: [], choices: [], maxInRow: 2 },
  };
  const patterns = combineFigures(library, request).sequences.at(-1)?.patterns ?? [];
  return { ...request, must: [...new Set(patterns)].slice(0, musts) };
}

function timed<Answer>(run: () => Answer): readonly [Answer, number] {
  const start = performance.now();
  const answer = run();
  return [answer, performance.now() - start];
}
