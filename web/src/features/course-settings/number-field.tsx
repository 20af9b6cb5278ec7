import { useEffect, useState } from 'react';
import { Field } from '../../ui/parts.tsx';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number | undefined;
  readonly min?: number;
  readonly max?: number;
  readonly width?: string;
  /** Called when the field is left or Enter is pressed, with a number that may stand; undefined for an empty field. */
  save(value: number | undefined): void;
}

/** A number that is saved when one leaves the field. */
export function NumberField({ label, value, min = 0, max = 600, width = '4.25rem', save }: NumberFieldProps) {
  const written = value === undefined ? '' : String(value);
  const [text, setText] = useState(written);
  useEffect(() => setText(written), [written]);
  const number = text.trim() === '' ? undefined : Number(text);
  const isFine = number === undefined || (Number.isFinite(number) && number >= min && number <= max);
  const take = () => {
    if (!isFine) setText(written);
    else if (text !== written) save(number);
  };
  return (
    <Field
      aria-label={label}
      aria-invalid={!isFine}
      inputMode="decimal"
      width={width}
      px="2"
      minHeight="2rem"
      textAlign="right"
      fontVariantNumeric="tabular-nums"
      value={text}
      onChange={event => setText(event.target.value)}
      onBlur={take}
      onKeyDown={event => {
        if (event.key === 'Enter') take();
      }}
    />
  );
}
