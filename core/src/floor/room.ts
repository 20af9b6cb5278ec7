// How much floor a figure takes and how many can dance it in a room: an estimate from its path.
import type { Floor, Room } from '../model/document.ts';
import { TICKS_PER_BEAT, ticks } from '../model/units.ts';
import { type Figure, partTurn } from '../steps/figure.ts';
import { fitPhrase } from '../timing/phrase.ts';
import { footRepeats } from './closure.ts';
import { ahead, figurePath, type Point, type Track } from './path.ts';

/** The box round a path, in metres: `x` across, `y` along the leader's first facing. */
export interface Footprint {
  readonly from: Point;
  readonly to: Point;
  readonly width: number;
  readonly length: number;
}

/** How far elbows and shoulders reach beyond the feet, in metres. */
export const REACH = 0.3;

/** The box round all tracks with reach, or undefined for a figure without steps. */
export function footprint(tracks: readonly Track[]): Footprint | undefined {
  const points = tracks.flatMap(({ footfalls, middle }) => [...footfalls, ...middle]);
  if (points.length === 0) return undefined;
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const from = { x: Math.min(...xs) - REACH, y: Math.min(...ys) - REACH };
  const to = { x: Math.max(...xs) + REACH, y: Math.max(...ys) + REACH };
  return { from, to, width: to.x - from.x, length: to.y - from.y };
}

/**
 * How many couples (or soloists) fit when each keeps its own box: one behind the other round the room on a line
 * of dance, else side by side in rows, whichever way they face.
 */
export function couplesInRoom(box: Footprint, room: Pick<Room, 'length' | 'width'>, floor: Floor): number {
  if (floor === 'line') {
    const round = 2 * (room.length - box.width + (room.width - box.width));
    const fits = box.width <= Math.min(room.length, room.width);
    return fits ? Math.max(0, wholeTimes(round, box.length)) : 0;
  }
  const rows = (across: number, along: number) =>
    wholeTimes(room.width, across) * wholeTimes(room.length, along);
  return Math.max(rows(box.width, box.length), rows(box.length, box.width));
}

/** How often a length goes into another; a millionth short still counts. */
function wholeTimes(whole: number, part: number): number {
  return Math.floor(whole / part + 1e-6);
}

export interface Travel {
  /** Metres between where the leader (or soloist) begins and ends. */
  readonly metres: number;
  /** Metres gained along the line of dance; undefined on other floors. */
  readonly along: number | undefined;
}

/** Under this many metres a couple is taken to have kept its place. */
export const KEEPS_PLACE = 0.3;

/** How far a figure goes when it is danced so often, each time on from where it ended. */
export function travel(figure: Figure, times: number): Travel {
  const [track] = figurePath(figure);
  const end = track?.middle.at(-1) ?? { x: 0, y: 0 };
  const [part] = figure.parts;
  const turn = part ? partTurn(part) : 0;
  const isMirrored = footRepeats(figure) === 2;
  let at: Point = { x: 0, y: 0 };
  let facing = 0;
  for (let time = 0; time < times; time += 1) {
    const sign = isMirrored && time % 2 === 1 ? -1 : 1;
    at = ahead(ahead(at, facing, end.y), facing - 90, sign * end.x);
    facing += figure.dance.roles === 'solo' ? sign * turn : turn;
  }
  const line = ahead({ x: 0, y: 0 }, -(figure.pattern.align?.[0] ?? 0), 1);
  const along = figure.dance.floor === 'line' ? at.x * line.x + at.y * line.y : undefined;
  return { metres: Math.hypot(at.x, at.y), along };
}

/** How far a figure goes until it meets the phrase; undefined without timing. */
export function phraseTravel(figure: Figure): Travel | undefined {
  if (figure.beats === null) return undefined;
  return travel(figure, fitPhrase(figure.beats, ticks(figure.dance.phrase * TICKS_PER_BEAT)).repeats);
}
