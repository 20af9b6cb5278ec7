import { describe, expect, test } from 'vitest';
import { readFigure } from '../couple/read-figure.ts';
import type { Pattern } from '../model/document.ts';
import { dance, figure } from '../test/studio.ts';
import { readTypedHold, suggestHolds } from './typed-hold.ts';

const own = figure('walk');
const typed = (text: string, event = 1, pattern: Pattern = own) => {
  const read = readTypedHold(text, readFigure(pattern, dance).figure, event);
  if (!read.ok) return read.fault;
  const { entry, exit, holds, marks } = read.value;
  return { entry, exit, holds, marks };
};

describe('holds are typed from a cell', () => {
  test('a name is the hold from there on; a comma says how the hands go; at the last count it is the end', () => {
    expect(typed('near')).toMatchObject({ holds: [{ event: 1, hold: 'near' }], exit: 'same' });
    expect(typed('bes, by the back')).toMatchObject({
      holds: [{ event: 1, hold: 'beside' }],
      marks: [{ event: 1, kind: 'hold', text: 'by the back' }],
    });
    expect(typed('near, over the head', 3)).toMatchObject({
      exit: 'near',
      holds: undefined,
      marks: [{ event: 3, kind: 'hold', text: 'over the head' }],
    });
  });

  test('from, to and a count in front say the others; several go into one line', () => {
    expect(typed('from open or near; 2 beside; to near')).toEqual({
      ...{ entry: ['open', 'near'], exit: 'near', marks: undefined },
      holds: [{ event: 1, hold: 'beside' }],
    });
    expect(typed('to open or near')).toMatchObject({ exit: ['open', 'near'] });
    expect(typed('to same', 1, figure('a', { exit: 'near' }))).toMatchObject({ exit: 'same' });
  });

  test('what stood there gives way, and “no” takes it and its hands away', () => {
    const before = figure('a', {
      holds: [{ event: 1, hold: 'near' }],
      marks: [
        { kind: 'cue', text: 'softly' },
        { event: 1, kind: 'hold', text: 'by the back' },
      ],
    });
    expect(typed('beside', 1, before)).toMatchObject({
      holds: [{ event: 1, hold: 'beside' }],
      marks: [{ kind: 'cue', text: 'softly' }],
    });
    expect(typed('no', 1, before)).toMatchObject({
      holds: undefined,
      marks: [{ kind: 'cue', text: 'softly' }],
    });
    expect(typed(', at the waist', 1, before)).toMatchObject({
      holds: [{ event: 1, hold: 'near' }],
      marks: [{ kind: 'cue' }, { event: 1, kind: 'hold', text: 'at the waist' }],
    });
  });

  test.each([
    ['grip', '“grip” is no hold of Quay; it has Open, Near, Beside'],
    ['9 open', 'there is no count 9; this is counted 1 2 3 4'],
    ['from grip', '“grip” is no hold of Quay; it has Open, Near, Beside'],
  ])('%s is refused with what would be taken', (text, fault) => {
    expect(typed(text)).toBe(fault);
  });

  test('a beginning is completed where it stands', () => {
    const { figure: at } = readFigure(own, dance);
    expect(suggestHolds('n', at)).toEqual(['Near']);
    expect(suggestHolds('from open or b', at)).toEqual(['from open or Beside']);
    expect(suggestHolds('near; 3 o', at)).toEqual(['near; 3 Open']);
    expect(suggestHolds('2 near, by', at)).toEqual([]);
  });
});
