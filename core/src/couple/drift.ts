// Whether a figure keeps its place on a spot or in a slot, danced as often as its closure says.
import { figureClosure } from '../floor/closure.ts';
import { ahead, type Point } from '../floor/path.ts';
import type { Figure } from '../steps/figure.ts';
import { otherFootForm } from '../steps/pieces.ts';
import { middleBetween } from './body-track.ts';
import type { Couple } from './couple-time.ts';
import { coupleStart, type DancedLine, danceLines } from './together.ts';

/** Where the couple's middle ends, in metres: ahead of where the leader first faced, and to the left. */
export interface Drift {
  readonly ahead: number;
  readonly left: number;
  readonly times: number;
}

const TOO_FAR = 0.6;

/** How far a figure goes from its place; undefined where it keeps it, or its floor does not ask. */
export function findDrift(couple: Couple, danced = danceLines(couple)): Drift | undefined {
  const { figure } = couple;
  const { floor } = figure.dance;
  if (floor !== 'spot' && floor !== 'slot') return undefined;
  const times = figureClosure(figure).all ?? 1;
  const first = onceDanced(danced);
  if (!first) return undefined;
  const other = figureClosure(figure).foot === 2 ? onceDanced(danceLines(otherForm(couple))) : first;
  let at: Point = { x: 0, y: 0 };
  let facing = 0;
  for (let time = 0; time < times; time += 1) {
    const { by, turn } = (time % 2 === 0 ? first : other) ?? first;
    at = ahead(ahead(at, facing, by.y), facing - 90, by.x);
    facing += turn;
  }
  const drift = { ahead: at.y, left: -at.x, times };
  const far = floor === 'slot' ? Math.abs(drift.left) : Math.hypot(drift.ahead, drift.left);
  return far > TOO_FAR + 1e-9 ? drift : undefined;
}

/** How the couple's middle moves in the figure danced once, and what the leader turns. */
function onceDanced(
  danced: readonly (readonly DancedLine[])[],
): { readonly by: Point; readonly turn: number } | undefined {
  const first = danced[0]?.[0];
  if (!first) return undefined;
  const start = coupleStart(first.line[0].hold);
  const end = first.poses.at(-1) ?? start;
  const from = middleBetween(start.lead.middle, start.follow.middle);
  const to = middleBetween(end.lead.middle, end.follow.middle);
  return { by: { x: to.x - from.x, y: to.y - from.y }, turn: end.lead.facing };
}

/** The couple on the other feet: left and right changed, turns as they are. */
export function otherForm(couple: Couple): Couple {
  const { figure } = couple;
  const swapped = <Entry extends { readonly step: Figure['parts'][number]['steps'][number]['step'] } | null>(
    one: Entry,
  ): Entry => (one?.step ? { ...one, step: otherFootForm(figure.dance, [one.step])[0] ?? one.step } : one);
  return {
    ...couple,
    moments: couple.moments.map(moment => ({
      ...moment,
      lead: swapped(moment.lead),
      follow: swapped(moment.follow),
      leadNext: swapped(moment.leadNext),
      followNext: swapped(moment.followNext),
    })),
  };
}
