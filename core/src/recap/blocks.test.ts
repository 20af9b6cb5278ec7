import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { combinationsInBlocks, figuresInBlocks, freezeBlocks, printBlock, readBlock } from './blocks.ts';

const library = openLibrary(
  studio([
    figure('walk', { name: 'Walk (slow)' }),
    figure('turn', { name: 'Turn', parts: { lead: 'L fwd, R fwd, L fwd, R tap', follow: 'opposite' } }),
  ]),
);
const source = { library, studio: { roles: { lead: 'First', follow: 'Second' } } };

describe('a block', () => {
  test('reads back as it was written, and no other line is one', () => {
    for (const block of [
      { kind: 'sheet', figure: 'walk' },
      { kind: 'comparison', figure: 'walk', other: 'turn' },
    ] as const)
      expect(readBlock(printBlock(block))).toEqual(block);
    for (const line of ['{{sheet}}', '{{sheet: Walk}}', 'see {{sheet: walk}}', '{{script: walk}}'])
      expect(readBlock(line)).toBeUndefined();
  });

  test('of counts and of a comparison becomes words', () => {
    expect(freezeBlocks('a\n{{count: walk}}\nb', source)).toBe('a\n**1 2 3 4**\nb');
    expect(freezeBlocks('{{comparison: turn, walk}}', source)).toBe('Turn: 1–3 as in Walk (slow), 4 new.');
  });

  test('of a combination a line for each phrase; one that is not there is said', () => {
    const danced = {
      ...{ id: 'round', name: 'Round', dance: dance.id, end: 'same' as const },
      ...{ start: { hold: library.patterns.get('walk')?.entry?.[0] ?? '' } },
      steps: [{ pattern: 'walk', times: 2 }, { oneOf: ['turn', null] }],
    };
    const text = freezeBlocks('{{combination: round}}', { ...source, combinations: [danced] });
    expect(text).toContain('**Round**, 12 beats:');
    expect(text).toContain('Turn or go on');
    expect(freezeBlocks('{{combination: none}}', source)).toBe('*There is no combination “none”.*');
    expect(combinationsInBlocks('a\n{{combination: round}}')).toEqual(['round']);
    expect(figuresInBlocks('{{combination: round}}\n{{count: walk}}')).toEqual(['walk']);
  });

  test.each(['sheet', 'couple', 'path'])('of a %s becomes a drawing that needs nothing else', kind => {
    const [, words = '', data = ''] =
      /^!\[(.*)\]\(data:image\/svg\+xml,([^()\s]*)\)$/.exec(freezeBlocks(`{{${kind}: walk}}`, source)) ?? [];
    expect(words).toContain('Walk (slow)');
    expect(decodeURIComponent(data)).toMatch(/^<svg [\s\S]*<\/svg>\n?$/);
  });

  test('of a figure that is not there says so, and of a solo figure there is no couple', () => {
    expect(freezeBlocks('{{sheet: nobody}}', source)).toBe('*There is no step sheet of “nobody”.*');
    const solo = openLibrary(
      studio([figure('tap', { parts: { solo: 'L tap, L fwd, R tap, R fwd' } })], {
        dances: [{ ...dance, roles: 'solo' }],
      }),
    );
    expect(freezeBlocks('{{couple: tap}}', { ...source, library: solo })).toMatch(/^\*There is no drawing/);
  });

  test('a text without blocks stays as it is', () => {
    expect(freezeBlocks('{ a }', source)).toBe('{ a }');
  });
});
