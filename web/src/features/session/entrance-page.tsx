import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** What stands around every way in. */
export function EntrancePage({ children }: { children: ReactNode }) {
  return (
    <chakra.main maxW="58rem" mx="auto" px="5" py={{ base: '8', md: '16' }}>
      <chakra.h1 fontSize="3xl" mb="2">
        Map Step
      </chakra.h1>
      <chakra.p fontSize="lg" color="quiet" mb="8" maxW="36rem">
        Plans the weeks of a dance level, keeps what was really taught, and writes the recap.
      </chakra.p>
      {children}
    </chakra.main>
  );
}
