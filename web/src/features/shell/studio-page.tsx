import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { StripLink } from './strip-link.ts';
import { TopStrip } from './top-strip.tsx';

const PAGES = [
  { to: '/', word: 'Programme' },
  { to: '/term', word: 'Term' },
  { to: '/people', word: 'People' },
] as const;
const DIRECTORS_PAGES = [
  { to: '/setup', word: 'Set up' },
  { to: '/studio', word: 'Studio' },
  { to: '/files', word: 'Files' },
] as const;

interface StudioPageProps {
  readonly title: string;
  /** Beside the title. */
  readonly beside?: ReactNode;
  readonly children: ReactNode;
}

/** A page about the whole studio, under the strip with its fellows. */
export function StudioPage({ title, beside, children }: StudioPageProps) {
  const isDirector = useIsDirector();
  const navigate = useNavigate();
  useShortcuts({ 'room-programme': () => void navigate('/') });
  return (
    <>
      <TopStrip>
        <chakra.nav aria-label="Studio" display="flex" alignSelf="stretch" overflowX="auto">
          {[...PAGES, ...(isDirector ? DIRECTORS_PAGES : [])].map(({ to, word }) => (
            <StripLink key={to} to={to} end={to === '/'}>
              {word}
            </StripLink>
          ))}
        </chakra.nav>
      </TopStrip>
      <chakra.main maxW="72rem" mx="auto" px={{ base: '3', md: '5' }} py="5">
        <chakra.div display="flex" alignItems="baseline" gap="4" flexWrap="wrap" mb="4">
          <chakra.h1 fontSize="2xl">{title}</chakra.h1>
          {beside}
        </chakra.div>
        {children}
      </chakra.main>
    </>
  );
}

export function useIsDirector(): boolean {
  const { data: session } = useQuery(sessionQuery);
  return session?.person?.role === 'director';
}
