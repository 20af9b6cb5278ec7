import { describe, expect, test } from 'vitest';
import { rankByDifficulty, rankByNovelty } from '../likeness/rank.ts';
import { figure, studio } from '../test/studio.ts';
import { type FigureWish, findFigures, indexFigures } from './find-figures.ts';
import { openLibrary } from './library.ts';

const patterns = [
  figure('pier', {
    name: 'Pier chassé',
    kind: 'basic',
    level: 'one',
    aliases: [{ name: 'Home step', school: 'Harbour hall' }],
  }),
  figure('wrap', {
    level: 'two',
    entry: ['near'],
    exit: 'open',
    marks: [{ kind: 'caution', text: '', code: 'wrap' }],
  }),
  figure('turn', {
    kind: 'turn',
    holds: [{ event: 1, hold: 'beside' }],
    parts: { lead: 'L +180 fwd, R fwd, L fwd, R close', follow: 'opposite' },
  }),
  figure('lame', { rhythm: '1' }),
];
const library = openLibrary(studio(patterns));
const found = (wish: FigureWish) => findFigures(indexFigures(library, patterns), wish).map(({ id }) => id);

describe('figures are found', () => {
  test.each<[string, FigureWish, readonly string[]]>([
    ['by nothing: all of them', {}, ['pier', 'wrap', 'turn', 'lame']],
    ['by the house’s name, without its accent', { words: 'chasse' }, ['pier']],
    ['by another school’s name', { words: 'home' }, ['pier']],
    ['by the school, and words in any order', { words: 'harbour PIER' }, ['pier']],
    ['by words that do not all stand there: none', { words: 'pier wrap' }, []],
    ['by dance', { dance: 'quay', kinds: ['basic'] }, ['pier']],
    ['by another dance: none', { dance: 'tap' }, []],
    ['by kind', { kinds: ['basic', 'turn'] }, ['pier', 'turn']],
    ['by level', { level: 'two' }, ['wrap']],
    ['by a hold it starts in', { hold: 'near' }, ['wrap']],
    ['by a hold it changes to', { hold: 'beside' }, ['turn']],
    ['by a caution', { caution: 'wrap' }, ['wrap']],
    ['by having faults', { hasFaults: true }, ['lame']],
    ['by having none', { hasFaults: false, kinds: ['pattern'] }, ['wrap']],
  ])('%s', (_, wish, ids) => {
    expect(found(wish)).toEqual(ids);
  });
});

describe('figures are ranked', () => {
  const ids = patterns.map(({ id }) => id);
  test('by novelty against what is known: what is known is 0, what nobody knows is 1', () => {
    expect(rankByNovelty(library, ids, ['pier'])).toMatchObject({ pier: 0, wrap: 0, turn: 1 / 16 });
    expect(rankByNovelty(library, ['turn'], [])).toEqual({ turn: 1 });
  });
  test('by difficulty: a half turn is harder than none', () => {
    const { pier = 0, turn = 0 } = rankByDifficulty(library, ids);
    expect(turn).toBeGreaterThan(pier);
  });
});
