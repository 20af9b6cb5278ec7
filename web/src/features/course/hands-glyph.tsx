import { type BodyPart, type Hold, holdTouches } from '@map-step/core';

const WIDTH = 26;
const HEIGHT = 24;
const [LEADER_Y, FOLLOWER_Y] = [20, 4];

/** Which hand holds which: the leader’s below, the follower’s above, as they stand to each other. */
export function HandsGlyph({ hold }: { hold: Hold }) {
  const touches = holdTouches(hold);
  const isTurned = hold.rel === undefined || Math.abs((((hold.rel % 360) + 360) % 360) - 180) < 90;
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-hidden
      style={{ flex: 'none' }}
    >
      {touches.map(({ lead, follow, height }) => (
        <line
          key={`${lead} ${follow}`}
          x1={xOf(lead, false)}
          y1={LEADER_Y}
          x2={xOf(follow, isTurned)}
          y2={FOLLOWER_Y}
          stroke="currentColor"
          strokeWidth={height === 'low' ? 3 : 2}
          strokeDasharray={height === 'high' ? '3 2' : undefined}
        />
      ))}
      {[false, true].flatMap(isFollower =>
        (['left-hand', 'right-hand'] as const).map(hand => (
          <circle
            key={`${isFollower} ${hand}`}
            cx={xOf(hand, isFollower && isTurned)}
            cy={isFollower ? FOLLOWER_Y : LEADER_Y}
            r="3"
            fill={isFollower ? 'var(--chakra-colors-panel)' : 'currentColor'}
            stroke="currentColor"
            strokeWidth="1.5"
          />
        )),
      )}
    </svg>
  );
}

/** Left hands at the left of who looks the way the leader does; a body in the middle. */
function xOf(part: BodyPart, isTurned: boolean): number {
  if (part !== 'left-hand' && part !== 'right-hand') return WIDTH / 2;
  return (part === 'left-hand') === isTurned ? WIDTH - 5 : 5;
}

/** The hands in words: left hand to right hand. */
export function handsInWords(hold: Hold): string {
  const touches = holdTouches(hold);
  if (touches.length === 0) return 'nothing touches';
  return touches
    .map(
      ({ lead, follow, height }) =>
        `leader’s ${words(lead)} to follower’s ${words(follow)}${height ? `, ${height}` : ''}`,
    )
    .join('; ');
}

function words(part: BodyPart): string {
  return part.replace('-', ' ');
}
