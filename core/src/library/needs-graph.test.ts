import { expect, test } from 'vitest';
import { figure, studio } from '../test/studio.ts';
import { openLibrary } from './library.ts';
import { needsGraph } from './needs-graph.ts';

const library = openLibrary(
  studio([
    figure('walk'),
    figure('side', { needs: ['walk'] }),
    figure('turn', { needs: ['walk', 'side'] }),
    figure('spin', { needs: ['turn'] }),
    figure('double', { needs: ['spin', 'turn', 'nobody'] }),
    figure('apart'),
  ]),
);

test('a figure has what it stands on below it, by the longest way, and what it opens above', () => {
  const { nodes, edges } = needsGraph(library, 'turn');
  expect(nodes).toEqual([
    { id: 'walk', layer: -2 },
    { id: 'side', layer: -1 },
    { id: 'turn', layer: 0 },
    { id: 'spin', layer: 1 },
    { id: 'double', layer: 2 },
  ]);
  expect(edges).toEqual([
    ['walk', 'side'],
    ['walk', 'turn'],
    ['side', 'turn'],
    ['turn', 'spin'],
    ['spin', 'double'],
    ['turn', 'double'],
  ]);
});

test('a figure by itself, and figures that need each other', () => {
  expect(needsGraph(library, 'apart')).toEqual({ nodes: [{ id: 'apart', layer: 0 }], edges: [] });
  const round = openLibrary(studio([figure('x', { needs: ['y'] }), figure('y', { needs: ['x'] })]));
  expect(needsGraph(round, 'x').nodes).toEqual([
    { id: 'y', layer: -1 },
    { id: 'x', layer: 0 },
  ]);
});
