// @vitest-environment happy-dom
import { ChakraProvider } from '@chakra-ui/react';
import type { Hold, Touch } from '@map-step/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { expect, onTestFinished, test } from 'vitest';
import { system } from '../../theme/system.ts';
import { HoldDrawing } from './hold-drawing.tsx';

const ONE: Hold = { id: 'one', name: 'One hand', contact: 'hand', rel: 180 };

function draw(hold: Hold) {
  const touches: (readonly Touch[])[] = [];
  const places: NonNullable<Hold['place']>[] = [];
  render(
    <ChakraProvider value={system}>
      <HoldDrawing
        hold={hold}
        putTouches={touch => touches.push(touch)}
        putPlace={place => places.push(place)}
      />
    </ChakraProvider>,
  );
  onTestFinished(cleanup);
  const press = (name: string) => fireEvent.keyDown(screen.getByRole('button', { name }), { key: 'Enter' });
  const arrow = (key: string, shiftKey = false) =>
    fireEvent.keyDown(screen.getByRole('button', { name: /^Where the follower may be/ }), { key, shiftKey });
  return { touches, places, press, arrow };
}

test('a part of the leader and then one of the follower touch; the same two again let go', () => {
  const { touches, press } = draw(ONE);
  press('Leader’s right hand');
  press('Follower’s left hand');
  press('Leader’s left hand');
  press('Follower’s right hand');
  expect(touches).toEqual([
    [
      { lead: 'left-hand', follow: 'right-hand' },
      { lead: 'right-hand', follow: 'left-hand' },
    ],
    [],
  ]);
});

test('a part of the follower alone joins nothing', () => {
  const { touches, press } = draw(ONE);
  press('Follower’s left hand');
  expect(touches).toEqual([]);
});

test('arrows move the place by five centimetres, with Shift they make it wider', () => {
  const place: NonNullable<Hold['place']> = { ahead: [0.4, 1.2], side: [-0.3, 0.3] };
  const { places, arrow } = draw({ ...ONE, place });
  arrow('ArrowUp');
  arrow('ArrowLeft');
  arrow('ArrowRight', true);
  expect(places).toEqual([
    { ahead: [0.45, 1.25], side: [-0.3, 0.3] },
    { ahead: [0.4, 1.2], side: [-0.25, 0.35] },
    { ahead: [0.4, 1.2], side: [-0.3, 0.25] },
  ]);
});
