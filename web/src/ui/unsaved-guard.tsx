import { chakra, Dialog, Portal } from '@chakra-ui/react';
import { dialogSlotRecipe } from '@chakra-ui/react/theme';
import { useCallback } from 'react';
import { useBeforeUnload, useBlocker } from 'react-router';
import { Button } from './parts.tsx';

/** Asks before a page is left on which something was written and not saved. */
export function UnsavedGuard({ isDirty }: { isDirty: boolean }) {
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => isDirty && currentLocation.pathname !== nextLocation.pathname,
  );
  useBeforeUnload(
    useCallback(
      event => {
        if (isDirty) event.preventDefault();
      },
      [isDirty],
    ),
  );
  return (
    <Dialog.Root
      recipe={dialogSlotRecipe}
      role="alertdialog"
      open={blocker.state === 'blocked'}
      onOpenChange={({ open }) => {
        if (!open) blocker.reset?.();
      }}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content border="1.5px solid" borderColor="ink">
            <Dialog.Header>
              <Dialog.Title>What you wrote here is not saved</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <p>If you go on it is lost.</p>
            </Dialog.Body>
            <Dialog.Footer>
              <chakra.div display="flex" gap="2">
                <Button look="next" onClick={() => blocker.reset?.()}>
                  Stay here
                </Button>
                <Button onClick={() => blocker.proceed?.()}>Leave without it</Button>
              </chakra.div>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
