import {
  type Combined,
  type CombineRequest,
  combineFigures,
  type EveningCombination,
  type EveningFigures,
  eveningCombination,
  type Filling,
  type Library,
  type Material,
  openLibrary,
  refillAround,
} from '@map-step/core';
import { expose } from 'comlink';

type Asked = Parameters<typeof refillAround> extends [Library, ...infer Rest] ? Rest : never;

let library: Library = openLibrary({});

/** The search for sequences, away from the page. Whoever wants it to stop ends the worker. */
const worker = {
  load(material: Material): void {
    library = openLibrary(material);
  },

  combine(request: CombineRequest): Combined {
    return combineFigures(library, request);
  },

  evening(figures: EveningFigures): EveningCombination | undefined {
    return eveningCombination(library, figures);
  },

  refill(...[sequence, asked]: Asked): readonly Filling[] {
    return refillAround(library, sequence, asked);
  },
};

export type SequenceWorker = typeof worker;

expose(worker);
