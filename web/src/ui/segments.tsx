import { SegmentGroup } from '@chakra-ui/react';
import { segmentGroupSlotRecipe } from '@chakra-ui/react/theme';
import type { Option } from './choice.tsx';

interface SegmentsProps<Value extends string> {
  readonly label: string;
  readonly value: NoInfer<Value>;
  readonly among: readonly Option<Value>[];
  set(value: NoInfer<Value>): void;
}

/** One of two or three views of the same thing. */
export function Segments<Value extends string>({ label, value, among, set }: SegmentsProps<Value>) {
  return (
    <SegmentGroup.Root
      recipe={segmentGroupSlotRecipe}
      size="sm"
      value={value}
      onValueChange={({ value: chosen }) => {
        const found = among.find(option => option.value === chosen);
        if (found) set(found.value);
      }}
      aria-label={label}
      minW="0"
      maxW="full"
      flexWrap="wrap"
    >
      <SegmentGroup.Indicator />
      {among.map(({ value: one, words }) => (
        <SegmentGroup.Item key={one} value={one} cursor="pointer" px={{ base: '1.5', md: '3' }}>
          <SegmentGroup.ItemText>{words}</SegmentGroup.ItemText>
          <SegmentGroup.ItemHiddenInput />
        </SegmentGroup.Item>
      ))}
    </SegmentGroup.Root>
  );
}
