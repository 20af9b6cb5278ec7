import type { Dance, Pattern } from '../model/document.ts';
import { type FigureReading, readWrittenFigure } from '../steps/figure.ts';
import { keepSteps } from './keep.ts';

/** Reads a figure as far as it can be read and collects every fault on the way. Linear in its steps. */
export function readFigure(pattern: Pattern, dance: Dance): FigureReading {
  return readWrittenFigure(pattern, dance, keepSteps);
}
