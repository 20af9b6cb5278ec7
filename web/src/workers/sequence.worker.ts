import {
  type Combined,
  type CombineRequest,
  combineFigures,
  type EveningCombination,
  type EveningFigures,
  eveningCombination,
  type GivenSequence,
  type Library,
  type Material,
  openLibrary,
  refill,
  type Stretch,
} from '@map-step/core';
import { expose } from 'comlink';

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

  refill(sequence: GivenSequence, stretch: Stretch): readonly string[] | undefined {
    return refill(library, sequence, stretch);
  },
};

export type SequenceWorker = typeof worker;

expose(worker);
