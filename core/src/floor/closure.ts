import { greatestCommonDivisor } from '../model/fraction.ts';
import { modulo } from '../model/units.ts';
import { type Figure, figureTurn } from '../steps/figure.ts';

/**
 * The least repeats after which a figure that keeps its start foot faces as at the start: 0 mod 360 on a line
 * or to walls, 0 mod 180 in a slot, always on a spot or free floor.
 */
export function facingRepeats(figure: Figure): number {
  const circle = { line: 360, walls: 360, slot: 180, spot: 1, free: 1 }[figure.dance.floor];
  const turn = modulo(figureTurn(figure), circle);
  return turn === 0 ? 1 : circle / greatestCommonDivisor(turn, circle);
}
