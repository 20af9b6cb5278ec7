import {
  type Combined,
  type CombineRequest,
  combineFigures,
  type EveningCombination,
  type EveningFigures,
  eveningCombination,
  type Library,
  type Material,
  openLibrary,
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
};

export type SequenceWorker = typeof worker;

expose(worker);
