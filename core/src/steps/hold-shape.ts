// What a hold is, with what is left out filled in: who touches whom where, and where the follower stands to the leader.
import type { BodyPart, Hold, Touch } from '../model/document.ts';
import { modulo } from '../model/units.ts';

type HoldShape = Pick<Hold, 'contact' | 'rel' | 'touch' | 'place'>;

/** Metres in the leader's frame: ahead and to the left positive. */
export interface Placed {
  readonly ahead: number;
  readonly side: number;
}

/** Where the follower's middle may be: a rectangle that lies along a direction, or all round the leader. */
export interface HoldRegion {
  readonly kind: 'rectangle' | 'round';
  /** Degrees to the left of the leader's facing in which `along` is measured. */
  readonly direction: number;
  readonly along: readonly [number, number];
  readonly across: readonly [number, number];
  readonly middle: Placed;
}

const HAND_TO_HAND: Touch = { lead: 'left-hand', follow: 'right-hand' };
const TOUCHES = {
  none: [],
  hand: [HAND_TO_HAND],
  body: [HAND_TO_HAND, { lead: 'right-hand', follow: 'back' }],
} as const satisfies Record<Hold['contact'], readonly Touch[]>;

const HANDS: ReadonlySet<BodyPart> = new Set(['left-hand', 'right-hand']);
/** Touches by which two bodies turn as one. */
const FRAME_PARTS: ReadonlySet<BodyPart> = new Set(['back', 'waist', 'shoulder', 'upper-arm', 'neck']);

const NO_CONTACT_REACH = 3;
const NO_CONTACT_ENTRY = 1.2;
const REACHES = { hand: [0.4, 1.3, 0.3], body: [0.1, 0.5, 0.2] } as const;

/** Who touches whom where, as the contact has it unless the hold says. */
export function holdTouches({ touch, contact }: HoldShape): readonly Touch[] {
  return touch ?? TOUCHES[contact];
}

export function isHandToHand({ lead, follow }: Touch): boolean {
  return HANDS.has(lead) && HANDS.has(follow);
}

/** One name for a touch, whatever its height. */
export function touchKey({ lead, follow }: Touch): string {
  return `${lead} to ${follow}`;
}

/** The two pairs of hands of a hold as one name; undefined where there are not two. */
export function twoHandsKey(hold: HoldShape): string | undefined {
  const hands = holdTouches(hold).filter(isHandToHand);
  return hands.length === 2 ? hands.map(touchKey).sort().join(', ') : undefined;
}

/** True when two pairs of hands touch, left to right and right to left. */
export function hasParallelHands(hold: HoldShape): boolean {
  const hands = holdTouches(hold).filter(isHandToHand);
  return hands.length === 2 && hands.every(({ lead, follow }) => lead !== follow);
}

/** True when the couple turns about one point. */
export function isFrame(hold: HoldShape): boolean {
  return (
    hold.contact === 'body' ||
    holdTouches(hold).some(({ lead, follow }) => FRAME_PARTS.has(lead) || FRAME_PARTS.has(follow))
  );
}

/** Where the follower may be in a hold, as its contact and `rel` have it unless the hold says. */
export function holdPlace(hold: HoldShape): HoldRegion {
  if (hold.place) {
    const { ahead, side } = hold.place;
    const middle = { ahead: (ahead[0] + ahead[1]) / 2, side: (side[0] + side[1]) / 2 };
    return { kind: 'rectangle', direction: 0, along: ahead, across: side, middle };
  }
  const direction = directionOf(hold);
  if (hold.contact === 'none')
    return {
      kind: 'round',
      direction,
      along: [-NO_CONTACT_REACH, NO_CONTACT_REACH],
      across: [-NO_CONTACT_REACH, NO_CONTACT_REACH],
      middle: inDirection(direction, NO_CONTACT_ENTRY),
    };
  const [near, far, width] = REACHES[hold.contact];
  const middle = inDirection(direction, (near + far) / 2);
  return { kind: 'rectangle', direction, along: [near, far], across: [-width, width], middle };
}

/** A point so many metres away in a direction, degrees to the left of the leader's facing. */
export function inDirection(degrees: number, metres: number): Placed {
  const radians = (degrees * Math.PI) / 180;
  return { ahead: Math.cos(radians) * metres, side: Math.sin(radians) * metres };
}

/** Ahead face to face, half right or left between, at the side when both face the same way. */
function directionOf(hold: HoldShape): number {
  if (hold.rel === undefined) return 0;
  const rel = modulo(hold.rel, 360);
  if (rel === 0 && isAtLeft(hold)) return 90;
  return (rel - 180) / 2;
}

/** Side by side the follower is at the leader's right, but at the left where the hands say so. */
function isAtLeft(hold: HoldShape): boolean {
  const touches = holdTouches(hold);
  const onlyLeft = touches.length === 1 && touches.every(touch => touchKey(touch) === touchKey(HAND_TO_HAND));
  return onlyLeft || (hold.rel === 0 && hasParallelHands(hold));
}
