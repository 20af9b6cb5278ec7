// @vitest-environment happy-dom
import { openLibrary } from '@map-step/core';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { demoStudio, renderRoom } from '../../../test/in-course.tsx';
import { Around } from './around-figure.tsx';
import { NeedsDrawing } from './needs-drawing.tsx';
import { Variants } from './variants.tsx';

const library = openLibrary(demoStudio);
function figureOf(id: string) {
  const figure = library.readings.get(id)?.figure;
  if (!figure) throw new Error(`there is no ${id}`);
  return figure;
}
const said = (words: RegExp) => screen.getByText(words).closest('p, div')?.textContent ?? '';

test('what may follow a figure leads on to it; the shortest way in and out is one line', async () => {
  const { router } = renderRoom(<Around figure={figureOf('close-basic')} />);
  expect(said(/^After it, \d+ of the house’s figures/)).toContain('Throw-out');
  expect(said(/^Before it, \d+ of the house’s figures/)).toContain('Gather');
  const [link] = screen.getAllByRole('link', { name: 'Throw-out' });
  await act(async () => link && fireEvent.click(link));
  expect(router.state.location.pathname).toBe('/courses/hustle-1/material/throw-out');
});

test('the way from a basic into a figure of a hold of its own, and back, is told', () => {
  renderRoom(<Around figure={figureOf('wrap')} />);
  expect(said(/^The shortest way:/)).toMatch(/a basic → Wrap → Unwrap → a basic$/);
});

test('of many figures that may follow some are shown, and the others when they are asked for', () => {
  renderRoom(<Around figure={figureOf('side-basic')} />);
  const shown = () => said(/^After it, \d+ of the house’s figures/).split(', ').length;
  const before = shown();
  const [more] = screen.getAllByRole('button', { name: /^and \d+ more$/ });
  fireEvent.click(more as HTMLElement);
  expect(shown()).toBeGreaterThan(before);
});

test('what a figure stands on is drawn before it, what it opens after it, and each opens its sheet', async () => {
  const { router } = renderRoom(<NeedsDrawing id="left-turn" />);
  await waitFor(() => expect(screen.getAllByRole('button').length).toBeGreaterThan(1));
  expect(screen.getByText('What needs what around Left turn')).toBeTruthy();
  const own = screen.getByRole('button', { name: 'Left turn' });
  expect(own).toBeTruthy();
  const other = screen.getAllByRole('button').find(button => button !== own);
  await act(async () => other && fireEvent.click(other));
  expect(router.state.location.pathname).toMatch(/^\/courses\/hustle-1\/material\/(?!left-turn)/);
});

test('a figure that nothing needs and that needs nothing has no drawing', () => {
  const alone = demoStudio.patterns?.find(
    ({ id, needs = [], made = [] }) =>
      needs.length + made.length === 0 &&
      !demoStudio.patterns?.some(other =>
        [...(other.needs ?? []), ...(other.made ?? []).map(piece => piece.pattern)].includes(id),
      ),
  );
  if (!alone) throw new Error('every figure of the demo stands on another');
  renderRoom(<NeedsDrawing id={alone.id} />);
  expect(screen.queryByRole('button')).toBeNull();
});

test('the forms of a figure stand together, each with why it is one', () => {
  const variant = demoStudio.patterns?.find(({ variantOf }) => variantOf);
  if (!variant?.variantOf) throw new Error('the demo has no variants');
  renderRoom(<Variants id={variant.id} />);
  const head = library.patterns.get(variant.variantOf)?.name ?? '';
  expect(screen.getByRole('link', { name: head })).toBeTruthy();
  expect(screen.getByText(variant.name).tagName).toBe('STRONG');
  expect(screen.getByText('the figure itself')).toBeTruthy();
});
