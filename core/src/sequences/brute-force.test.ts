// The search against every sequence there is: tried one by one, and danced four times round by the walk.
import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Library } from '../library/library.ts';
import { createRandom } from '../model/random.ts';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { goesRound } from './carried-place.ts';
import { combineFigures } from './combine.ts';
import { areDifferent } from './edit-distance.ts';
import type { CombineRequest } from './request.ts';
import { type SequenceStep, scoreSequence, shareOf } from './score.ts';
import { type SequenceFigure, usableFigure } from './usable-figures.ts';
import { walkSequence } from './walk.ts';

const ACTIONS = ['place', 'place', 'place', 'place', 'place', 'fwd', 'back', 'side', '+180 place'];

/** Three to five figures of one to three beats over three holds, some of which turn both, drift or let two ways out. */
const anyRequest = fc
  .record({ seed: fc.integer({ min: 1, max: 1e6 }), count: fc.integer({ min: 3, max: 5 }) })
  .map(({ seed, count }) => {
    const random = createRandom(seed);
    const pick = <Entry>(list: readonly Entry[]): Entry => list[Math.floor(random() * list.length)] as Entry;
    const steps = (feet: string) =>
      Array.from({ length: feet.length }, (_, i) => `${feet[i]} ${pick(ACTIONS)}`).join(', ');
    const figures = Object.fromEntries(
      Array.from({ length: count }, (_, i) => {
        const feet = i < 2 ? 'LR' : pick(['LR', 'LR', 'LRL', 'RLR', 'RL']);
        const lead = steps(feet);
        const exit = random() < 0.2 ? 'a/b' : pick(['a', 'a', 'a', 'b', 'c']);
        const entry = i < 2 ? 'a' : pick(['a', 'a/b', 'b', 'c']);
        return [`f${i}`, `${entry}>${exit} ${lead}`];
      }),
    );
    const library = jettyLibrary(figures, { floor: pick(['spot', 'slot', 'line', 'free']) });
    const isSlot = library.dances.get('jetty')?.floor === 'slot';
    const request = jettyRequest(library, pick([4, 6, 6, 7]), {
      end: !isSlot && random() < 0.3 ? 'opposite' : 'same',
      must: ['f0', 'f1', 'f0'].filter(() => random() < 0.3),
      maxInRow: pick([1, 2, 2, 3]),
      count: 3,
    });
    const use = request.use.filter(id => library.readings.get(id)?.faults.length === 0);
    return { library, request: { ...request, use, must: request.must.filter(id => use.includes(id)) } };
  });

test('where brute force finds a sequence the search finds one as good, and none where it finds none', () => {
  let [found, none] = [0, 0];
  fc.assert(
    fc.property(anyRequest, ({ library, request }) => {
      const best = bestByForce(library, request);
      const { sequences, why, proven } = combineFigures(library, request);
      expect(proven).toBe(true);
      expect(sequences[0]?.score).toBe(best);
      expect(why === null).toBe(best !== undefined);
      if (best === undefined) none += 1;
      else found += 1;
      for (const [index, one] of sequences.entries()) {
        expect(isSequence(library, request, one.patterns)).toBe(true);
        for (const other of sequences.slice(index + 1))
          expect(areDifferent(one.patterns, other.patterns)).toBe(true);
      }
    }),
    { numRuns: 300, seed: 7 },
  );
  expect(found).toBeGreaterThan(60);
  expect(none).toBeGreaterThan(60);
});

function bestByForce(library: Library, request: CombineRequest): number | undefined {
  const figures = request.use.flatMap(id => {
    const figure = library.readings.get(id)?.figure;
    return (figure && usableFigure(figure)) ?? [];
  });
  if (figures.length === 0) return undefined;
  const share = shareOf(request, figures);
  const scores = listByBeats(figures, request.beats)
    .filter(sequence =>
      isSequence(
        library,
        request,
        sequence.map(({ id }) => id),
      ),
    )
    .flatMap(sequence =>
      listWays(sequence, request.start.hold)
        .filter(
          steps => steps.at(-1)?.way.exit === request.start.hold && goesRound(steps.map(({ way }) => way)),
        )
        .map(steps => scoreSequence(request, steps, share)),
    );
  return scores.length === 0 ? undefined : Math.max(...scores);
}

function timesOf(ids: readonly string[], id: string): number {
  return ids.filter(one => one === id).length;
}

function listByBeats(figures: readonly SequenceFigure[], beats: number): readonly SequenceFigure[][] {
  if (beats === 0) return [[]];
  return figures
    .filter(figure => figure.beats <= beats)
    .flatMap(figure => listByBeats(figures, beats - figure.beats).map(rest => [figure, ...rest]));
}

function listWays([figure, ...rest]: readonly SequenceFigure[], hold: string): readonly SequenceStep[][] {
  if (!figure) return [[]];
  return figure.ways
    .filter(({ entry }) => entry === hold)
    .flatMap(way => listWays(rest, way.exit).map(after => [{ figure, way }, ...after]));
}

/** Rules read from the request alone; what happens on the floor is asked of the walk. */
function isSequence(library: Library, request: CombineRequest, ids: readonly string[]): boolean {
  if (ids.length === 0 || !request.must.every(id => timesOf(ids, id) >= timesOf(request.must, id)))
    return false;
  const rounds = [...ids, ...ids];
  const longest = rounds.reduce(
    ({ row, most }, id, index) => {
      const next = rounds[index - 1] === id ? row + 1 : 1;
      return { row: next, most: Math.max(most, next) };
    },
    { row: 0, most: 0 },
  ).most;
  const isEndless = new Set(ids).size === 1;
  if (isEndless ? request.maxInRow < Number.POSITIVE_INFINITY : longest > request.maxInRow) return false;
  const dance = library.dances.get('jetty');
  if (!dance) return false;
  const { start, end } = request;
  const once = walkSequence(library, { dance, start, end, steps: ids.map(pattern => ({ pattern })) });
  if (once.faults.length > 0 || !once.closes || once.beats !== request.beats) return false;
  const four = Array.from({ length: 4 }, () => ids.map(pattern => ({ pattern }))).flat();
  const { faults } = walkSequence(library, { dance, start, end: 'free', steps: four });
  return faults.every(({ code }) => code === 'facing');
}
