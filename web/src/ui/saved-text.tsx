import { type KeyboardEvent, useState } from 'react';
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

/**
 * A text that is saved when one leaves it; one that cannot stand stays, is told and is not saved. So is one that somebody
 * else has changed meanwhile: Enter then saves it all the same, Escape takes theirs.
 */
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
  const [writing, setWriting] = useState<{ readonly typed: string; readonly seen: string }>();
  const typed = writing?.typed;
  const setTyped = (text: string) => setWriting({ typed: text, seen: writing?.seen ?? value });
  const text = typed ?? value;
  const isContested = writing !== undefined && writing.seen !== value && writing.typed.trim() !== value;
  const fault = typed === undefined ? undefined : (faultOf?.(typed) ?? contestOf(isContested, value));
  const take = (isChosen = false) => {
    if (typed === undefined || faultOf?.(typed) !== undefined || (isContested && !isChosen)) return;
    setWriting(undefined);
    if (typed.trim() !== value) save(typed.trim());
  };
  const onKey = (key: string) => {
    if (key === 'Escape') setWriting(undefined);
    if (key === 'Enter' && !isLong) take(true);
  };
  const field = {
    label,
    hidesLabel,
    value: text,
    fault,
    ...(placeholder !== undefined && { placeholder }),
    onBlur: () => take(),
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter' && isContested && event.ctrlKey) take(true);
      onKey(event.key);
    },
  };
  if (isLong) return <LongTextField {...field} rows={3} onChange={event => setTyped(event.target.value)} />;
  return <TextField {...field} type={type} onChange={event => setTyped(event.target.value)} />;
}

function contestOf(isContested: boolean, theirs: string): string | undefined {
  return isContested
    ? `Somebody has made it “${theirs}” meanwhile. Enter saves yours, Escape takes theirs.`
    : undefined;
}
