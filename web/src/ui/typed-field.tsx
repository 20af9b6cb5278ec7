import { Combobox, chakra, createListCollection, Portal } from '@chakra-ui/react';
import { comboboxSlotRecipe } from '@chakra-ui/react/theme';
import { type ComponentProps, type KeyboardEvent, useId, useState } from 'react';

interface TypedFieldProps {
  /** What it is called; with `hidesLabel` only said to those who cannot see what it stands beside. */
  readonly label: string;
  readonly hidesLabel?: boolean;
  readonly value: string;
  /** What the text can become, the likeliest first. */
  readonly suggestions: readonly string[];
  /** What is wrong with the text. */
  readonly fault?: string | undefined;
  /** Said below the suggestions. */
  readonly hint?: string | undefined;
  readonly isReadOnly?: boolean;
  set(text: string): void;
  /** A suggestion was taken with the mouse. */
  take(text: string): void;
  /** Before the list hears of it; `picked` is the suggestion one has gone to with the arrows. */
  onKey(event: KeyboardEvent, picked: string | undefined): void;
  leave(): void;
  readonly input?: Pick<ComponentProps<typeof Combobox.Input>, 'autoFocus' | 'placeholder' | 'ref'>;
}

const RECIPE = {
  ...comboboxSlotRecipe,
  base: {
    ...comboboxSlotRecipe.base,
    root: { ...comboboxSlotRecipe.base?.root, position: 'relative', gap: '1' },
    label: { color: 'quiet', fontSize: 'sm', fontWeight: '500' },
    input: {
      ...comboboxSlotRecipe.base?.input,
      border: '1.5px solid',
      borderColor: 'line',
      bg: 'panel',
      _invalid: { borderColor: 'stop' },
    },
    item: { ...comboboxSlotRecipe.base?.item, _highlighted: { bg: 'nowTint' } },
  },
};

/** A line of text, typed freely or taken from what it can become. */
export function TypedField(props: TypedFieldProps) {
  const { label, hidesLabel = false, value, suggestions, fault, hint, isReadOnly = false } = props;
  const id = useId();
  const [picked, pick] = useState<string | null>(null);
  const [isHere, setHere] = useState(false);
  const isOpen =
    isHere && !isReadOnly && (suggestions.length > 0 || fault !== undefined || hint !== undefined);
  return (
    <Combobox.Root
      recipe={RECIPE}
      collection={createListCollection({ items: [...suggestions] })}
      inputValue={value}
      onInputValueChange={({ inputValue, reason }) => {
        if (reason !== 'input-change') return;
        pick(null);
        props.set(inputValue);
      }}
      value={NONE}
      onValueChange={({ value: [text] }) => text !== undefined && props.take(text)}
      highlightedValue={picked}
      onHighlightChange={({ highlightedValue }) => pick(highlightedValue)}
      open={isOpen}
      invalid={fault !== undefined}
      readOnly={isReadOnly}
      selectionBehavior="preserve"
      inputBehavior="none"
      allowCustomValue
      disableLayer
      loopFocus={false}
      positioning={POSITIONING}
    >
      <Combobox.Label className={hidesLabel ? 'spoken' : undefined}>{label}</Combobox.Label>
      <Combobox.Control>
        <Combobox.Input
          bg="panel"
          aria-describedby={`${id}-fault ${id}-hint`}
          autoComplete="off"
          spellCheck={false}
          {...props.input}
          onFocus={() => setHere(true)}
          onBlur={() => {
            setHere(false);
            props.leave();
          }}
          onKeyDown={event => props.onKey(event, picked ?? undefined)}
        />
      </Combobox.Control>
      {isOpen && <Completions id={id} isPicked={picked !== null} {...{ suggestions, fault, hint }} />}
    </Combobox.Root>
  );
}

interface CompletionsProps extends Pick<TypedFieldProps, 'suggestions' | 'fault' | 'hint'> {
  /** Of the field, for what is said of it. */
  readonly id: string;
  readonly isPicked: boolean;
}

/** What the text can become, what is wrong with it, and what is said below. */
function Completions({ id, isPicked, suggestions, fault, hint }: CompletionsProps) {
  return (
    <Portal>
      <Combobox.Positioner>
        <chakra.div minW="11rem" maxW="24rem" bg="panel" border="1.5px solid" borderColor="ink" fontSize="sm">
          {fault !== undefined && (
            <chakra.p id={`${id}-fault`} role="alert" color="stop" px="2" py="1" fontWeight="600">
              {fault}
            </chakra.p>
          )}
          {suggestions.length > 0 && (
            <Combobox.Content boxShadow="none" p="0" minW="0" width="auto" aria-label="What it can become">
              {suggestions.map((text, index) => (
                <Combobox.Item
                  key={text}
                  item={text}
                  px="2"
                  py="1"
                  bg={!isPicked && index === 0 ? 'nowTint' : undefined}
                >
                  <Combobox.ItemText>{text}</Combobox.ItemText>
                </Combobox.Item>
              ))}
            </Combobox.Content>
          )}
          {hint !== undefined && (
            <chakra.p
              id={`${id}-hint`}
              px="2"
              py="1"
              fontSize="xs"
              color="quiet"
              borderTop={suggestions.length > 0 ? '1px solid' : undefined}
              borderColor="line"
            >
              {hint}
            </chakra.p>
          )}
        </chakra.div>
      </Combobox.Positioner>
    </Portal>
  );
}

const NONE: string[] = [];
const POSITIONING = { placement: 'bottom-start', gutter: 0, sameWidth: false, fitViewport: true } as const;
