import { Combobox, chakra, Portal, useFilter, useListCollection } from '@chakra-ui/react';
import { comboboxSlotRecipe } from '@chakra-ui/react/theme';
import { Check, ChevronDown, X } from 'lucide-react';
import type { Option } from './choice.tsx';
import { Button } from './parts.tsx';

interface PickProps {
  readonly label: string;
  readonly among: readonly Option<string>[];
  readonly value: readonly string[];
  set(value: readonly string[]): void;
  /** True: several may be picked. */
  readonly many?: boolean;
  /** What is wrong with what is picked. */
  readonly fault?: string | undefined;
}

/** So many are listed at a time; typing narrows them. */
const SHOWN = 60;

const RECIPE = {
  ...comboboxSlotRecipe,
  base: {
    ...comboboxSlotRecipe.base,
    root: { ...comboboxSlotRecipe.base?.root, gap: '1' },
    label: { color: 'quiet', fontSize: 'sm', fontWeight: '500' },
    input: { ...comboboxSlotRecipe.base?.input, border: '1.5px solid', borderColor: 'line' },
    item: { ...comboboxSlotRecipe.base?.item, _highlighted: { bg: 'nowTint' } },
    indicatorGroup: {
      ...comboboxSlotRecipe.base?.indicatorGroup,
      color: 'quiet',
      _icon: { display: 'block' },
    },
  },
};

/** One or several of many, found by typing a part of the name. */
export function Pick({ label, among, value, set, many = false, fault }: PickProps) {
  const { contains } = useFilter({ sensitivity: 'base' });
  const { collection, filter } = useListCollection({
    initialItems: [...among],
    itemToString: ({ words }) => words,
    filter: contains,
    limit: SHOWN,
  });
  const chosen = value.map(id => among.find(option => option.value === id) ?? { value: id, words: id });
  return (
    <chakra.div display="grid" gap="1">
      <Combobox.Root
        recipe={RECIPE}
        collection={collection}
        value={[...value]}
        onValueChange={({ value: next }) => set(next)}
        onInputValueChange={({ inputValue, reason }) => {
          if (reason === 'input-change') filter(inputValue);
        }}
        onOpenChange={({ open }) => open && filter('')}
        multiple={many}
        invalid={fault !== undefined}
        selectionBehavior={many ? 'clear' : 'replace'}
        {...(!many && { defaultInputValue: chosen[0]?.words ?? '' })}
        openOnClick
        positioning={{ sameWidth: true, fitViewport: true }}
        lazyMount
        unmountOnExit
      >
        <Combobox.Label>{label}</Combobox.Label>
        <Combobox.Control>
          <Combobox.Input bg="panel" placeholder={many ? 'type a name to add one' : 'type a name'} />
          <Combobox.IndicatorGroup>
            <Combobox.Trigger>
              <ChevronDown size={16} />
            </Combobox.Trigger>
          </Combobox.IndicatorGroup>
        </Combobox.Control>
        <Portal>
          <Combobox.Positioner>
            <Combobox.Content>
              <Combobox.Empty>Nothing is called so.</Combobox.Empty>
              {collection.items.map(option => (
                <Combobox.Item key={option.value} item={option}>
                  <Combobox.ItemText>{option.words}</Combobox.ItemText>
                  <Combobox.ItemIndicator>
                    <Check size={14} />
                  </Combobox.ItemIndicator>
                </Combobox.Item>
              ))}
            </Combobox.Content>
          </Combobox.Positioner>
        </Portal>
      </Combobox.Root>
      {fault && (
        <chakra.p role="alert" color="stop" fontSize="sm" fontWeight="600">
          {fault}
        </chakra.p>
      )}
      {many && chosen.length > 0 && (
        <chakra.div display="flex" gap="1" flexWrap="wrap">
          {chosen.map(option => (
            <Button
              key={option.value}
              size="small"
              aria-label={`Without ${option.words}`}
              onClick={() => set(value.filter(id => id !== option.value))}
            >
              {option.words} <X size={12} aria-hidden />
            </Button>
          ))}
        </chakra.div>
      )}
    </chakra.div>
  );
}
