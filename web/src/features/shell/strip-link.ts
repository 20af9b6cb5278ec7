import { chakra } from '@chakra-ui/react';
import { NavLink } from 'react-router';

/** One of several pages along the top strip; the open one is underlined. */
export const StripLink = chakra(NavLink, {
  base: {
    display: 'flex',
    alignItems: 'center',
    px: '3',
    pt: '3px',
    fontFamily: 'title',
    fontSize: 'md',
    fontWeight: '600',
    color: 'quiet',
    textDecoration: 'none',
    whiteSpace: 'nowrap',
    borderBottom: '3px solid transparent',
    '&[aria-current]': { color: 'ink', borderColor: 'now' },
    _hover: { color: 'ink' },
  },
});
