import { chakra } from '@chakra-ui/react';
import type { StudioDecisions } from '@map-step/contract';
import type { ReactNode } from 'react';
import type { Commands } from '../../api/commands.ts';
import { Label } from '../../ui/parts.tsx';

export interface DecisionsProps {
  readonly studio: StudioDecisions;
  readonly commands: Commands<StudioDecisions>;
}

/** One thing that is decided, and beside it what it affects. */
export function Setting({ affects, children }: { affects: string; children: ReactNode }) {
  return (
    <chakra.div
      display="grid"
      gridTemplateColumns={{ base: '1fr', md: '24rem minmax(0, 1fr)' }}
      gap={{ base: '1', md: '5' }}
      alignItems="center"
      py="2"
      borderTop="1px solid"
      borderColor="line"
    >
      {children}
      <Label>{affects}</Label>
    </chakra.div>
  );
}
