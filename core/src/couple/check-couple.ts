import { printMetres } from '../model/units.ts';
import { type Figure, type FigureFault, findPart } from '../steps/figure.ts';
import { checkArms } from './arms.ts';
import { armsBehind, type NeededCaution, neededCautions } from './cautions-needed.ts';
import { readCouple } from './couple-time.ts';
import { type Drift, findDrift } from './drift.ts';
import { checkTogether, danceLines } from './together.ts';

/** What two bodies cannot do in a figure that is free of other errors: arms that end wound. */
export function findWoundArms(figure: Figure): FigureFault[] {
  const couple = readCouple(figure);
  return couple ? checkArms(couple) : [];
}

/** What is worth a look where two bodies dance it: places, collisions, drift, arms behind, cautions left out. */
export function coupleHints(figure: Figure): FigureFault[] {
  const couple = readCouple(figure);
  if (!couple) return missingCautions(figure, neededCautions(figure));
  const danced = danceLines(couple);
  const behind = armsBehind(couple).map(
    ({ role, hand }): FigureFault => ({
      code: 'arm-behind',
      path: ['parts', role],
      message: `the ${role === 'lead' ? 'leader' : 'follower'} turns away from the ${hand} hand that is held low: it goes behind the back`,
    }),
  );
  return [
    ...checkTogether(couple, danced),
    ...driftHint(findDrift(couple, danced)),
    ...behind,
    ...missingCautions(figure, neededCautions(figure, couple, danced)),
  ];
}

function driftHint(drift: Drift | undefined): FigureFault[] {
  if (!drift) return [];
  const way = (metres: number, one: string, other: string) =>
    Math.abs(metres) < 0.05 ? [] : [`${printMetres(metres)} ${metres > 0 ? one : other}`];
  const words = [...way(drift.ahead, 'forward', 'back'), ...way(drift.left, 'to the left', 'to the right')];
  const often = drift.times === 1 ? 'danced once' : `danced ${drift.times} times`;
  return [
    { code: 'drifts', path: ['parts'], message: `${often} it ends ${words.join(' and ')} from its place` },
  ];
}

function missingCautions(figure: Figure, needed: readonly NeededCaution[]): FigureFault[] {
  if (!findPart(figure, 'lead') && !findPart(figure, 'solo')) return [];
  const there = new Set(
    figure.pattern.marks?.flatMap(({ kind, code }) => (kind === 'caution' && code ? [code] : [])),
  );
  return needed
    .filter(code => !there.has(code))
    .map(code => ({
      code: 'caution-missing',
      path: ['marks'],
      message: `how it is danced asks for the caution “${code}”`,
    }));
}
