import { createRandom, type Library, openLibrary } from '@map-step/core';

const BEATS = [2, 3, 4, 4, 6, 8];
const TURNS = [0, 0, 0, 90, -90, 180];

/** So many made-up figures over ten holds, of two to eight beats, that turn now and then; the same for the same seed. */
export function sequenceLibrary(count: number, seed: number): Library {
  const random = createRandom(seed);
  const pick = <Entry>(list: readonly Entry[]): Entry => list[Math.floor(random() * list.length)] as Entry;
  const holds = Array.from({ length: 10 }, (_, index) => `h${index}`);
  const patterns = Array.from({ length: count }, (_, index) => {
    const beats = pick(BEATS);
    const turn = pick(TURNS);
    const starts = random() < 0.6 ? 'LR' : 'RL';
    const steps = (first: string | undefined, turns: number) =>
      Array.from({ length: beats }, (_, step) => {
        const foot = (step % 2 === 0) === (first === 'L') ? 'L' : 'R';
        return `${foot} ${step === 1 && turns !== 0 ? `${turns > 0 ? '+' : ''}${turns} ` : ''}place`;
      }).join(', ');
    const from = index < 10 ? (holds[index] as string) : pick(holds);
    return {
      ...{ id: `f${index}`, dance: 'pier', name: `Figure ${index}`, kind: 'pattern' as const, turn },
      rhythm: Array.from({ length: beats }, (_, beat) => beat + 1).join(' '),
      parts: { lead: steps(starts[0], turn), follow: steps(starts[1], turn) },
      entry: [from, ...(random() < 0.3 ? [pick(holds)] : [])],
      exit: index < 10 ? (holds[(index + 1) % 10] as string) : pick(holds),
    };
  });
  return openLibrary({
    dances: [
      {
        ...{
          id: 'pier',
          name: 'Pier',
          roles: 'pair' as const,
          beatsPerBar: 4,
          countCycle: 8,
          slow: 2,
          quick: 1,
        },
        ...{ split: 'straight' as const, phrase: 32, tempo: [], floor: 'spot' as const },
        holds: holds.map(id => ({ id, name: id, contact: 'none' as const })),
      },
    ],
    patterns,
  });
}
