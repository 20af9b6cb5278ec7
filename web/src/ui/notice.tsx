import { Alert, defineSlotRecipe } from '@chakra-ui/react';
import { alertSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';

const RECIPE = defineSlotRecipe({
  slots: alertSlotRecipe.slots,
  base: {
    root: { display: 'block', borderLeft: '5px solid', px: '3', py: '2' },
    title: { fontWeight: '650' },
  },
});

const LOOKS = {
  stop: { bg: 'stopTint', borderColor: 'stop' },
  ready: { bg: 'readyTint', borderColor: 'ready' },
  now: { bg: 'nowTint', borderColor: 'now' },
} as const;

interface NoticeProps {
  readonly tone: keyof typeof LOOKS;
  readonly title: string;
  readonly children?: ReactNode;
  /** Where the hand goes when it appears. */
  readonly takesFocus?: boolean;
}

/** Something the person should know, in its place on the page. */
export function Notice({ tone, title, children, takesFocus = false }: NoticeProps) {
  return (
    <Alert.Root
      recipe={RECIPE}
      role={tone === 'stop' ? 'alert' : 'status'}
      {...(takesFocus && { tabIndex: -1, ref: focusOnce })}
      {...LOOKS[tone]}
    >
      <Alert.Title>{title}</Alert.Title>
      {children}
    </Alert.Root>
  );
}

function focusOnce(notice: HTMLElement | null): void {
  notice?.focus();
}
