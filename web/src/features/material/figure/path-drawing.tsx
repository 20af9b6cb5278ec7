import { chakra } from '@chakra-ui/react';
import {
  couplesInRoom,
  type Figure,
  figurePath,
  footprint,
  KEEPS_PLACE,
  pathAfter,
  phraseTravel,
  printMetres,
  type Role,
  type Track,
} from '@map-step/core';
import { useId, useState } from 'react';
import { Choice } from '../../../ui/choice.tsx';
import { Group } from '../../../ui/group.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { usePlaying } from '../../../ui/use-playing.ts';
import { useCourse } from '../../course/course-context.ts';
import { useCameFrom } from './came-from.ts';
import { HEEL, SOLE } from './footprint.tsx';

/** Metres that a foot is long in the drawing. */
const FOOT = 0.24;
const LEAST_METRES = 2;

const DANCED = { alone: 'once', again: 'twice' };

/** The path on the floor, to scale: left and right feet of both roles, and how much room it takes. */
export function PathDrawing({ figure }: { figure: Figure }) {
  const { studio } = useCourse();
  const [isFacing, setFacing] = useState(false);
  const { before, among, value, choose } = useCameFrom(figure, DANCED);
  const tracks = before ? pathAfter(figure, before) : figurePath(figure);
  const box = footprint(tracks);
  const last = Math.max(-1, ...tracks.flatMap(({ footfalls }) => footfalls.map(({ step }) => step)));
  const { upTo, play } = usePlaying(last);
  if (!box) return null;
  const gone = phraseTravel(figure);
  const word = figure.dance.roles === 'solo' ? 'dancers' : 'couples';
  return (
    <Group title="On the floor (an estimate)">
      <chakra.div className="no-print" maxW="20rem">
        <Choice label="Danced" layout="beside" size="small" value={value} among={among} set={choose} />
      </chakra.div>
      <Drawing tracks={tracks} box={box} isFacing={isFacing} upTo={upTo} />
      <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
        <Label>
          Seen {isFacing ? 'by somebody who faces the dancer' : 'from behind the leader'}; a square is 1 m
        </Label>
        <Button size="small" onClick={() => setFacing(!isFacing)} aria-pressed={isFacing}>
          {isFacing ? 'See from behind' : 'See it facing'}
        </Button>
        <Button size="small" onClick={play}>
          Play it step by step
        </Button>
      </chakra.div>
      <p>
        Takes {printMetres(box.width)} × {printMetres(box.length)}.
        {gone &&
          (gone.metres < KEEPS_PLACE
            ? ' It keeps its place over a phrase.'
            : ` Until it meets the phrase it goes ${printMetres(gone.metres)}${gone.along === undefined ? '' : `, ${printMetres(gone.along)} along the line`}.`)}
      </p>
      {studio.rooms.map(room => (
        <p key={room.id}>
          {room.name}, {room.length} × {room.width} m: {couplesInRoom(box, room, figure.dance.floor)} {word}{' '}
          at a time
        </p>
      ))}
    </Group>
  );
}

interface DrawingProps {
  /** The last step that is shown; all of them when it is missing. */
  readonly upTo: number | undefined;
  readonly tracks: readonly Track[];
  readonly box: NonNullable<ReturnType<typeof footprint>>;
  readonly isFacing: boolean;
}

function Drawing({ tracks, box, isFacing, upTo = Number.POSITIVE_INFINITY }: DrawingProps) {
  const hatch = useId();
  const size = Math.max(LEAST_METRES, box.width, box.length);
  const middle = { x: (box.from.x + box.to.x) / 2, y: (box.from.y + box.to.y) / 2 };
  const view = { x: middle.x - size / 2, y: -middle.y - size / 2 };
  const lines = Array.from({ length: Math.ceil(size) + 1 }, (_, index) => index);
  return (
    <chakra.svg
      viewBox={`${view.x} ${view.y} ${size} ${size}`}
      width="full"
      maxW="20rem"
      bg="panel"
      border="1px solid"
      borderColor="line"
      role="img"
      aria-label={`Path on the floor: ${printMetres(box.width)} by ${printMetres(box.length)}`}
    >
      <defs>
        <pattern
          id={hatch}
          width=".05"
          height=".05"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width=".022" height=".05" fill="var(--chakra-colors-follow)" />
        </pattern>
      </defs>
      <g stroke="var(--chakra-colors-line)" strokeWidth=".01">
        {lines.map(at => (
          <g key={at}>
            <path d={`M${Math.ceil(view.x) + at} ${view.y}v${size}`} />
            <path d={`M${view.x} ${Math.ceil(view.y) + at}h${size}`} />
          </g>
        ))}
      </g>
      <g transform={isFacing ? `rotate(180 ${middle.x} ${-middle.y})` : undefined}>
        {tracks.map(track => (
          <TrackDrawing
            key={track.role}
            track={track}
            upTo={upTo}
            fill={track.role === 'follow' ? `url(#${hatch})` : undefined}
          />
        ))}
      </g>
    </chakra.svg>
  );
}

const COLORS: Readonly<Record<Role, string>> = {
  lead: 'var(--chakra-colors-lead)',
  follow: 'var(--chakra-colors-follow)',
  solo: 'var(--chakra-colors-solo)',
};

interface TrackProps {
  readonly track: Track;
  readonly upTo: number;
  readonly fill: string | undefined;
}

function TrackDrawing({ track, upTo, fill }: TrackProps) {
  const color = COLORS[track.role];
  const last = track.footfalls.length - 1;
  return (
    <g stroke={color}>
      <polyline
        points={track.middle
          .slice(0, upTo + 2)
          .map(({ x, y }) => `${x},${-y}`)
          .join(' ')}
        fill="none"
        strokeWidth=".015"
        strokeDasharray=".05 .04"
      />
      {track.footfalls.map(({ x, y, foot, facing, weight, step }, index) => (
        <g
          key={`${step} ${foot}`}
          visibility={step > upTo ? 'hidden' : undefined}
          transform={`translate(${x} ${-y}) rotate(${-facing}) scale(${FOOT / 38}) translate(-19 -27)`}
          opacity={step < 0 ? 0.35 : 0.55 + (0.45 * index) / Math.max(1, last)}
        >
          <g
            transform={foot === 'R' ? undefined : 'matrix(-1 0 0 1 38 0)'}
            fill={weight && step >= 0 ? (fill ?? color) : 'none'}
            strokeWidth="2"
          >
            <path d={SOLE} />
            <path d={HEEL} />
          </g>
        </g>
      ))}
    </g>
  );
}
