import { Dialog, Portal } from '@chakra-ui/react';
import { dialogSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';
import { Button } from './parts.tsx';

interface WindowProps {
  readonly title: string;
  readonly isOpen: boolean;
  close(): void;
  /** What the button that closes it says. */
  readonly closeWords: string;
  readonly children: ReactNode;
}

/** Something to look at or decide before going on; whatever had the focus has it again afterwards. */
export function Window({ title, isOpen, close, closeWords, children }: WindowProps) {
  return (
    <Dialog.Root
      recipe={dialogSlotRecipe}
      open={isOpen}
      onOpenChange={({ open }) => {
        if (!open) close();
      }}
      scrollBehavior="inside"
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content border="1.5px solid" borderColor="ink">
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body tabIndex={0}>{children}</Dialog.Body>
            <Dialog.Footer>
              <Dialog.CloseTrigger asChild position="static">
                <Button>{closeWords}</Button>
              </Dialog.CloseTrigger>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
