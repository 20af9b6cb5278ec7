import { chakra, RadioGroup } from '@chakra-ui/react';
import { radioGroupSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';

interface OneOfProps<Value extends string> {
  readonly title: string;
  readonly value: Value;
  readonly among: readonly { readonly value: Value; readonly words: ReactNode }[];
  set(value: Value): void;
}

/** One of a few, all of them in sight. */
export function OneOf<Value extends string>({ title, value, among, set }: OneOfProps<Value>) {
  return (
    <RadioGroup.Root
      recipe={radioGroupSlotRecipe}
      value={value}
      onValueChange={({ value: chosen }) => {
        const found = among.find(one => one.value === chosen);
        if (found) set(found.value);
      }}
      my="2"
    >
      <RadioGroup.Label>
        <chakra.span fontWeight="600">{title}</chakra.span>
      </RadioGroup.Label>
      <chakra.div display="grid" gap="1" mt="1">
        {among.map(({ value: one, words }) => (
          <RadioGroup.Item key={one} value={one} alignItems="flex-start">
            <RadioGroup.ItemHiddenInput />
            <RadioGroup.ItemControl mt="0.5" />
            <RadioGroup.ItemText>{words}</RadioGroup.ItemText>
          </RadioGroup.Item>
        ))}
      </chakra.div>
    </RadioGroup.Root>
  );
}
