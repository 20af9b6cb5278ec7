import { Box } from '@chakra-ui/react';
import { type Body, type BodyPart, type CouplePose, holdTouches } from '@map-step/core';
import { memo } from 'react';

const SHOULDER = 0.21;
const DEPTH = 0.11;

interface CouplePictureProps {
  readonly pose: CouplePose;
  /** Metres and pixels from side to side. */
  readonly shown: number;
  readonly size: number;
}

/** The couple seen from above: two bodies that face somewhere, hands as lines; the leader full, the follower hatched. */
export const CouplePicture = memo(function CouplePicture({ pose, shown, size }: CouplePictureProps) {
  const { lead, follow, hold } = pose;
  const centre = {
    x: (lead.middle.x + follow.middle.x) / 2,
    y: (lead.middle.y + follow.middle.y) / 2,
  };
  const isOff = pose.verdict.code !== null || pose.collides !== null;
  return (
    <Box as="span" display="inline-block" color={isOff ? 'caution' : 'line'}>
      <svg
        width={size}
        height={size}
        viewBox={`${-shown / 2} ${-shown / 2} ${shown} ${shown}`}
        aria-hidden
        style={{ display: 'block' }}
      >
        {isOff && (
          <circle
            r={shown / 2 - 0.03}
            fill="none"
            stroke="currentColor"
            strokeWidth="0.05"
            strokeDasharray="0.14 0.08"
          />
        )}
        <g transform={`translate(${-centre.x} ${centre.y})`}>
          <Box as="g" color="ink">
            {holdTouches(hold).map(({ lead: one, follow: other }) => {
              const [a, b] = [anchor(lead, one), anchor(follow, other)];
              return (
                <line
                  key={`${one} ${other}`}
                  x1={a.x}
                  y1={a.y}
                  x2={b.x}
                  y2={b.y}
                  stroke="currentColor"
                  strokeWidth="0.045"
                  strokeLinecap="round"
                />
              );
            })}
          </Box>
          <Person body={lead} dancer="lead" />
          <Person body={follow} dancer="follow" />
        </g>
      </svg>
    </Box>
  );
});

/** Shoulders as an ellipse with the way they face; the leader full, the follower hatched. */
function Person({ body, dancer }: { body: Body; dancer: 'lead' | 'follow' }) {
  const { x, y } = body.middle;
  return (
    <Box as="g" color={dancer}>
      <g transform={`translate(${x} ${-y}) rotate(${-body.facing})`}>
        <ellipse
          rx={SHOULDER}
          ry={DEPTH}
          fill={dancer === 'lead' ? 'currentColor' : 'var(--chakra-colors-panel)'}
          stroke="currentColor"
          strokeWidth="0.04"
        />
        {dancer === 'follow' &&
          [-0.12, -0.04, 0.04, 0.12].map(at => (
            <line
              key={at}
              x1={at - 0.05}
              x2={at + 0.05}
              y1="0.07"
              y2="-0.07"
              stroke="currentColor"
              strokeWidth="0.03"
            />
          ))}
        <path d={`M-0.07 ${-DEPTH} L0 ${-DEPTH - 0.13} L0.07 ${-DEPTH} Z`} fill="currentColor" />
      </g>
    </Box>
  );
}

/** Where a part of a body is: ahead of its middle and to its left, in metres. */
const PARTS: Readonly<Record<BodyPart, readonly [ahead: number, left: number]>> = {
  'left-hand': [0.1, 0.19],
  'right-hand': [0.1, -0.19],
  back: [-0.1, 0],
  waist: [0, 0.08],
  shoulder: [0, 0.2],
  'upper-arm': [0.04, 0.21],
  neck: [0, 0],
};

function anchor({ middle, facing }: Body, part: BodyPart): { readonly x: number; readonly y: number } {
  const [ahead, left] = PARTS[part];
  const radians = (facing * Math.PI) / 180;
  const [sin, cos] = [Math.sin(radians), Math.cos(radians)];
  return { x: middle.x - sin * ahead - cos * left, y: -(middle.y + cos * ahead - sin * left) };
}
