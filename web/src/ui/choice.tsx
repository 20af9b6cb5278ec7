import { createListCollection, Portal, Select } from '@chakra-ui/react';
import { selectSlotRecipe } from '@chakra-ui/react/theme';
import { Check, ChevronDown } from 'lucide-react';
import { useMemo } from 'react';

export interface Option<Value extends string> {
  readonly value: Value;
  readonly words: string;
}

interface ChoiceProps<Value extends string> {
  /** What it is called; with `hidesLabel` only said to those who cannot see what it stands beside. */
  readonly label: string;
  readonly hidesLabel?: boolean;
  readonly value: NoInfer<Value> | undefined;
  readonly among: readonly Option<Value>[];
  set(value: NoInfer<Value>): void;
  readonly size?: 'small' | 'normal';
  readonly layout?: 'above' | 'beside';
  readonly width?: string;
  readonly isDisabled?: boolean;
  /** Where the hand goes first. */
  readonly takesFocus?: boolean;
}

const RECIPE = {
  ...selectSlotRecipe,
  base: {
    ...selectSlotRecipe.base,
    root: { ...selectSlotRecipe.base?.root, gap: '1' },
    label: { color: 'quiet', fontSize: 'sm', fontWeight: '500' },
    trigger: {
      ...selectSlotRecipe.base?.trigger,
      bg: 'panel',
      border: '1.5px solid',
      borderColor: 'line',
      cursor: 'pointer',
      _placeholderShown: { color: 'quiet' },
    },
    indicator: { ...selectSlotRecipe.base?.indicator, color: 'quiet', _icon: { display: 'block' } },
    item: { ...selectSlotRecipe.base?.item, _highlighted: { bg: 'nowTint' } },
  },
};

/** One of several, listed when it is asked for. */
export function Choice<Value extends string>(props: ChoiceProps<Value>) {
  const { label, hidesLabel = false, value, among, set, size = 'normal', layout = 'above' } = props;
  const collection = useMemo(
    () => createListCollection({ items: [...among], itemToString: ({ words }) => words }),
    [among],
  );
  return (
    <Select.Root
      recipe={RECIPE}
      size={size === 'small' ? 'xs' : 'md'}
      collection={collection}
      value={value === undefined ? [] : [value]}
      onValueChange={({ items: [chosen] }) => chosen && chosen.value !== value && set(chosen.value)}
      {...(props.isDisabled !== undefined && { disabled: props.isDisabled })}
      positioning={{ sameWidth: true, fitViewport: true }}
      lazyMount
      unmountOnExit
      {...(layout === 'beside' && {
        display: 'grid',
        gridTemplateColumns: 'minmax(4rem, max-content) 1fr',
        alignItems: 'center',
      })}
      width={props.width ?? 'auto'}
    >
      <Select.HiddenSelect />
      <Select.Label className={hidesLabel ? 'spoken' : undefined}>{label}</Select.Label>
      <Select.Control>
        <Select.Trigger autoFocus={props.takesFocus} bg="panel">
          <Select.ValueText placeholder="choose" />
        </Select.Trigger>
        <Select.IndicatorGroup>
          <Select.Indicator>
            <ChevronDown size={16} />
          </Select.Indicator>
        </Select.IndicatorGroup>
      </Select.Control>
      <Portal>
        <Select.Positioner>
          <Select.Content>
            {collection.items.map(option => (
              <Select.Item key={option.value} item={option}>
                <Select.ItemText>{option.words}</Select.ItemText>
                <Select.ItemIndicator>
                  <Check size={14} />
                </Select.ItemIndicator>
              </Select.Item>
            ))}
          </Select.Content>
        </Select.Positioner>
      </Portal>
    </Select.Root>
  );
}

/** The words of a closed list as what can be chosen of it. */
export function optionsOf<Value extends string>(
  words: Readonly<Record<Value, string>>,
): readonly Option<Value>[] {
  const entries: [string, string][] = Object.entries(words);
  return entries.flatMap(([key, text]) => (isKeyOf(key, words) ? [{ value: key, words: text }] : []));
}

function isKeyOf<Key extends string>(key: string, words: Readonly<Record<Key, string>>): key is Key {
  return Object.hasOwn(words, key);
}
