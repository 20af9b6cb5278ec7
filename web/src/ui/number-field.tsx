import { NumberInput } from '@chakra-ui/react';
import { numberInputSlotRecipe } from '@chakra-ui/react/theme';
import { useState } from 'react';
import { Label } from './parts.tsx';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly min?: number;
  readonly max?: number;
  readonly width?: string;
  /** True: each number is saved as it is typed. */
  readonly isLive?: boolean;
  /** Undefined where the field was emptied. */
  save(value: number | undefined): void;
}

const RECIPE = {
  ...numberInputSlotRecipe,
  base: {
    ...numberInputSlotRecipe.base,
    input: {
      ...numberInputSlotRecipe.base?.input,
      bg: 'panel',
      border: '1.5px solid',
      borderColor: 'line',
      pe: '2.5',
      height: '2rem',
      fontSize: 'md',
      textAlign: 'end',
      fontVariantNumeric: 'tabular-nums',
    },
  },
};

/**
 * A number that is saved when one leaves it or presses Enter; one that cannot stand is put back. Where somebody else has
 * changed it meanwhile theirs is told: Enter then saves one's own, Escape takes theirs.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, value, min = 0, max = 1000, width = '4.5rem', isLive = false, save } = props;
  const [writing, setWriting] = useState<{ readonly typed: string; readonly seen: string }>();
  const written = value === undefined ? '' : String(value);
  const typed = writing?.typed;
  const isContested = !isLive && writing !== undefined && writing.seen !== written && typed !== written;
  const read = (text: string) => (text.trim() === '' ? undefined : Number(text));
  const isFine = (text: string) => {
    const number = read(text);
    return number === undefined || (Number.isFinite(number) && number >= min && number <= max);
  };
  const put = (text: string) => {
    if (isFine(text) && text !== written) save(read(text));
  };
  const take = (isChosen = false) => {
    if (typed === undefined || (isContested && !isChosen)) return;
    put(typed);
    setWriting(undefined);
  };
  return (
    <NumberInput.Root
      recipe={RECIPE}
      size="sm"
      value={typed ?? written}
      onValueChange={({ value: text }) => {
        setWriting({ typed: text, seen: writing?.seen ?? written });
        if (isLive) put(text);
      }}
      invalid={!isFine(typed ?? written)}
      clampValueOnBlur={false}
      width={width}
    >
      <NumberInput.Input
        aria-label={label}
        bg="panel"
        onBlur={() => take()}
        onKeyDown={event => {
          if (event.key === 'Enter') take(true);
          if (event.key === 'Escape') setWriting(undefined);
        }}
      />
      {isContested && (
        <Label role="status">{written || 'empty'} meanwhile: Enter saves yours, Escape theirs</Label>
      )}
    </NumberInput.Root>
  );
}
