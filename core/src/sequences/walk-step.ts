// One figure after another: the branches that a couple may be on, and what fails in the link.
import { NOT_OFF, type Off } from '../couple/carry.ts';
import { modulo, type Ticks, ticks } from '../model/units.ts';
import { findHold } from '../steps/holds.ts';
import { feetAgree } from '../steps/links.ts';
import { carryOn } from './carried-place.ts';
import type { Stand } from './request.ts';
import { ANY_HOLD, type SequenceFigure, type SequenceWay } from './usable-figures.ts';

export type WalkCode =
  | 'untimed'
  | 'hold'
  | 'foot'
  | 'facing'
  | 'join-collide'
  | 'join-apart'
  | 'join-wrong-side';

/** What fails in a link. */
export interface LinkFault {
  readonly code: WalkCode;
  readonly message: string;
}

/** Where a couple may be after the figures so far: for each hold and place one, with the way it came on. */
export interface Branch {
  readonly hold: string;
  readonly off: Off;
  readonly way: SequenceWay | undefined;
  /** Where the follower was as the way began. */
  readonly came: Off;
  readonly before: Branch | undefined;
}

/** More branches than these are not followed. */
const MOST_BRANCHES = 64;

export interface Standing {
  readonly branches: readonly Branch[];
  readonly feet: Stand['feet'];
  /** Degrees, not modulo. */
  readonly facing: number;
  readonly beat: Ticks;
  readonly last: SequenceFigure | undefined;
}

interface StepOn {
  readonly standing: Standing;
  readonly faults: readonly LinkFault[];
}

export function startStanding({ hold, feet, facing }: Stand): Standing {
  const branch = { hold, off: NOT_OFF, came: NOT_OFF, way: undefined, before: undefined };
  return { branches: [branch], feet, facing, beat: ticks(0), last: undefined };
}

/** Dances a figure from where the couple stands, and says what fails. */
export function stepOn(at: Standing, figure: SequenceFigure): StepOn {
  const { branches, fault } = placesAfter(at, figure);
  const standing = {
    ...{ branches, last: figure, beat: ticks(at.beat + figure.beats), facing: at.facing + figure.turn },
    feet: Object.fromEntries(figure.ends),
  };
  return { standing, faults: [...footFaults(at, figure), ...facingFaults(at, figure), ...fault] };
}

function footFaults({ feet }: Standing, { starts, figure }: SequenceFigure): readonly LinkFault[] {
  return starts
    .filter(([role, foot]) => !feetAgree(feet[role] ?? 'any', foot))
    .map(([role, foot]) => {
      const who = { lead: 'leader’s', follow: 'follower’s', solo: 'dancer’s' }[role];
      const name = foot === 'L' ? 'left' : 'right';
      return {
        code: 'foot',
        message: `${figure.pattern.name} begins on the ${who} ${name} foot, which carries the weight here`,
      };
    });
}

function facingFaults({ facing }: Standing, { aligned, figure }: SequenceFigure): readonly LinkFault[] {
  if (!aligned || aligned.some(start => modulo(start - facing, 360) === 0)) return [];
  const must = aligned.map(degrees => `${modulo(degrees, 360)}°`).join(' or ');
  return [
    {
      code: 'facing',
      message: `${figure.pattern.name} begins at ${must} to the line of dance; the couple faces ${modulo(facing, 360)}°`,
    },
  ];
}

function placesAfter(
  at: Standing,
  figure: SequenceFigure,
): { readonly branches: readonly Branch[]; readonly fault: readonly LinkFault[] } {
  const found = at.branches.flatMap(before =>
    figure.ways
      .filter(({ entry }) => entry === before.hold || entry === ANY_HOLD)
      .map(way => ({ before, way, carried: carryOn(way, before.off) })),
  );
  if (found.length === 0)
    return { branches: branchesFrom(figure, at.branches[0]), fault: [holdFault(at, figure)] };
  const clean = found.filter(({ carried }) => carried.hints.length === 0);
  const branchOf = ({ before, way, carried }: (typeof found)[number], off = carried.off): Branch => ({
    ...{ hold: way.entry === ANY_HOLD ? before.hold : way.exit, off, way, came: before.off, before },
  });
  if (clean.length > 0) return { branches: distinct(clean.map(one => branchOf(one))), fault: [] };
  const best = found.reduce((least, one) =>
    one.carried.hints.length < least.carried.hints.length ? one : least,
  );
  const [hint] = best.carried.hints;
  const { name } = figure.figure.pattern;
  const after = at.last ? `after ${at.last.figure.pattern.name}, ` : '';
  const message = `${after}${name} fails: ${hint?.words}`;
  return {
    branches: [branchOf(best, carryOn(best.way, NOT_OFF).off)],
    fault: hint ? [{ code: `join-${hint.code}`, message }] : [],
  };
}

/** On every way into a figure, as if the couple had come in by it. */
function branchesFrom({ ways }: SequenceFigure, before: Branch | undefined): readonly Branch[] {
  return distinct(
    ways.map(way => ({ hold: way.exit, off: carryOn(way, NOT_OFF).off, way, came: NOT_OFF, before })),
  );
}

function holdFault({ branches }: Standing, { figure, ways }: SequenceFigure): LinkFault {
  const named = (ids: readonly string[]) =>
    [...new Set(ids)].map(id => findHold(figure.dance, id)?.name ?? id).join(' or ');
  const stands = named(branches.map(({ hold }) => hold));
  const wanted = named(ways.map(({ entry }) => entry));
  return {
    code: 'hold',
    message: `${figure.pattern.name} begins in ${wanted}; here the couple is in ${stands}`,
  };
}

function distinct(branches: readonly Branch[]): readonly Branch[] {
  const kept = new Map<string, Branch>();
  for (const branch of branches) {
    const key = `${branch.hold} ${branch.off.ahead.toFixed(6)} ${branch.off.side.toFixed(6)}`;
    if (!kept.has(key) && kept.size < MOST_BRANCHES) kept.set(key, branch);
  }
  return [...kept.values()];
}
