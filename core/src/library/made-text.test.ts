import { describe, expect, test } from 'vitest';
import type { MadePiece } from '../model/document.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { openLibrary } from './library.ts';
import { madeAnew, madeOf, madeSpans } from './made-spans.ts';
import { printMadeText, readMadeText } from './made-text.ts';

const library = openLibrary(
  studio([
    figure('walk', { name: 'Walk' }),
    figure('wrap', { name: 'Wrap', aliases: [{ name: 'Parcel', school: 'Harbour hall' }] }),
    figure('wrap-out', { name: 'Wrap out' }),
    figure('vine', { name: 'Vine', rhythm: '1 2 1 2', beats: 10 }),
    figure('long', {
      rhythm: '1 2 3 4 5 6 7 8',
      parts: { lead: 'L fwd, R fwd, L fwd, R close, L fwd, R fwd, L fwd, R close', follow: 'opposite' },
      made: [{ pattern: 'walk', times: 2 }],
    }),
    figure('stale', { made: [{ pattern: 'walk', times: 2 }] }),
  ]),
);
const read = (text: string) => {
  const made = readMadeText(text, library, dance);
  return made.ok ? made.value : made.fault.map(({ piece, message }) => `${piece}: ${message}`);
};

test('whatever a figure is called it is written so that it reads back, and two that are called alike are told apart', () => {
  const names = [
    'Unwrap, to the left',
    'Walk: home',
    'Turn (half)',
    'Wrap ×2',
    '1-2 of it',
    'At last Wrap',
    'Sway x3',
  ];
  const odd = openLibrary(
    studio([
      ...names.map((name, index) => figure(`odd-${index}`, { name })),
      figure('twin', { name: 'turn (HALF)' }),
    ]),
  );
  for (const pattern of odd.patterns.keys()) {
    const made: MadePiece[] = [{ pattern, times: 2, last: pattern }, { pattern: 'odd-0' }];
    const again = readMadeText(printMadeText(made, odd), odd, dance);
    expect(again.ok ? again.value : again.fault).toEqual(made);
  }
});

describe('pieces are read as a teacher writes them', () => {
  test.each<[string, readonly MadePiece[]]>([
    ['Walk', [{ pattern: 'walk' }]],
    ['walk ×3, Wrap', [{ pattern: 'walk', times: 3 }, { pattern: 'wrap' }]],
    ['Walk x2', [{ pattern: 'walk', times: 2 }]],
    ['Walk 2 times', [{ pattern: 'walk', times: 2 }]],
    ['wa*2', [{ pattern: 'walk', times: 2 }]],
    ['Parcel', [{ pattern: 'wrap' }]],
    ['2–3 of Wrap', [{ pattern: 'wrap', from: 1, to: 2 }]],
    ['2-3 of wrap-out', [{ pattern: 'wrap-out', from: 1, to: 2 }]],
    ['other side of Walk', [{ pattern: 'walk', side: 'other' }]],
    ['the other side of Walk ×2', [{ pattern: 'walk', side: 'other', times: 2 }]],
    ['mirrored 1–2 of Wrap', [{ pattern: 'wrap', side: 'mirrored', from: 0, to: 1 }]],
    ['Walk ×3 last Wrap out', [{ pattern: 'walk', times: 3, last: 'wrap-out' }]],
    ['1.2–2.2 of Vine', [{ pattern: 'vine', from: 2, to: 3 }]],
    ['Walk and Wrap out', [{ pattern: 'walk' }, { pattern: 'wrap-out' }]],
    ['Walk + Wrap; Vine', [{ pattern: 'walk' }, { pattern: 'wrap' }, { pattern: 'vine' }]],
  ])('%s', (text, made) => {
    expect(read(text)).toEqual(made);
    expect(read(printMadeText(made, library))).toEqual(made);
  });

  test.each<[string, string]>([
    ['', '0: write at least one figure'],
    ['Walk, Strwrap', '1: “Strwrap” is no figure of Quay; there are '],
    ['3 of Walk', '0: “3 of Walk” can mean two things: write Walk ×3, or 3–3 of Walk'],
    ['w', '0: “w” can be Walk, Wrap, Wrap out: write more of it'],
    ['Walk last Stroll', '0: “Stroll” is no figure of Quay; there are '],
    ['3–9 of Walk', '0: Walk is counted 1 2 3 4: there is no 9'],
    ['4–2 of Walk', '0: 4–2 of Walk runs backwards; write 2–4'],
    ['Walk last Wrap', '0: “Walk last Wrap”: only the last of several is another one; write ×2 or more'],
    ['Walk ×0', '0: “Walk ×0”: a piece is danced at least once'],
  ])('%s is refused with what would be right', (text, message) => {
    expect(read(text)).toEqual([expect.stringContaining(message)]);
  });
});

describe('a made figure stays linked', () => {
  const figureOf = (id: string) => {
    const reading = library.readings.get(id);
    if (!reading) throw new Error(id);
    return reading.figure;
  };

  test('its stretches say where they come from', () => {
    expect(madeSpans(figureOf('long'), library)).toEqual([
      { pattern: 'walk', words: 'Walk', from: 0, to: 4 },
      { pattern: 'walk', words: 'Walk', from: 4, to: 8 },
    ]);
    expect(madeSpans(figureOf('walk'), library)).toEqual([]);
  });

  test('one that is what its pieces make has nothing new; one that is not is told what they make', () => {
    expect(madeAnew(figureOf('long'), library)).toBeUndefined();
    expect(madeAnew(figureOf('walk'), library)).toBeUndefined();
    expect(madeAnew(figureOf('stale'), library)).toMatchObject({ rhythm: '1 2 3 4 5 6 7 8' });
  });

  test('what is made of itself does not grow by being written anew', () => {
    const circle = openLibrary(
      studio([
        figure('walk', { made: [{ pattern: 'round' }] }),
        figure('round', { made: [{ pattern: 'walk', times: 2 }] }),
      ]),
    );
    for (const { figure: own } of circle.readings.values()) expect(madeAnew(own, circle)).toBeUndefined();
  });

  test('a piece knows what is made of it', () => {
    expect(madeOf(library, 'walk').map(({ pattern }) => pattern.id)).toEqual(['long', 'stale']);
    expect(madeOf(library, 'wrap')).toEqual([]);
  });
});
