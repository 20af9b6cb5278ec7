import { chakra, Skeleton as SkeletonLine } from '@chakra-ui/react';
import { skeletonRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { recipes } from '../theme/recipes.ts';

export const Button = chakra('button', recipes.button, { defaultProps: { type: 'button' } });
export const ButtonLink = chakra('a', recipes.button);
/** Leads to another page of the app, in the looks of what does something. */
export const LinkButton = chakra(Link, recipes.button);
export const FigureChip = chakra('button', recipes.figureChip, { defaultProps: { type: 'button' } });
/** A figure where nothing can be done with it. */
export const FigureSign = chakra('span', recipes.figureChip);
export const Label = chakra('span', recipes.label);

/** A text of several lines, as it is written. */
export const LongText = chakra('pre', {
  base: {
    whiteSpace: 'pre-wrap',
    maxH: '12rem',
    overflowY: 'auto',
    bg: 'panel',
    p: '2',
    my: '1',
    fontFamily: 'body',
    fontSize: 'sm',
  },
});

/** What is said of a thing beside the thing itself; one under the other on a narrow page. */
export const TwoColumns = chakra('div', {
  base: {
    display: 'grid',
    gridTemplateColumns: { base: 'minmax(0, 1fr)', lg: '15.5rem minmax(0, 1fr)' },
    gap: '5',
    alignItems: 'start',
  },
});

/** What a room with nothing in it says: what to do first. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <chakra.div py="10" maxW="34rem">
      <chakra.h2 fontSize="xl" mb="2">
        {title}
      </chakra.h2>
      <chakra.div color="quiet">{children}</chakra.div>
    </chakra.div>
  );
}

/** Grey lines in the shape of what is coming. */
export function Skeleton({ lines = 5 }: { lines?: number }) {
  return (
    <chakra.div role="status" aria-label="Loading" py="4" display="grid" gap="3">
      {Array.from({ length: lines }, (_, index) => (
        <SkeletonLine
          key={`line-${index + 1}`}
          recipe={skeletonRecipe}
          height="1.25rem"
          width={`${95 - ((index * 17) % 45)}%`}
        />
      ))}
    </chakra.div>
  );
}

/** Read by screen readers only. */
export function Spoken({ children, isLive = false }: { children: ReactNode; isLive?: boolean }) {
  return (
    <span className="spoken" aria-live={isLive ? 'polite' : undefined}>
      {children}
    </span>
  );
}
