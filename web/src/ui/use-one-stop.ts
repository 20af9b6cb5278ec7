import { type FocusEvent, type KeyboardEvent, useState } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1 };

/**
 * A list of buttons, `data-stop` with an id each, as one stop of the Tab key: up and down go along it, and Tab comes back to where
 * one was.
 */
export function useOneStop(ids: readonly string[]) {
  const [last, setLast] = useState<string>();
  const stop = last !== undefined && ids.includes(last) ? last : ids[0];
  return {
    tabIndexOf: (id: string) => (id === stop ? 0 : -1),
    list: {
      onFocus: ({ target }: FocusEvent<HTMLElement>) => {
        if (target.dataset.stop !== undefined) setLast(target.dataset.stop);
      },
      onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
        const step = STEPS[event.key];
        const next = step === undefined || stop === undefined ? undefined : ids[ids.indexOf(stop) + step];
        if (next === undefined) return;
        event.preventDefault();
        event.currentTarget.querySelector<HTMLElement>(`[data-stop="${CSS.escape(next)}"]`)?.focus();
      },
    },
  };
}
