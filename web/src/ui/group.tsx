import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';

interface TitledProps {
  readonly title: ReactNode;
  readonly children: ReactNode;
}

/** Things that belong together, under a title and a line; not cut where columns or pages end. */
export function Group({ title, children }: TitledProps) {
  return (
    <chakra.section display="grid" gap="1.5" alignContent="start" breakInside="avoid" mb="5">
      <chakra.h3 fontSize="md" borderBottom="1px solid" borderColor="line" pb="1">
        {title}
      </chakra.h3>
      {children}
    </chakra.section>
  );
}

/** Groups in as many columns as there is room for. */
export const GroupColumns = chakra('div', {
  base: { columnWidth: '18rem', columnGap: '5', display: 'block' },
});

/** One of several parts under each other, parted by lines. */
export function Part({ title, label, children }: TitledProps & { readonly label: string }) {
  return (
    <PartFrame aria-label={label}>
      <chakra.h2 fontSize="md">{title}</chakra.h2>
      {children}
    </PartFrame>
  );
}

export const PartFrame = chakra('section', {
  base: { borderTop: '1px solid', borderColor: 'line', pt: '2', fontSize: 'sm' },
});
