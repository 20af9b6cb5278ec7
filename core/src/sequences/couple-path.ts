// The path of a sequence on the floor: the middle between both, or the dancer's, figure after figure. Linear in the steps.

import { middleBetween, rotate } from '../couple/body-track.ts';
import { carriedPoses } from '../couple/carry.ts';
import { figurePath, type Point } from '../floor/path.ts';
import { type Footprint, REACH } from '../floor/room.ts';
import type { Floor } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';
import { holdPlace } from '../steps/hold-shape.ts';
import type { WalkRow } from './walk.ts';

/** What is danced of one row of a walk: where the couple is at its start and after each moment, in metres. */
export interface PathPiece {
  readonly points: readonly Point[];
  /** Beside each point where leader and follower are, or the one who dances alone. */
  readonly bodies: readonly (readonly Point[])[];
  /** Degrees to the left of where the first figure faced, at its start. */
  readonly facing: number;
}

interface Stance {
  readonly at: Point;
  readonly facing: number;
}

/**
 * A piece for each row, the leader (or who dances alone) first at 0|0, facing as the walk says: 0 is up, which on a line of dance
 * is along it. `figureOf` reads a figure by its id.
 */
export function couplePath(
  rows: readonly WalkRow[],
  figureOf: (id: string) => Figure | undefined,
): readonly PathPiece[] {
  let stance: Stance = { at: { x: 0, y: 0 }, facing: rows[0]?.facing ?? 0 };
  return rows.map(row => {
    const from = stance;
    const { points, bodies, end } = pieceOf(row, figureOf(row.pattern));
    const onFloor = (point: Point): Point => {
      const turned = rotate(point, { x: 0, y: 0 }, from.facing);
      return { x: from.at.x + turned.x, y: from.at.y + turned.y };
    };
    stance = { at: onFloor(end.at), facing: from.facing + end.facing };
    return {
      points: points.map(onFloor),
      bodies: bodies.map(both => both.map(onFloor)),
      facing: from.facing,
    };
  });
}

interface SeenPiece extends Pick<PathPiece, 'points' | 'bodies'> {
  readonly end: Stance;
}

/** As seen from where the leader begins. */
function pieceOf({ way, place }: WalkRow, figure: Figure | undefined): SeenPiece {
  const danced = way?.danced;
  if (!danced || !place) return soloPiece(figure);
  const { middle } = holdPlace(danced.line[0].hold);
  const poses = carriedPoses(danced, { ahead: place.ahead - middle.ahead, side: place.side - middle.side });
  const bodies = [
    [
      { x: 0, y: 0 },
      { x: -place.side, y: place.ahead },
    ] as const,
    ...poses.map(({ lead, follow }) => [lead.middle, follow.middle] as const),
  ];
  const last = poses.at(-1);
  return {
    points: bodies.map(([lead, follow]) => middleBetween(lead, follow)),
    bodies,
    end: { at: last?.lead.middle ?? { x: 0, y: 0 }, facing: last?.lead.facing ?? 0 },
  };
}

function soloPiece(figure: Figure | undefined): SeenPiece {
  const [track] = figure ? figurePath(figure) : [];
  const points = track?.middle ?? [{ x: 0, y: 0 }];
  return {
    points,
    bodies: points.map(point => [point]),
    end: { at: points.at(-1) ?? { x: 0, y: 0 }, facing: track?.facing ?? 0 },
  };
}

/**
 * The box that a couple keeps to itself: the whole path; on a line of dance, where all go on together, as wide as that and as long
 * as its longest figure.
 */
export function ownFloor(pieces: readonly PathPiece[], floor: Floor): Footprint | undefined {
  const whole = pathFootprint(pieces);
  if (!whole || floor !== 'line') return whole;
  const length = Math.max(...pieces.map(piece => pathFootprint([piece])?.length ?? 0));
  return { ...whole, to: { x: whole.to.x, y: whole.from.y + length }, length };
}

/** The box round a path, with the reach of two who stand face to face. */
export function pathFootprint(pieces: readonly PathPiece[], reach = 2 * REACH): Footprint | undefined {
  const points = pieces.flatMap(piece => piece.points);
  if (points.length === 0) return undefined;
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const from = { x: Math.min(...xs) - reach, y: Math.min(...ys) - reach };
  const to = { x: Math.max(...xs) + reach, y: Math.max(...ys) + reach };
  return { from, to, width: to.x - from.x, length: to.y - from.y };
}
