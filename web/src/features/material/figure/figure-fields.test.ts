import { type Dance, openLibrary, type Pattern, patternSchema } from '@map-step/core';
import { expect, test } from 'vitest';
import {
  ALIASES,
  ALIGN,
  type Around,
  CALL,
  CLAPS,
  CYCLE,
  type FigureLine,
  GRADES,
  MINUTES,
  OTHER_COUNTS,
  RANK,
  TEMPO,
  TURN,
  VARIANT,
  withFields,
} from './figure-fields.ts';
import { CHOSEN_FIELDS, linesOf } from './figure-fields-form.tsx';

const dance: Dance = {
  ...{ id: 'd', name: 'Quay', roles: 'solo', beatsPerBar: 4, countCycle: 6, slow: 2, quick: 1 },
  ...{ split: 'straight', phrase: 8, tempo: [], floor: 'line', holds: [] },
};
const figure: Pattern = {
  ...{ id: 'a', dance: 'd', name: 'A', kind: 'drill', turn: 90, align: [0], rhythm: '&1 2 3', beats: 3 },
  parts: { solo: 'L back, R replace, L fwd, R fwd' },
};
const library = openLibrary({
  dances: [dance],
  patterns: [
    figure,
    { ...figure, id: 'wrap', name: 'Wrap' },
    { ...figure, id: 'unwrap-2', name: 'Unwrap, to the left' },
    { ...figure, id: 'unwrap', name: 'Unwrap' },
    { ...figure, id: 'wrap-2', name: 'wrap' },
    { ...figure, id: 'of-a', name: 'Of A', variantOf: 'a' },
  ],
});
const around: Around = { library, figure, dance };
const fields = [...linesOf(figure), ALIGN, CLAPS, CYCLE];

test('what is printed reads back', () => {
  const whole: Pattern = {
    ...figure,
    variantOf: 'wrap',
    variantWhy: 'ending',
    rank: 2,
    aliases: [{ name: 'Home step', school: 'Harbour hall' }],
    call: ['pier', null, 'two', 'three'],
    align: [-45, 45],
    tempo: [
      { min: 100, max: 124 },
      { min: 60, max: 60 },
    ],
    cycle: 8,
    otherCounts: [{ school: 'Harbour hall', rhythm: '1 2 &3', beats: 3 }],
    minutes: 7.5,
    claps: '1 2 3',
    grades: ['slowly', 'with music'],
  };
  const read = withFields(whole, fields, { ...around, figure: whole }, field => field.print(whole, library));
  expect(read.ok && read.value).toEqual(whole);
});

test('figures stand by the house’s names, whatever their case, and with a comma in them', () => {
  const read = (text: string) => VARIANT.read(text, around);
  expect(read('WRAP, ending')).toEqual({ ok: true, value: { variantOf: 'wrap', variantWhy: 'ending' } });
  expect(read('Unwrap, to the left')).toEqual({ ok: true, value: { variantOf: 'unwrap-2' } });
  expect(read('"Unwrap, to the left", easier')).toEqual({
    ok: true,
    value: { variantOf: 'unwrap-2', variantWhy: 'easier' },
  });
  expect(read('unwrap, t')).toEqual({ ok: true, value: { variantOf: 'unwrap-2' } });
});

test('a line that is not touched keeps the figure that it names, whatever that is called by now; twins are told apart', () => {
  const variant: Pattern = { ...figure, variantOf: 'gone-by', variantWhy: 'easier' };
  const untouched = withFields(variant, fields, around, field => field.print(variant, library));
  expect(untouched.ok && untouched.value).toBe(variant);
  const print = (variantOf: string) => VARIANT.print({ ...figure, variantOf }, library);
  expect([print('wrap'), print('wrap-2')]).toEqual(['Wrap', 'wrap-2']);
  const read = (text: string) => VARIANT.read(text, around);
  expect(['WRAP', 'wrap-2'].map(read)).toEqual(
    ['wrap', 'wrap-2'].map(variantOf => ({ ok: true, value: { variantOf } })),
  );
});

test('a variant that is none any more loses its reason too', () => {
  const variant: Pattern = { ...figure, variantOf: 'wrap', variantWhy: 'school' };
  const read = withFields(variant, [VARIANT], around, () => '');
  expect(read.ok && read.value).toEqual(figure);
});

test('an empty line takes the field away', () => {
  const { turn: _, align: __, ...rest } = figure;
  const read = withFields(figure, fields, around, () => '');
  expect(read.ok && read.value).toEqual(rest);
});

test.each<[FigureLine, string, string]>([
  [TURN, '90 90', '“90 90” is not a number of degrees; write -90 for a quarter right'],
  [TURN, 'left', '“left” is not a number of degrees; write -90 for a quarter right'],
  [TURN, '12.5', '“12.5” is not a number of degrees; write -90 for a quarter right'],
  [ALIGN, '0, x', '“x” is not a number of degrees; write -45, 0 for to the wall and along the line'],
  [TEMPO, '124-100', '124-100 falls: write the slower number first'],
  [TEMPO, 'fast', '“fast” is not a tempo; write 100-124, or 100-124, 124-140'],
  [TEMPO, '0-100', '0-100 falls: write the slower number first'],
  [ALIASES, 'Home step', '“Home step” does not say who calls it so; write Home step @ their school'],
  [VARIANT, 'wrap because', expect.stringMatching(/^“wrap because” is no figure of Quay; there are .*Wrap/)],
  [VARIANT, 'Wrap, because', '“because” is no reason; write easier, harder, ending, tempo, school'],
  [VARIANT, 'Nowhere, ending', expect.stringMatching(/^“Nowhere” is no figure of Quay; there are /)],
  [VARIANT, 'u', '“u” can be Unwrap, to the left, Unwrap: write more of it'],
  [VARIANT, 'Of A, ending', 'these would be variants of each other: A → Of A → A'],
  [VARIANT, 'A', 'these would be variants of each other: A → A'],
  [RANK, 'first', '“first” is not a rank; write 1 for the easiest form'],
  [CALL, 'pier two', '2 syllables for 4 steps: write one a step, - where nothing is said'],
  [CALL, 'a b c d e', '5 syllables for 4 steps: write one a step, - where nothing is said'],
  [CYCLE, 'eight', '“eight” is not a count; write 8 for a figure of eights'],
  [CYCLE, '0', '0 is not a count; write a number from 1 on'],
  [OTHER_COUNTS, '1 2 &3', '“1 2 &3” does not say whose count it is; write Harbour hall: 1 2 &3'],
  [OTHER_COUNTS, 'Hall: 1 2', 'Hall: 1 2 has 2 counts, the figure 4: name each of its counts'],
  [OTHER_COUNTS, 'Hall: 1 1', expect.stringMatching(/^Hall: /)],
  [OTHER_COUNTS, 'Hall: 1 2 x', expect.stringMatching(/^Hall: .*"x" is not part of a rhythm/)],
  [OTHER_COUNTS, 'Hall: 1 2 &3 (1/5 beats)', '“1/5” is not a number of beats'],
  [MINUTES, 'ten', '“ten” is not a number of minutes; write 7 or 7.5'],
  [MINUTES, '7.55', '“7.55” is not a number of minutes; write 7 or 7.5'],
  [CLAPS, '1 9', expect.stringMatching(/9 is not a count from 1 to 6/)],
  [CLAPS, 'clap', expect.stringMatching(/is not part of a rhythm/)],
])('a line that cannot be read says what is wrong and what would be right: %#', (field, text, message) => {
  expect(field.read(text, around)).toEqual({ ok: false, fault: message });
});

test('the faults of all lines are told under their fields, and nothing is taken', () => {
  const read = withFields(figure, [TURN, RANK, GRADES], around, ({ key }) =>
    key === 'grades' ? 'slowly' : 'x',
  );
  expect(read.ok ? [] : [...read.fault.keys()]).toEqual(['turn', 'rank']);
});

/** Typed on the sheet itself: the rhythm, the cells, the holds, the pieces, the tracks, the notes. */
const ON_THE_SHEET = [
  'rhythm',
  'beats',
  'parts',
  'entry',
  'exit',
  'holds',
  'cuts',
  'made',
  'tracks',
  'marks',
];
/** Made with the figure, and never changed. */
const FIXED = ['id', 'dance'];

test('every field that the format has can be typed on the page', () => {
  const typed = [
    ...ON_THE_SHEET,
    ...CHOSEN_FIELDS,
    ...fields.flatMap(({ key, also }) => [key, ...(also ? [also] : [])]),
  ];
  expect(typed.toSorted()).toEqual(
    Object.keys(patternSchema.shape)
      .filter(key => !FIXED.includes(key))
      .sort(),
  );
});
