import { Collapsible, chakra } from '@chakra-ui/react';
import { collapsibleSlotRecipe } from '@chakra-ui/react/theme';
import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';

const Trigger = chakra(Collapsible.Trigger, {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '1.5',
    py: '1',
    cursor: 'pointer',
    fontWeight: '600',
    textAlign: 'left',
    color: 'ink',
    '& svg': { flex: 'none', transition: 'transform 120ms' },
    '&[data-state=open] svg': { transform: 'rotate(90deg)' },
  },
  variants: {
    size: {
      small: { fontSize: 'sm' },
      normal: { fontSize: 'md' },
      title: { fontFamily: 'title', fontSize: 'md', fontWeight: '650' },
    },
  },
  defaultVariants: { size: 'normal' },
});

interface DisclosureProps {
  readonly title: ReactNode;
  readonly size?: 'small' | 'normal' | 'title';
  readonly startsOpen?: boolean;
  /** Given where something else than the press opens it too. */
  readonly isOpen?: boolean;
  onToggle?(isOpen: boolean): void;
  /** True where what is inside is much, and is drawn when it is first opened. */
  readonly isLazy?: boolean;
  readonly children: ReactNode;
}

/** What is there for whoever asks: one line that opens. What is typed in it is kept while it is closed. */
export function Disclosure({
  title,
  size = 'normal',
  startsOpen = false,
  isOpen,
  onToggle,
  isLazy = false,
  children,
}: DisclosureProps) {
  return (
    <Collapsible.Root
      recipe={collapsibleSlotRecipe}
      className="no-print"
      lazyMount={isLazy}
      {...(isOpen === undefined ? { defaultOpen: startsOpen } : { open: isOpen })}
      {...(onToggle && { onOpenChange: ({ open }: { open: boolean }) => onToggle(open) })}
    >
      <Trigger size={size}>
        <ChevronRight size={16} aria-hidden />
        <span>{title}</span>
      </Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
