import { FORMAT } from '../model/document.ts';
/** The least that a studio can be. */
export const tinyStudio = {
  format: FORMAT,
  studio: { name: 'Pier Rooms', timezone: 'UTC' },
  dances: [
    {
      id: 'waltz',
      name: 'Waltz',
      roles: 'solo' as const,
      beatsPerBar: 3,
      countCycle: 3,
      slow: 2,
      quick: 1,
      split: 'straight' as const,
      phrase: 8,
      tempo: [],
      floor: 'free' as const,
      holds: [],
    },
  ],
};
