import type { KeyboardEvent } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1 };

/** A row of buttons is one stop of the Tab key: left and right go along it. */
export function goAlong(event: KeyboardEvent<HTMLElement>): void {
  const step = STEPS[event.key];
  if (step === undefined || !(event.target instanceof HTMLButtonElement)) return;
  const buttons = [...event.currentTarget.querySelectorAll('button')];
  const next = buttons[buttons.indexOf(event.target) + step];
  if (!next) return;
  event.preventDefault();
  next.focus();
}
