// What fails between two figures, in words.
import type { CarriedHint, Off } from '../couple/carry.ts';
import { printMetres } from '../model/units.ts';
import { stepCount } from '../steps/counts.ts';
import { holdPlace } from '../steps/hold-shape.ts';
import type { DancedFigure } from './danced-figures.ts';

/** A join, or a figure danced over and over, that fails where each figure by itself does not. */
export interface JoinFinding {
  readonly first: string;
  readonly second: string;
  /** The time, or the round of both, that fails. */
  readonly times?: number;
  readonly code: 'join-collide' | 'join-apart' | 'join-wrong-side' | 'creeps';
  /** The figure that fails, and the follower's step of it. */
  readonly figure: string;
  readonly step: number;
  /** Off: carried into the second figure, or left after the first time. */
  readonly metres: number;
  readonly message: string;
  /** Where the first leaves the follower, and what happens then. */
  readonly left: string;
  readonly there: string;
}

interface Found {
  readonly first: DancedFigure;
  readonly second: DancedFigure;
  readonly failing: DancedFigure;
  readonly code: JoinFinding['code'];
  readonly hint: CarriedHint;
  readonly off: Off;
  readonly times?: number;
}

/** A finding; its words are made when they are read, for most of many are only counted. */
export function findingOf({ first, second, failing, code, hint, off, times }: Found): JoinFinding {
  const { figure, couple } = failing;
  const left = () => offInWords(off, first);
  const there = () => `at ${stepCount(figure, couple.follow, hint.step)} ${hint.words}`;
  const message = () => {
    const [a, b] = [first.figure.pattern.name, second.figure.pattern.name];
    if (times === undefined) return `${a} leaves the follower ${left()}; in ${b} ${there()}`;
    const isAlone = first === second;
    const [way, where] = isAlone
      ? ['over and over', '']
      : [`by turns with ${b}`, `in ${figure.pattern.name} `];
    return `danced ${way} it leaves the follower ${left()} each time; the ${ordinal(times)} time ${where}${there()}`;
  };
  return {
    ...{ first: first.figure.pattern.id, second: second.figure.pattern.id },
    ...(times !== undefined && { times }),
    ...{ code, figure: figure.pattern.id, step: hint.step, metres: Math.hypot(off.ahead, off.side) },
    get message() {
      return message();
    },
    get left() {
      return left();
    },
    get there() {
      return there();
    },
  };
}

function ordinal(number: number): string {
  return (
    ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'][number - 1] ?? `${number}th`
  );
}

/** Which way the follower is off, seen along the direction of the hold. */
function offInWords({ ahead, side }: Off, { ways }: DancedFigure): string {
  const hold = ways[0]?.line.at(-1)?.hold;
  const { middle } = hold ? holdPlace(hold) : { middle: { ahead: 1, side: 0 } };
  const usual = Math.hypot(middle.ahead, middle.side);
  const [cos, sin] = usual === 0 ? [1, 0] : [middle.ahead / usual, middle.side / usual];
  const [along, across] = [ahead * cos + side * sin, side * cos - ahead * sin];
  if (Math.abs(along) >= Math.abs(across))
    return `${printMetres(along)} too ${along > 0 ? 'far away' : 'near'}`;
  return `${printMetres(across)} too far to the leader’s ${across > 0 ? 'left' : 'right'}`;
}
