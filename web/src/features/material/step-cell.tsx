import { chakra } from '@chakra-ui/react';
import { actionInWords, type FigurePart, type Role, type Step, turnInWords } from '@map-step/core';

type FigureStep = FigurePart['steps'][number];

const ARROW_DEGREES: Readonly<Record<string, number>> = {
  fwd: 0,
  'diag-fwd': 45,
  'cross-front': 45,
  'lock-front': 20,
  back: 180,
  'diag-back': 135,
  'cross-behind': 135,
  'lock-behind': 160,
};

/** One step: the footprint (filled when it takes weight), its direction, its turn, its words. */
export function StepCell({ figureStep, role }: { figureStep: FigureStep; role: Role }) {
  const { step, natural } = figureStep;
  if (!step) return null;
  const isOwn = role === 'follow' && natural === 'own';
  return (
    <chakra.div p="2" display="grid" gridTemplateColumns="2.1rem 1fr" gap="1.5" height="full">
      <Footprint step={step} role={role} isHatched={isOwn} />
      <chakra.div fontSize="sm" lineHeight="1.25">
        <chakra.p fontWeight="650">
          {step.foot === 'B' ? 'both' : step.foot === 'L' ? 'left' : 'right'} {actionInWords(step.action)}
        </chakra.p>
        {step.qualifiers.length > 0 && <p>{step.qualifiers.join(', ')}</p>}
        {step.turnBefore !== 0 && <p>{turnInWords(step.turnBefore)}, then step</p>}
        {step.turnAfter !== 0 && <p>then {turnInWords(step.turnAfter)}</p>}
        {isOwn && <chakra.p color="quiet">own step</chakra.p>}
      </chakra.div>
    </chakra.div>
  );
}

const NO_WEIGHT = new Set(['tap', 'touch', 'point', 'kick', 'flick', 'brush', 'scuff', 'hitch', 'sweep']);

function Footprint({ step, role, isHatched }: { step: Step; role: Role; isHatched: boolean }) {
  const direction = ARROW_DEGREES[step.action] ?? (step.action === 'side' ? 90 : undefined);
  const mirrored = step.foot === 'R';
  const degrees = direction === undefined ? 0 : mirrored ? direction : -direction;
  const takesWeight = !NO_WEIGHT.has(step.action);
  const pattern = `hatch-${role}`;
  return (
    <chakra.svg viewBox="0 0 34 56" width="2.1rem" height="3.5rem" aria-hidden color={role}>
      <defs>
        <pattern
          id={pattern}
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="2.2" height="5" fill="currentColor" />
        </pattern>
      </defs>
      <g
        transform={mirrored ? undefined : 'matrix(-1 0 0 1 34 0)'}
        fill={takesWeight ? (isHatched ? `url(#${pattern})` : 'currentColor') : 'none'}
        stroke="currentColor"
        strokeWidth="1.6"
      >
        <path d="M12 20c0-6 3-10 7-10s8 4 8 11c0 5-3 7-3 12h-8c0-5-4-8-4-13Z" />
        <path d="M16 36h8c1 6-1 10-4 10s-5-4-4-10Z" />
      </g>
      {direction !== undefined && (
        <g
          transform={`rotate(${degrees} 17 28)`}
          stroke="var(--chakra-colors-ink)"
          strokeWidth="2"
          fill="none"
        >
          <path d="M17 7V1M13.5 4 17 .8 20.5 4" />
        </g>
      )}
    </chakra.svg>
  );
}
