import { useState } from 'react';
import { LongTextField, TextField } from './text-field.tsx';

interface SavedTextProps {
  readonly label: string;
  /** Only said to those who cannot see what it stands beside. */
  readonly hidesLabel?: boolean;
  readonly value: string;
  readonly type?: 'text' | 'date' | 'time';
  readonly isLong?: boolean;
  readonly placeholder?: string;
  /** What is wrong with a text; undefined when it can stand. */
  faultOf?(text: string): string | undefined;
  save(text: string): void;
}

/** A text that is saved when one leaves it; one that cannot stand stays, is told and is not saved. */
export function SavedText(props: SavedTextProps) {
  const {
    label,
    hidesLabel = false,
    value,
    type = 'text',
    isLong = false,
    placeholder,
    faultOf,
    save,
  } = props;
  const [typed, setTyped] = useState<string>();
  const text = typed ?? value;
  const fault = typed === undefined ? undefined : faultOf?.(typed);
  const take = () => {
    if (typed === undefined || fault !== undefined) return;
    setTyped(undefined);
    if (typed.trim() !== value) save(typed.trim());
  };
  const field = {
    label,
    hidesLabel,
    value: text,
    fault,
    ...(placeholder !== undefined && { placeholder }),
    onBlur: take,
  };
  if (isLong) return <LongTextField {...field} rows={3} onChange={event => setTyped(event.target.value)} />;
  return (
    <TextField
      {...field}
      type={type}
      onChange={event => setTyped(event.target.value)}
      onKeyDown={event => {
        if (event.key === 'Enter') take();
      }}
    />
  );
}
