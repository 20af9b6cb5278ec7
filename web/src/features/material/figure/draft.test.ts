import type { Pattern } from '@map-step/core';
import { expect, test } from 'vitest';
import { changedFields } from './use-figure-draft.ts';

const figure: Pattern = { id: 'a', dance: 'd', name: 'A', kind: 'basic', needs: ['b'], rhythm: '1 2' };

test('only the fields that differ are sent; one that is gone is sent as nothing', () => {
  const { needs: _needs, ...rest } = figure;
  expect(changedFields(figure, { ...rest, rhythm: '1 2 3', beats: 4 })).toEqual({
    needs: null,
    rhythm: '1 2 3',
    beats: 4,
  });
  expect(changedFields(figure, { ...figure, needs: ['b'] })).toEqual({});
});
