import { chakra } from '@chakra-ui/react';
import {
  couplePath,
  couplesInRoom,
  type Dance,
  type Footprint,
  figureName,
  ownFloor,
  type PathPiece,
  type Point,
  pathFootprint,
  printMetres,
  type Room,
  type Walk,
} from '@map-step/core';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { usePlaying } from '../../ui/use-playing.ts';
import { useClass, useCourse } from '../course/course-context.ts';

interface FloorDrawingProps {
  readonly walk: Walk;
  readonly dance: Dance;
  readonly chosen: number | undefined;
}

/** The couple's path on the floor, and the room of the class with as many as can dance it at once; both to scale. */
export function FloorDrawing({ walk, dance, chosen }: FloorDrawingProps) {
  const { library, studio } = useCourse();
  const { section } = useClass();
  const pieces = couplePath(walk.rows, id => library.readings.get(id)?.figure);
  const box = pathFootprint(pieces);
  const { upTo, play } = usePlaying(pieces.flatMap(({ points }) => points).length - 1);
  const now = placeOf(pieces, upTo);
  const room = studio.rooms.find(({ id }) => id === section?.section.room) ?? studio.rooms[0];
  if (!box) return null;
  const who = dance.roles === 'solo' ? 'dancers' : 'couples';
  const isLine = dance.floor === 'line';
  const own = ownFloor(pieces, dance.floor) ?? box;
  const fits = room && couplesInRoom(own, room, dance.floor);
  return (
    <Group title="On the floor (an estimate)">
      <chakra.div display="grid" gridTemplateColumns="minmax(0, 1fr) minmax(0, 1fr)" gap="3" fontSize="sm">
        <chakra.figure m="0">
          <PathPicture {...{ pieces, box, isLine }} chosen={now?.piece ?? chosen} bodies={now?.bodies} />
          <figcaption>
            {isLine
              ? `Goes ${printMetres(box.length)} with the line of dance (the arrows), ${printMetres(box.width)} wide`
              : `Takes ${printMetres(box.width)} × ${printMetres(box.length)}`}
            ; a square is 1 m
          </figcaption>
          <Button size="small" className="no-print" onClick={play}>
            Dance it
          </Button>{' '}
          {now && <Label>{figureName(library, walk.rows[now.piece]?.pattern ?? '')}</Label>}
        </chakra.figure>
        {room && fits !== undefined && (
          <chakra.figure m="0">
            <RoomPicture room={room} box={own} isLine={isLine} />
            <figcaption>
              <strong>
                {fits} {who}
              </strong>{' '}
              at a time in {room.name}
              {fits === 0 && ': it does not fit'}
            </figcaption>
          </chakra.figure>
        )}
      </chakra.div>
    </Group>
  );
}

/** Which figure is danced at a point of the whole path, and where the dancers are; undefined while nothing is played. */
function placeOf(pieces: readonly PathPiece[], upTo: number | undefined) {
  if (upTo === undefined) return undefined;
  let left = upTo;
  for (const [piece, { points, bodies }] of pieces.entries()) {
    if (left < points.length) return { piece, bodies: bodies[left] ?? [] };
    left -= points.length;
  }
  return undefined;
}

const LEAST_METRES = 3;
/** Metres from the middle of a dancer to the edge of the disc that stands for them. */
const A_BODY = 0.18;
const BODY_COLOURS = ['lead', 'follow'] as const;

interface PathPictureProps {
  readonly pieces: readonly PathPiece[];
  readonly box: Footprint;
  readonly chosen: number | undefined;
  readonly isLine: boolean;
  /** Where the dancers are while it is danced. */
  readonly bodies: readonly Point[] | undefined;
}

function PathPicture({ pieces, box, chosen, isLine, bodies }: PathPictureProps) {
  const middle = { x: (box.from.x + box.to.x) / 2, y: (box.from.y + box.to.y) / 2 };
  const [width, height] = [Math.max(LEAST_METRES, box.width), Math.max(LEAST_METRES, box.length)];
  const view = { x: middle.x - width / 2, y: -middle.y - height / 2 };
  const [first, last] = [pieces[0]?.points[0], pieces.at(-1)?.points.at(-1)];
  const thin = Math.max(width, height) / 120;
  return (
    <chakra.svg
      viewBox={`${view.x} ${view.y} ${width} ${height}`}
      width="full"
      height="10rem"
      bg="panel"
      border="1px solid"
      borderColor="line"
      role="img"
      aria-label={`The path: ${printMetres(box.width)} across, ${printMetres(box.length)} along`}
    >
      <Squares {...view} width={width} height={height} thin={thin / 2} />
      {isLine && <Traffic {...view} width={width} height={height} />}
      <g fill="none" stroke="var(--chakra-colors-lead)" strokeLinejoin="round" strokeLinecap="round">
        {pieces.map(({ points }, index) => (
          <polyline
            key={`piece-${index + 1}`}
            points={points.map(({ x, y }) => `${x},${-y}`).join(' ')}
            strokeWidth={index === chosen ? 4 * thin : 1.5 * thin}
            stroke={index === chosen ? 'var(--chakra-colors-now)' : undefined}
          />
        ))}
      </g>
      {first && <circle cx={first.x} cy={-first.y} r={4 * thin} fill="var(--chakra-colors-ink)" />}
      {last && (
        <circle
          {...{ cx: last.x, cy: -last.y, r: 5 * thin, fill: 'none', strokeWidth: 1.5 * thin }}
          stroke="var(--chakra-colors-ink)"
        />
      )}
      {bodies?.map(({ x, y }, index) => (
        <circle
          key={BODY_COLOURS[index]}
          {...{ cx: x, cy: -y, r: A_BODY, strokeWidth: 1.5 * thin }}
          fill={index === 0 ? `var(--chakra-colors-${bodies.length === 1 ? 'solo' : 'lead'})` : 'none'}
          stroke={`var(--chakra-colors-${BODY_COLOURS[index]})`}
        />
      ))}
    </chakra.svg>
  );
}

interface SquaresProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly thin: number;
}

function Squares({ x, y, width, height, thin }: SquaresProps) {
  const lines = (from: number, length: number) =>
    Array.from({ length: Math.ceil(length) + 1 }, (_, index) => Math.ceil(from) + index);
  return (
    <g stroke="var(--chakra-colors-line)" strokeWidth={thin}>
      {lines(x, width).map(at => (
        <path key={`x ${at}`} d={`M${at} ${y}v${height}`} />
      ))}
      {lines(y, height).map(at => (
        <path key={`y ${at}`} d={`M${x} ${at}h${width}`} />
      ))}
    </g>
  );
}

/** Which way the others go round: up, as the first figure faces the line. */
function Traffic({ x, y, width, height }: Omit<SquaresProps, 'thin'>) {
  const size = height / 12;
  return (
    <g stroke="var(--chakra-colors-quiet)" strokeWidth={size / 12} fill="none">
      {[0.25, 0.5, 0.75].map(at => (
        <path
          key={at}
          d={`M${x + 0.92 * width} ${y + at * height + size / 2}v${-size}m${-size / 4} ${size / 4}l${size / 4} ${-size / 4}l${size / 4} ${size / 4}`}
        />
      ))}
    </g>
  );
}

/** The room from above with those who can dance it at once. */
function RoomPicture({ room, box, isLine }: { room: Room; box: Footprint; isLine: boolean }) {
  return (
    <chakra.svg
      viewBox={`-.1 -.1 ${room.length + 0.2} ${room.width + 0.2}`}
      width="full"
      height="10rem"
      role="img"
      aria-label={`${room.name} from above`}
    >
      <rect
        width={room.length}
        height={room.width}
        fill="var(--chakra-colors-panel)"
        stroke="var(--chakra-colors-ink)"
        strokeWidth=".08"
      />
      <g fill="var(--chakra-colors-lead-tint)" stroke="var(--chakra-colors-lead)" strokeWidth=".05">
        {isLine
          ? roundTheRoom(room, box).map(({ x, y }) => <circle key={`${x} ${y}`} cx={x} cy={y} r={A_COUPLE} />)
          : sideBySide(room, box).map(({ x, y, width, height }) => (
              <rect
                key={`${x} ${y}`}
                {...{ x: x + 0.06, y: y + 0.06, width: width - 0.12, height: height - 0.12 }}
              />
            ))}
      </g>
    </chakra.svg>
  );
}

/** Metres from the middle of a couple to its elbows. */
const A_COUPLE = 0.5;

type Rectangle = Omit<SquaresProps, 'thin'>;

/** In rows, whichever way more of them fit. */
function sideBySide(room: Room, box: Footprint): readonly Rectangle[] {
  const laid = (width: number, height: number) => {
    const [columns, rows] = [wholeTimes(room.length, width), wholeTimes(room.width, height)];
    return Array.from({ length: columns * rows }, (_, index) => ({
      ...{ x: (index % columns) * width, y: Math.floor(index / columns) * height, width, height },
    }));
  };
  const [along, across] = [laid(box.length, box.width), laid(box.width, box.length)];
  return along.length >= across.length ? along : across;
}

/** One behind the other on the lane round the room, as far apart as all fit. */
function roundTheRoom(room: Room, box: Footprint): readonly { readonly x: number; readonly y: number }[] {
  const [along, up] = [room.length - box.width, room.width - box.width];
  const count = couplesInRoom(box, room, 'line');
  const edge = box.width / 2;
  return Array.from({ length: count }, (_, index) => {
    const gone = ((along + up) * 2 * index) / count;
    if (gone < along) return { x: edge + gone, y: edge };
    if (gone < along + up) return { x: edge + along, y: edge + gone - along };
    if (gone < 2 * along + up) return { x: edge + along - (gone - along - up), y: edge + up };
    return { x: edge, y: edge + up - (gone - 2 * along - up) };
  });
}

function wholeTimes(whole: number, part: number): number {
  return Math.max(0, Math.floor(whole / part + 1e-6));
}
