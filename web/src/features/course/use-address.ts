import { createContext, use, useMemo } from 'react';
import { type Path, useNavigate } from 'react-router';

/** Where the page is, or where it is headed while a room is still being fetched or drawn. */
export const HeadingContext = createContext<() => Path>(() => window.location);

/** Goes on from where the page is headed, not from what is drawn: keys pressed quickly add up, and none is lost. */
export function useAddress() {
  const heading = use(HeadingContext);
  const navigate = useNavigate();
  return useMemo(
    () => ({
      search: () => new URLSearchParams(heading().search),
      /** What is asked of the open room; a step back does not lead through it. */
      ask: (name: string, value: string) => {
        const { pathname, search } = heading();
        const asked = new URLSearchParams(search);
        asked.set(name, value);
        const staysHere = pathname === window.location.pathname;
        void navigate({ pathname, search: asked.toString() }, { replace: staysHere });
      },
      openRoom: (pathname: string) => void navigate({ pathname, search: heading().search }),
    }),
    [heading, navigate],
  );
}
