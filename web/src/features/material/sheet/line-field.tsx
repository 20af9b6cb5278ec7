import { type KeyboardEvent, useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { TextField } from '../../../ui/text-field.tsx';
import { useCourse } from '../../course/course-context.ts';
import { type FigureLine, withFields } from '../figure/figure-fields.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';

interface LineFieldProps {
  readonly editing: FigureEditing;
  readonly line: FigureLine;
  readonly label: string;
  readonly placeholder?: string;
  /** What comes after it. */
  goOn(): void;
}

/** One line of a figure that stands on its sheet: taken over with Enter, or when one leaves it. */
export function LineField({ editing, line, label, placeholder, goOn }: LineFieldProps) {
  const { library } = useCourse();
  const { pattern, reading } = editing;
  const written = line.print(pattern, library);
  const [typed, type] = useState(written);
  const [fault, setFault] = useState<string>();
  useEffect(() => type(written), [written]);
  /** True when what was typed has been taken over. */
  const take = (): boolean => {
    if (typed === written) return true;
    const { dance } = reading.figure;
    const read = (figure: typeof pattern) =>
      withFields(figure, [line], { library, figure, dance }, () => typed);
    const now = read(pattern);
    setFault(now.ok ? undefined : [...now.fault.values()].join('; '));
    if (now.ok)
      editing.change(label, before => {
        const next = read(before);
        return next.ok ? next.value : before;
      });
    return now.ok;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    let isTaken = false;
    flushSync(() => {
      isTaken = take();
    });
    if (isTaken) goOn();
  };
  return (
    <TextField
      label={label}
      placeholder={placeholder}
      title={line.word}
      value={typed}
      readOnly={!editing.mayWrite}
      fault={fault}
      onChange={event => {
        type(event.target.value);
        setFault(undefined);
      }}
      onKeyDown={onKeyDown}
      onBlur={() => void take()}
    />
  );
}
