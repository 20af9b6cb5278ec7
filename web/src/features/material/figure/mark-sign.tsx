import { chakra } from '@chakra-ui/react';
import type { PatternMark } from '@map-step/core';
import { Hand, type LucideIcon, MessageCircle, Signpost, TriangleAlert, Wrench } from 'lucide-react';

export const MARK_WORDS = {
  cue: 'Cue',
  signal: 'Signal',
  fault: 'Usual fault',
  caution: 'Caution',
  hold: 'Hands',
} as const;

const SIGNS: Readonly<Record<PatternMark['kind'], LucideIcon>> = {
  cue: MessageCircle,
  signal: Signpost,
  fault: Wrench,
  caution: TriangleAlert,
  hold: Hand,
};

interface MarkSignProps {
  readonly mark: PatternMark;
  /** In a narrow place only the sign is shown; its words stand below the sheet. */
  readonly isShort?: boolean;
}

/** What hangs on a count: a cue, a signal, a usual fault or a caution. */
export function MarkSign({ mark, isShort = false }: MarkSignProps) {
  const Sign = SIGNS[mark.kind];
  const words = mark.text || mark.code || '';
  return (
    <chakra.p
      display="flex"
      gap="1"
      fontSize="xs"
      lineHeight="1.25"
      color={mark.kind === 'caution' ? 'caution' : 'quiet'}
      justifyContent={isShort ? 'center' : undefined}
    >
      <chakra.span flex="none" pt="1px">
        <Sign size={14} aria-label={`${MARK_WORDS[mark.kind]}:`} />
      </chakra.span>
      {!isShort && <span>{words}</span>}
    </chakra.p>
  );
}
