import { chakra } from '@chakra-ui/react';
import { type Dance, danceActions, type Role, type Step } from '@map-step/core';
import { useId } from 'react';

/** Degrees from straight ahead, outward from the foot. */
const ARROW_DEGREES: Readonly<Record<string, number>> = {
  fwd: 0,
  back: 180,
  side: 90,
  'diag-fwd': 45,
  'diag-back': 135,
  'cross-front': -45,
  'cross-behind': -135,
  'lock-front': -20,
  'lock-behind': -160,
  kick: 0,
  brush: 0,
  scuff: 0,
  heel: 0,
  flick: 180,
  toe: 180,
  point: 90,
  sweep: 60,
};

interface FootprintProps {
  readonly step: Step;
  readonly dance: Dance;
  readonly role: Role;
  readonly isHatched: boolean;
}

/** The sole of a foot: filled when it takes weight, outlined when it does not, hatched where the step is one's own. */
export function Footprint({ step, dance, role, isHatched }: FootprintProps) {
  const hatch = useId();
  const degrees = ARROW_DEGREES[step.action];
  const takesWeight = step.foot === 'B' || danceActions(dance).get(step.action) === 'takes';
  const isRight = step.foot === 'R';
  return (
    <chakra.svg
      viewBox="0 -8 34 66"
      width="1.9rem"
      height="3.4rem"
      overflow="visible"
      aria-hidden
      color={role}
    >
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2.2" height="5" fill="currentColor" />
        </pattern>
      </defs>
      <g
        transform={isRight ? undefined : 'matrix(-1 0 0 1 34 0)'}
        fill={takesWeight ? (isHatched ? `url(#${hatch})` : 'currentColor') : 'none'}
        stroke="currentColor"
        strokeWidth="1.6"
      >
        <path d={SOLE} />
        <path d={HEEL} />
      </g>
      {degrees !== undefined && (
        <g
          transform={`rotate(${isRight ? degrees : -degrees} 17 26)`}
          stroke="var(--chakra-colors-ink)"
          strokeWidth="2.6"
          strokeLinecap="round"
          fill="none"
        >
          <path d={isAcross(degrees) ? 'M17 13V4M13 8 17 4 21 8' : 'M17 4V-6M12.5 -1.5 17 -6 21.5 -1.5'} />
        </g>
      )}
    </chakra.svg>
  );
}

/** A foot is slim: an arrow that points across it begins nearer. */
function isAcross(degrees: number): boolean {
  return Math.abs(Math.sin((degrees * Math.PI) / 180)) > 0.6;
}

export const SOLE = 'M12 18c0-6 3-10 7-10s8 4 8 11c0 5-3 7-3 12h-8c0-5-4-8-4-13Z';
export const HEEL = 'M16 34h8c1 6-1 10-4 10s-5-4-4-10Z';
