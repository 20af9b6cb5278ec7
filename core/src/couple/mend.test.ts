import { expect, test } from 'vitest';
import { createFigureChecker } from '../library/check-figures.ts';
import { openLibrary } from '../library/library.ts';
import type { Dance, Hold, Pattern } from '../model/document.ts';
import { findMend, makeStepKeep, rocksApart, rockTogether } from './mend.ts';
import { readFigure } from './read-figure.ts';

const [left, right] = [
  { lead: 'left-hand', follow: 'right-hand' },
  { lead: 'right-hand', follow: 'left-hand' },
] as const;
const holds: readonly Hold[] = [
  { id: 'two', name: 'Two hands', contact: 'hand', rel: 180, touch: [left, right] },
  { id: 'lock', name: 'Hammerlock', contact: 'hand', rel: -180, touch: [left, right] },
  { id: 'near', name: 'Near', contact: 'body', rel: 180 },
];
const dance: Dance = {
  ...{ id: 'quay', name: 'Quay', roles: 'pair', beatsPerBar: 4, countCycle: 8, slow: 2, quick: 1 },
  ...{ split: 'straight', phrase: 8, tempo: [], floor: 'free', holds },
};
const oneHand: Hold = { id: 'one', name: 'One hand', contact: 'hand', rel: 180, touch: [left] };
const figure = (more: Partial<Pattern>): Pattern => ({
  ...{ id: 'a', dance: 'quay', name: 'A', kind: 'pattern', rhythm: '1 2', entry: ['two'], exit: 'two' },
  parts: { lead: 'L place, R close', follow: 'R place, L close' },
  ...more,
});

/** The first issue with this code, mended; what is found after it. */
function mended(pattern: Pattern, code: string, inDance = dance) {
  const check = createFigureChecker(openLibrary({ dances: [inDance] }));
  const reading = readFigure(pattern, inDance);
  const issue = check(reading).find(one => one.code === code);
  if (!issue) throw new Error(`nothing says ${code}`);
  const mend = findMend(reading.figure, issue);
  const left = mend && check(readFigure(mend.pattern, inDance)).map(one => one.code);
  return { words: mend?.words, pattern: mend?.pattern, left };
}

test('arms that end wound: a hand is let go where the dance has such a hold', () => {
  const turned = figure({ parts: { lead: 'L place, R close', follow: 'R -180 place, L -180 close' } });
  const { words, pattern, left } = mended(turned, 'arms-wound', { ...dance, holds: [...holds, oneHand] });
  expect(words).toBe('let a hand go at 1: One hand');
  expect(pattern?.holds).toEqual([{ event: 0, hold: 'one' }]);
  expect(pattern?.exit).toBe('one');
  expect(left).not.toContain('arms-wound');
});

test('or it is said that it ends in the hold with this winding', () => {
  const turned = figure({ parts: { lead: 'L place, R close', follow: 'R -180 place, L -180 close' } });
  const { words, pattern } = mended(turned, 'arms-wound');
  expect(words).toBe('say that it is Hammerlock');
  expect(pattern?.exit).toBe('lock');
});

test('a follower who is left behind takes the step that keeps the hold', () => {
  const left = figure({
    ...{ rhythm: '1 2 3 4', entry: ['near'], exit: 'near' },
    parts: { lead: 'L back, R back, L back, R close', follow: 'R fwd, L place, R fwd, L close' },
  });
  const { words, pattern } = mended(left, 'apart');
  expect(words).toBe('take the step that keeps the hold at 2: left forward');
  expect(pattern?.parts).toEqual({
    lead: 'L back, R back, L back, R close',
    follow: 'R fwd, L fwd, R fwd, L close',
  });
});

test('one step of the follower can be asked to keep the hold, and stays where it does', () => {
  const { figure: read } = readFigure(
    figure({
      ...{ rhythm: '1 2', entry: ['near'], exit: 'near' },
      parts: { lead: 'L side, R close', follow: 'R back small, L close' },
    }),
    dance,
  );
  expect(makeStepKeep(read, 0).parts).toEqual({ lead: 'L side, R close', follow: 'R side, L close' });
  expect(makeStepKeep(read, 7)).toBe(read.pattern);
});

test('where the leader rocks back and the follower goes forward, both can rock back; not in a frame', () => {
  const rock = (entry: string) =>
    readFigure(
      figure({
        ...{ rhythm: '1 2 3&4', entry: [entry], exit: 'same' },
        parts: { lead: 'L back, R replace, L side, R close, L side', follow: 'opposite' },
      }),
      dance,
    ).figure;
  expect(rocksApart(rock('two'))).toEqual([0]);
  expect(rockTogether(rock('two')).parts).toMatchObject({
    follow: 'R back, L replace, R side, L close, R side',
  });
  expect(rocksApart(rock('near'))).toEqual([]);
  expect(rockTogether(rock('near')).parts).toMatchObject({ follow: 'opposite' });
});

test('all cautions that are missing are added at once', () => {
  const near = figure({
    entry: ['near'],
    exit: 'near',
    parts: { lead: 'L fwd, R fwd', follow: 'opposite' },
    rhythm: '1 2',
  });
  const { words, left } = mended(near, 'caution-missing', { ...dance, floor: 'line' });
  expect(words).toBe('add the cautions close-hold, space');
  expect(left).not.toContain('caution-missing');
});

test('where nothing better is known nothing is offered', () => {
  const { words } = mended(
    figure({ parts: { lead: 'L place, R close', follow: 'R +180 place, L +180 close' } }),
    'arms-wound',
    { ...dance, holds: holds.slice(0, 1) },
  );
  expect(words).toBeUndefined();
});
