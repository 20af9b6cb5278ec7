// The couple of a figure in numbers, from its first way in to the way out with the fewest hints.
import type { Figure } from '../steps/figure.ts';
import { armStretches } from './arms.ts';
import { type Couple, type HoldLine, holdLines, readCouple } from './couple-time.ts';
import { neededSteps, type StepTurns } from './needed-steps.ts';
import { type CouplePose, dancePoses } from './together.ts';
import { turnsByEvent } from './turns.ts';

export interface CoupleNumbers {
  /** After each event: the follower's place in the leader's frame in metres, ahead and to the left, and `rel` in degrees. */
  readonly events: readonly {
    readonly event: number;
    readonly hold: string;
    readonly ahead: number;
    readonly side: number;
    readonly rel: number;
  }[];
  /** What two pairs of hands are wound by from one hold to another, in degrees. */
  readonly arms: readonly { readonly from: string; readonly to: string; readonly wound: number }[];
  /** The follower's step that would keep the hold: degrees to her left, and metres. */
  readonly needed: readonly { readonly event: number; readonly direction: number; readonly metres: number }[];
}

/** The numbers of a couple; empty where a figure has none. Metres to the millimetre, directions to whole degrees. */
export function describeCouple(figure: Figure): CoupleNumbers {
  const couple = readCouple(figure);
  const danced = couple && bestDanced(couple);
  if (!danced) return { events: [], arms: [], needed: [] };
  const { line, poses } = danced;
  const needed = neededSteps(figure.dance, couple.lead, line, step => followTurns(couple, step));
  return {
    events: inHoldInForce(line, poses)
      .filter(({ moment }) => moment.endsEvent)
      .map(({ moment, hold, place, rel }) => ({
        event: moment.event,
        hold: hold.id,
        ahead: millimetres(place.ahead),
        side: millimetres(place.side),
        rel,
      })),
    arms: armStretches(line, turnsByEvent(couple)).map(({ from, to, wound }) => ({
      from: from.hold.id,
      to: to.hold.id,
      wound,
    })),
    needed: needed
      .filter(({ takes }) => takes)
      .map(({ event, way }) => {
        const metres = millimetres(Math.hypot(way.ahead, way.side));
        const direction = metres === 0 ? 0 : Math.round((Math.atan2(way.side, way.ahead) * 180) / Math.PI);
        return { event, direction: direction === -180 ? 180 : direction + 0, metres };
      }),
  };
}

/** The couple after each moment of a figure, from its first way in to the way out with the fewest hints; empty for no couple. */
export function coupleOnFloor(figure: Figure): readonly CouplePose[] {
  const couple = readCouple(figure);
  const danced = couple && bestDanced(couple);
  if (!danced) return [];
  return inHoldInForce(danced.line, danced.poses);
}

/** Each pose in the hold that is said to be in force, though on the way it may have been held against the next one. */
export function inHoldInForce(line: HoldLine, poses: readonly CouplePose[]): readonly CouplePose[] {
  return poses.map(pose => {
    const { event, endsEvent } = pose.moment;
    const point = line.findLast(one => (endsEvent ? one.event <= event : one.event < event));
    return { ...pose, hold: point?.hold ?? pose.hold };
  });
}

/** The first way in with the way out that has the fewest hints, and the couple on it. */
export function bestDanced(
  couple: Couple,
): { readonly line: HoldLine; readonly poses: readonly CouplePose[] } | undefined {
  const ways = holdLines(couple)[0]?.map(line => ({ line, poses: dancePoses(couple, line) })) ?? [];
  const hints = ({ poses }: { poses: readonly CouplePose[] }) =>
    poses.filter(({ verdict, collides }) => verdict.code !== null || collides !== null).length;
  return ways.reduce<(typeof ways)[number] | undefined>(
    (best, way) => (best && hints(best) <= hints(way) ? best : way),
    undefined,
  );
}

/** What the follower turns at the event of a leader's step. */
export function followTurns({ lead, follow }: Couple, step: number): StepTurns {
  const event = lead.steps[step]?.time?.event ?? step;
  const own = follow.steps.find(({ time }, index) => (time?.event ?? index) === event)?.step;
  return { before: own?.turnBefore ?? 0, after: own?.turnAfter ?? 0 };
}

function millimetres(value: number): number {
  return Math.round(value * 1000) / 1000 + 0;
}
