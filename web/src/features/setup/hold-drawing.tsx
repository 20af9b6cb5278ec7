import { Box } from '@chakra-ui/react';
import { type BodyPart, type Hold, holdPlace, holdTouches, type Touch } from '@map-step/core';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';

/** Metres that are drawn around the middle of the follower's place, and at the least from side to side. */
const AROUND = 0.6;
const LEAST_SHOWN = 1.6;
const STEP = 0.05;

const BODY_PARTS: Readonly<Record<BodyPart, readonly [x: number, y: number]>> = {
  'left-hand': [-0.26, -0.14],
  'right-hand': [0.26, -0.14],
  back: [0, 0.13],
  waist: [-0.13, 0.02],
  shoulder: [0.16, 0.02],
  'upper-arm': [-0.24, 0.02],
  neck: [0, -0.02],
};

const PART_WORDS: Readonly<Record<BodyPart, string>> = {
  'left-hand': 'left hand',
  'right-hand': 'right hand',
  back: 'back',
  waist: 'waist',
  shoulder: 'shoulder',
  'upper-arm': 'upper arm',
  neck: 'neck',
};

interface HoldDrawingProps {
  readonly hold: Hold;
  putTouches(touches: readonly Touch[]): void;
  putPlace(place: HoldPlace): void;
}

/**
 * The hold from above, the leader in the middle facing up. A part of the leader and then one of the follower joins or
 * parts them; the place is drawn with the pointer or moved with the arrows, and made wider with Shift.
 */
export function HoldDrawing({ hold, putTouches, putPlace }: HoldDrawingProps) {
  const svg = useRef<SVGSVGElement>(null);
  const [picked, pick] = useState<BodyPart>();
  const region = holdPlace(hold);
  const place = hold.place ?? boxAround(region.middle);
  const reach = Math.max(...[...place.ahead, ...place.side].map(Math.abs));
  const shown = Math.max(LEAST_SHOWN, 2 * (reach + AROUND));
  const follow = { x: -region.middle.side, y: -region.middle.ahead, turned: -(hold.rel ?? 180) };
  const touches = holdTouches(hold);
  const join = (part: BodyPart) => {
    if (!picked) return;
    const others = touches.filter(touch => touch.lead !== picked || touch.follow !== part);
    putTouches(others.length < touches.length ? others : [...touches, { lead: picked, follow: part }]);
    pick(undefined);
  };
  const moveTo = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || event.buttons !== 1) return;
    const x = ((event.clientX - box.left) / box.width - 0.5) * shown;
    const y = ((event.clientY - box.top) / box.height - 0.5) * shown;
    putPlace(movedTo(place, { ahead: toStep(-y), side: toStep(-x) }));
  };
  const transform = `translate(${follow.x} ${follow.y}) rotate(${follow.turned})`;
  return (
    <Box color="ink" maxW="20rem">
      <svg
        ref={svg}
        viewBox={`${-shown / 2} ${-shown / 2} ${shown} ${shown}`}
        width="100%"
        style={{ touchAction: 'none' }}
      >
        <title>{`${hold.name} from above`}</title>
        <PlaceBox place={place} moveTo={moveTo} put={putPlace} />
        <Silhouette dancer="lead" />
        <g transform={transform}>
          <Silhouette dancer="follow" />
        </g>
        {touches.map(touch => (
          <TouchLine key={`${touch.lead} ${touch.follow}`} touch={touch} follow={follow} />
        ))}
        <Parts dancer="lead" chosen={picked} pick={part => pick(part === picked ? undefined : part)} />
        <g transform={transform}>
          <Parts dancer="follow" chosen={undefined} pick={picked ? join : undefined} />
        </g>
      </svg>
    </Box>
  );
}

type HoldPlace = NonNullable<Hold['place']>;

interface PlaceBoxProps {
  readonly place: HoldPlace;
  moveTo(event: PointerEvent): void;
  put(place: HoldPlace): void;
}

/** Where the follower may be: drawn with the pointer, moved with the arrows, made wider with Shift. */
function PlaceBox({ place, moveTo, put }: PlaceBoxProps) {
  const { ahead, side } = place;
  const onKey = (event: KeyboardEvent) => {
    const [along, across] = ARROWS[event.key] ?? [0, 0];
    if (along === 0 && across === 0) return;
    event.preventDefault();
    event.stopPropagation();
    put({
      ahead: shifted(ahead, along, event.shiftKey),
      side: shifted(side, across, event.shiftKey),
    });
  };
  return (
    <Box
      as="rect"
      {...FOCUS}
      role="button"
      tabIndex={0}
      aria-label={`Where the follower may be: ${rangeInWords(ahead, 'ahead', 'behind')}, ${rangeInWords(side, 'left', 'right')}. Arrows move it, Shift and arrows change its size.`}
      x={-side[1]}
      y={-ahead[1]}
      width={Math.max(0.04, side[1] - side[0])}
      height={Math.max(0.04, ahead[1] - ahead[0])}
      fill="var(--chakra-colors-now-tint)"
      stroke="currentColor"
      strokeWidth="0.015"
      strokeDasharray="0.06 0.04"
      cursor="move"
      onKeyDown={onKey}
      onPointerDown={event => {
        event.currentTarget.setPointerCapture(event.pointerId);
        moveTo(event);
      }}
      onPointerMove={moveTo}
    />
  );
}

/** A step on; of one that grows only its far end goes. */
function shifted([from, to]: readonly [number, number], way: number, grows: boolean): [number, number] {
  const next = grows ? toStep(from) : toStep(from + way * STEP);
  return [next, Math.max(next, toStep(to + way * STEP))];
}

interface TouchLineProps {
  readonly touch: Touch;
  readonly follow: Placed;
}

function TouchLine({ touch, follow }: TouchLineProps) {
  const [x1, y1] = BODY_PARTS[touch.lead];
  const end = placed(BODY_PARTS[touch.follow], follow);
  return (
    <line
      {...{ x1, y1, x2: end.x, y2: end.y }}
      stroke="currentColor"
      strokeWidth="0.035"
      strokeLinecap="round"
      pointerEvents="none"
    />
  );
}

/** In a drawing measured in metres the frame of the page around what has the focus would be metres wide. */
const FOCUS = {
  outline: '0 !important',
  _focusVisible: { outline: 'none', stroke: 'now', strokeWidth: '0.05px' },
};

const ARROWS: Readonly<Record<string, readonly [ahead: number, side: number]>> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, 1],
  ArrowRight: [0, -1],
};

/** Shoulders from above; the leader full. */
function Silhouette({ dancer }: { dancer: 'lead' | 'follow' }) {
  return (
    <Box as="g" color={dancer} pointerEvents="none">
      <ellipse
        rx="0.24"
        ry="0.13"
        fill={dancer === 'lead' ? 'currentColor' : 'var(--chakra-colors-panel)'}
        stroke="currentColor"
        strokeWidth="0.03"
      />
      <path d="M-0.08 -0.13 L0 -0.27 L0.08 -0.13 Z" fill="currentColor" />
    </Box>
  );
}

interface PartsProps {
  readonly dancer: 'lead' | 'follow';
  readonly chosen: BodyPart | undefined;
  readonly pick: ((part: BodyPart) => void) | undefined;
}

/** The parts of a dancer that can touch, as buttons; those of who is not asked let the others through. */
function Parts({ dancer, chosen, pick }: PartsProps) {
  const name = dancer === 'lead' ? 'Leader’s' : 'Follower’s';
  return (
    <Box as="g" color={dancer} pointerEvents={pick ? undefined : 'none'}>
      {Object.entries(BODY_PARTS).map(([key, [x, y]]) => {
        const part = key as BodyPart;
        return (
          <Box
            as="circle"
            key={part}
            {...FOCUS}
            role="button"
            tabIndex={pick ? 0 : -1}
            aria-label={`${name} ${PART_WORDS[part]}`}
            aria-pressed={chosen === part}
            cx={x}
            cy={y}
            r="0.045"
            fill={chosen === part ? 'var(--chakra-colors-now)' : 'var(--chakra-colors-panel)'}
            stroke="currentColor"
            strokeWidth="0.025"
            cursor={pick ? 'pointer' : undefined}
            onClick={() => pick?.(part)}
            onKeyDown={event => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              event.stopPropagation();
              pick?.(part);
            }}
          >
            <title>{`${name} ${PART_WORDS[part]}`}</title>
          </Box>
        );
      })}
    </Box>
  );
}

interface Placed {
  readonly x: number;
  readonly y: number;
  readonly turned: number;
}

/** A point of the follower's body in the drawing. */
function placed([x, y]: readonly [number, number], at: Placed) {
  const radians = (at.turned * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return { x: at.x + x * cos - y * sin, y: at.y + x * sin + y * cos };
}

/** A usual size of a place around its middle. */
function boxAround(middle: { readonly ahead: number; readonly side: number }): HoldPlace {
  return {
    ahead: [toStep(middle.ahead - 0.3), toStep(middle.ahead + 0.3)],
    side: [toStep(middle.side - 0.3), toStep(middle.side + 0.3)],
  };
}

function movedTo(
  { ahead, side }: HoldPlace,
  to: { readonly ahead: number; readonly side: number },
): HoldPlace {
  const around = ([from, upTo]: readonly [number, number], middle: number): [number, number] => [
    toStep(middle - (upTo - from) / 2),
    toStep(middle + (upTo - from) / 2),
  ];
  return { ahead: around(ahead, to.ahead), side: around(side, to.side) };
}

function toStep(metres: number): number {
  return Math.round(metres / STEP) / Math.round(1 / STEP);
}

function rangeInWords([from, to]: readonly [number, number], more: string, less: string): string {
  const word = (metres: number) => `${Math.abs(metres).toFixed(2)} m ${metres < 0 ? less : more}`;
  return `${word(from)} to ${word(to)}`;
}
