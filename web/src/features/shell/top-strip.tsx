import { chakra } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { CircleUser, LogOut, Moon, Search, Sun } from 'lucide-react';
import { type ReactNode, use } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../ui/parts.tsx';
import { sessionQuery, useSignOut } from '../session/session-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { OpenPalette } from './open-palette.ts';
import { useTheme } from './use-theme.ts';

/** The line on top of every page: the studio, the rooms, the light, the person. */
export function TopStrip({ children }: { children?: ReactNode }) {
  const { data: session } = useQuery(sessionQuery);
  const { data: studio } = useQuery(studioQuery);
  const { theme, toggle } = useTheme();
  const signOut = useSignOut();
  const navigate = useNavigate();
  const openPalette = use(OpenPalette);
  return (
    <chakra.header
      className="no-print"
      display="flex"
      alignItems="center"
      flexWrap="wrap"
      columnGap="4"
      px={{ base: '3', lg: '5' }}
      minH="3rem"
      borderBottom="1px solid"
      borderColor="line"
      bg="panel"
    >
      <Link to="/" style={{ fontWeight: 650, textDecoration: 'none' }}>
        {studio?.studio.name ?? 'Map Step'}
      </Link>
      <chakra.div
        order={{ base: 2, md: 1 }}
        alignSelf="stretch"
        display="flex"
        minH={children ? '2.75rem' : undefined}
        overflowX="auto"
      >
        {children}
      </chakra.div>
      <chakra.div ml="auto" order={{ base: 1, md: 2 }} display="flex" alignItems="center" gap="1">
        <chakra.span fontSize="sm" mr={{ base: '0', md: '2' }}>
          <Link to="/account" aria-label={session?.person?.name}>
            <chakra.span display={{ base: 'none', md: 'inline' }}>{session?.person?.name}</chakra.span>
            <chakra.span display={{ base: 'block', md: 'none' }} p="2">
              <CircleUser size={16} aria-hidden />
            </chakra.span>
          </Link>
        </chakra.span>
        <Button
          look="quiet"
          size="small"
          aria-label="Find"
          aria-keyshortcuts="Control+K"
          onClick={openPalette}
        >
          <Search size={16} aria-hidden />
          <chakra.span display={{ base: 'none', md: 'inline' }}>Find</chakra.span>
        </Button>
        <Button look="quiet" size="small" aria-label={theme === 'day' ? 'Dim' : 'Day'} onClick={toggle}>
          {theme === 'day' ? <Moon size={16} aria-hidden /> : <Sun size={16} aria-hidden />}
          <chakra.span display={{ base: 'none', md: 'inline' }}>
            {theme === 'day' ? 'Dim' : 'Day'}
          </chakra.span>
        </Button>
        <Button
          look="quiet"
          size="small"
          aria-label="Sign out"
          onClick={() => signOut.mutate(undefined, { onSuccess: () => void navigate('/') })}
        >
          <LogOut size={16} aria-hidden />
          <chakra.span display={{ base: 'none', md: 'inline' }}>Sign out</chakra.span>
        </Button>
      </chakra.div>
    </chakra.header>
  );
}
