import { Slider as Chakra } from '@chakra-ui/react';
import { sliderSlotRecipe } from '@chakra-ui/react/theme';

interface SliderProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  wordsOf(value: number): string;
  set(value: number): void;
}

const RECIPE = {
  ...sliderSlotRecipe,
  base: {
    ...sliderSlotRecipe.base,
    root: { ...sliderSlotRecipe.base?.root, width: '18rem' },
    label: { ...sliderSlotRecipe.base?.label, color: 'quiet', fontSize: 'sm' },
    valueText: { fontWeight: '650', fontVariantNumeric: 'tabular-nums' },
    track: { ...sliderSlotRecipe.base?.track, bg: 'line', height: '6px' },
    range: { ...sliderSlotRecipe.base?.range, bg: 'ink' },
    thumb: {
      ...sliderSlotRecipe.base?.thumb,
      bg: 'panel',
      border: '2px solid',
      borderColor: 'ink',
      width: '1.25rem',
      height: '1.25rem',
    },
  },
};

/** A number that one tries out. */
export function Slider({ label, value, min, max, step, wordsOf, set }: SliderProps) {
  return (
    <Chakra.Root
      recipe={RECIPE}
      value={[value]}
      min={min}
      max={max}
      step={step}
      getAriaValueText={({ value: at }) => wordsOf(at)}
      onValueChange={({ value: [next] }) => next !== undefined && set(next)}
    >
      <Chakra.Label>{label}</Chakra.Label>
      <Chakra.ValueText>{wordsOf(value)}</Chakra.ValueText>
      <Chakra.Control>
        <Chakra.Track>
          <Chakra.Range />
        </Chakra.Track>
        <Chakra.Thumb index={0}>
          <Chakra.HiddenInput />
        </Chakra.Thumb>
      </Chakra.Control>
    </Chakra.Root>
  );
}
