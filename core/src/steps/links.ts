import { modulo } from '../model/units.ts';
import { type Figure, figureTurn, findPart } from './figure.ts';
import { allExitHolds, entryHolds } from './holds.ts';
import type { FreeFoot } from './weight.ts';

/** True when a free foot lets a part begin on another: `any` and `both` go with either. */
export function feetAgree(left: FreeFoot, start: FreeFoot): boolean {
  return left === start || isEither(left) || isEither(start);
}

function isEither(foot: FreeFoot): boolean {
  return foot === 'any' || foot === 'both';
}

/** True when hold and feet of every role let B begin where A ends; a solo figure needs no hold. */
export function holdsAndFeetLink(a: Figure, b: Figure): boolean {
  if (a.dance.id !== b.dance.id || a.parts.length === 0 || b.parts.length === 0) return false;
  return (
    holdsLink(a, b) && a.parts.every(part => feetAgree(part.end, findPart(b, part.role)?.start ?? 'any'))
  );
}

/**
 * True when B may follow A: an exit hold of A is an entry of B, A leaves free the foot that B starts on in every
 * role, and on a line of dance the couple then faces as B may start (degrees to the line, 0 unless `align` says).
 */
export function canFollow(a: Figure, b: Figure): boolean {
  return (
    holdsAndFeetLink(a, b) &&
    (a.dance.floor !== 'line' || facingsAfter(a).some(facing => startsAt(b, facing)))
  );
}

/** Degrees to the line that a figure may start from. */
export function alignments({ pattern }: Figure): readonly number[] {
  return pattern.align?.length ? pattern.align : [0];
}

function facingsAfter(figure: Figure): readonly number[] {
  return alignments(figure).map(start => modulo(start + figureTurn(figure), 360));
}

function startsAt(figure: Figure, facing: number): boolean {
  return alignments(figure).some(start => modulo(start, 360) === facing);
}

function holdsLink(a: Figure, b: Figure): boolean {
  const entries = entryHolds(b.pattern);
  if (a.dance.roles === 'solo' && entries.length === 0) return true;
  const exits = new Set(allExitHolds(a.pattern));
  return entries.some(entry => exits.has(entry));
}
