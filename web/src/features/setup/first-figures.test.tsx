// @vitest-environment happy-dom
import { type Dance, RHYTHM_TEMPLATES } from '@map-step/core';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test } from 'vitest';
import { renderOnServer } from '../../test/on-server.tsx';
import { FirstFigures } from './first-figures.tsx';

const template = RHYTHM_TEMPLATES.find(({ id }) => id === 'slow-quick-line');
if (!template) throw new Error('there is no such template');
const dance: Dance = { ...template.dance, id: 'quay', name: 'Quay' };
const level = { id: 'quay-1', dance: 'quay', name: 'Quay 1', order: 1 };

function open() {
  return renderOnServer(<FirstFigures dance={dance} />, {
    answers: {
      'GET /api/material': {
        stamp: '1',
        material: { dances: [dance], levels: [level], patterns: [], elements: [] },
      },
      'POST /api/figures': ({ body }: { body: unknown }) => ({
        body: (body as { figure: object }).figure,
        version: 1,
        history: [],
      }),
    },
  });
}

async function write(values: Readonly<Record<string, string>>) {
  await screen.findByLabelText('Figure');
  for (const [label, value] of Object.entries(values))
    await act(async () => fireEvent.change(screen.getByLabelText(label), { target: { value } }));
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Write it down' })));
}

const STEPS = 'Leader’s steps, as in f, s, c or L fwd, R side';

test('short steps become whole ones, the follower dances the opposite, and the first level is meant', async () => {
  const { sent } = open();
  await write({ Figure: 'Lane walk', Rhythm: 'SSQQ', [STEPS]: 'f, f, s, c' });
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]?.body).toEqual({
    figure: {
      id: 'lane-walk',
      dance: 'quay',
      name: 'Lane walk',
      kind: 'basic',
      level: 'quay-1',
      rhythm: 'SSQQ',
      parts: { lead: 'L fwd, R fwd, L side, R close', follow: 'opposite' },
      entry: ['two-hand'],
      exit: 'same',
    },
  });
});

test.each([
  ['a step that is none', { Figure: 'Lane', Rhythm: 'SS', [STEPS]: 'f, xyz' }, /"xyz" is no action here/],
  ['no rhythm', { Figure: 'Lane', [STEPS]: 'f' }, /Write its rhythm/],
  ['no name', { Rhythm: 'SS', [STEPS]: 'f, f' }, /Give it the name/],
])('%s is told at its field, and nothing is sent', async (_, values, fault) => {
  const { sent } = open();
  await write(values);
  expect(await screen.findByText(fault)).toBeTruthy();
  expect(sent).toEqual([]);
});
