import { chakra } from '@chakra-ui/react';
import { type CouplePose, printMetres } from '@map-step/core';
import { memo } from 'react';
import { CouplePicture } from './couple-picture.tsx';
import type { DrawnSheet } from './drawn-sheet.ts';
import { RowTitle } from './row-title.tsx';

interface CoupleRowProps {
  readonly layout: DrawnSheet;
  readonly range: readonly [number, number];
  /** Pixels that a beat has here. */
  readonly perBeat: number;
}

/** Bodies and their reach around the farthest two stand apart, in metres. */
const AROUND = 0.65;
const LARGEST = 92;
const SMALLEST = 44;

/** The couple after each count, seen from above, with the distance between their middles. */
export const CoupleRow = memo(function CoupleRow({ layout, range, perBeat }: CoupleRowProps) {
  const { poses } = layout;
  const shown = Math.max(...poses.map(metresApart)) + AROUND;
  const [from, to] = range;
  if (poses.length === 0 || poses.length !== layout.columns.length) return null;
  const narrowest = Math.min(...layout.columns.slice(from, to).map(({ width }) => width));
  const size = Math.max(SMALLEST, Math.min(LARGEST, narrowest * perBeat - 8));
  return (
    <>
      <RowTitle>Couple</RowTitle>
      {poses.slice(from, to).map((pose, index) => (
        <chakra.div
          role="img"
          key={`${from + index}`}
          style={{ gridColumn: index + 2 }}
          display="grid"
          justifyItems="center"
          overflow="hidden"
          borderTop="1px solid"
          borderTopColor="line"
          py="1"
          fontSize="xs"
          fontVariantNumeric="tabular-nums"
          aria-label={inWords(pose)}
        >
          <CouplePicture pose={pose} shown={shown} size={size} />
          <chakra.span color={isOff(pose) ? 'caution' : 'quiet'} fontWeight={isOff(pose) ? '650' : undefined}>
            {printMetres(metresApart(pose))}
          </chakra.span>
        </chakra.div>
      ))}
    </>
  );
});

function isOff({ verdict, collides }: CouplePose): boolean {
  return verdict.code !== null || collides !== null;
}

function metresApart({ place }: CouplePose): number {
  return Math.hypot(place.ahead, place.side);
}

/** The picture for who cannot see it. */
function inWords(pose: CouplePose): string {
  const { ahead, side } = pose.place;
  const ways = [
    ...(Math.abs(ahead) < 0.05
      ? []
      : [`${printMetres(ahead)} ${ahead > 0 ? 'in front of' : 'behind'} the leader`]),
    ...(Math.abs(side) < 0.05 ? [] : [`${printMetres(side)} to the ${side > 0 ? 'left' : 'right'}`]),
  ];
  return `The follower ${ways.join(' and ') || 'where the leader is'}, in ${pose.hold.name}`;
}
