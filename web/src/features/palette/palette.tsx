import { Combobox, chakra, createListCollection, Dialog, Portal } from '@chakra-ui/react';
import { comboboxSlotRecipe, dialogSlotRecipe } from '@chakra-ui/react/theme';
import type { SignedInPerson } from '@map-step/contract';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { useNavigate } from 'react-router';
import { ownerOf } from '../../api/outbox.ts';
import { Label } from '../../ui/parts.tsx';
import type { ActiveShortcut } from '../../ui/shortcuts.ts';
import { findEntries, type PaletteEntry } from './entries.ts';
import { keepRecent, readRecent } from './recent.ts';
import { useFoundEntries } from './use-found-entries.ts';
import { usePaletteEntries } from './use-palette-entries.ts';

const ROW = 44;

const RECIPE = {
  ...comboboxSlotRecipe,
  base: {
    ...comboboxSlotRecipe.base,
    input: {
      ...comboboxSlotRecipe.base?.input,
      border: '1.5px solid',
      borderColor: 'line',
      fontSize: 'lg',
      minH: '3rem',
    },
    content: { ...comboboxSlotRecipe.base?.content, boxShadow: 'none', maxH: '24rem', p: '0', mt: '2' },
    item: { ...comboboxSlotRecipe.base?.item, _highlighted: { bg: 'nowTint' } },
  },
};

interface PaletteProps {
  readonly me: SignedInPerson;
  /** What the page below it listens to. */
  readonly actions: readonly ActiveShortcut[];
  close(): void;
}

/** Any figure, lesson, class, person, student, course, room, and what can be done here, by a part of its name. */
export function Palette({ me, actions, close }: PaletteProps) {
  const owner = ownerOf(me);
  const navigate = useNavigate();
  const entries = usePaletteEntries(actions);
  const [typed, type] = useState('');
  const [recent] = useState(() => readRecent(owner));
  const more = useFoundEntries(typed.trim(), me.role === 'director');
  const found = useMemo(() => {
    const known = findEntries(entries, typed, recent);
    const there = new Set(known.map(({ key }) => key));
    return [...known, ...more.filter(({ key }) => !there.has(key))];
  }, [entries, typed, recent, more]);
  const go = (key: string | undefined) => {
    const entry = found.find(one => one.key === key);
    if (!entry) return;
    keepRecent(owner, entry.key);
    close();
    if ('to' in entry.go) void navigate(entry.go.to);
    else entry.go.act();
  };
  return (
    <Dialog.Root
      recipe={dialogSlotRecipe}
      open
      onOpenChange={({ open }) => !open && close()}
      placement="top"
      scrollBehavior="inside"
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content border="1.5px solid" borderColor="ink" aria-label="Go to anything" p="3">
            <Choices found={found} type={type} go={go} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

interface ChoicesProps {
  readonly found: readonly PaletteEntry[];
  type(text: string): void;
  go(key: string | undefined): void;
}

/** Only the rows in sight are drawn: thousands are found as fast as ten. */
function Choices({ found, type, go }: ChoicesProps) {
  const view = useRef<HTMLDivElement>(null);
  const collection = useMemo(
    () =>
      createListCollection({
        items: [...found],
        itemToValue: ({ key }) => key,
        itemToString: ({ words }) => words,
      }),
    [found],
  );
  const virtual = useVirtualizer({
    count: found.length,
    getScrollElement: () => view.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  return (
    <Combobox.Root
      recipe={RECIPE}
      collection={collection}
      open
      disableLayer
      inputBehavior="autohighlight"
      defaultHighlightedValue={found[0]?.key ?? null}
      selectionBehavior="clear"
      onInputValueChange={({ inputValue, reason }) => {
        if (reason === 'input-change') type(inputValue);
      }}
      onValueChange={({ value: [key] }) => go(key)}
      scrollToIndexFn={({ index }) => flushSync(() => virtual.scrollToIndex(index))}
    >
      <Combobox.Label className="spoken">Go to anything</Combobox.Label>
      <Combobox.Control>
        <Combobox.Input autoFocus placeholder="A figure, lesson, class, person, student, course, room …" />
      </Combobox.Control>
      <Combobox.Content ref={view}>
        <chakra.div
          position="relative"
          flexShrink="0"
          style={{ height: virtual.getTotalSize() }}
          role="presentation"
        >
          {virtual.getVirtualItems().map(({ index, start }) => {
            const entry = found[index];
            return (
              entry && (
                <Combobox.Item
                  key={entry.key}
                  item={entry}
                  aria-setsize={found.length}
                  aria-posinset={index + 1}
                  position="absolute"
                  top="0"
                  left="0"
                  width="full"
                  style={{ height: ROW, transform: `translateY(${start}px)` }}
                >
                  <Combobox.ItemText fontWeight="600">{entry.words}</Combobox.ItemText>
                  <Label>{entry.hint}</Label>
                </Combobox.Item>
              )
            );
          })}
        </chakra.div>
      </Combobox.Content>
      <Label role="status" mt="2" display="block">
        {found.length === 0 ? 'Nothing is called so.' : `${found.length} to go to or do`}
      </Label>
    </Combobox.Root>
  );
}
