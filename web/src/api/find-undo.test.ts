import type { HistoryEntry } from '@map-step/contract';
import { describe, expect, test } from 'vitest';
import { findUndo } from './find-undo.ts';

const entry = (id: string, undoes: string | null = null, more: Partial<HistoryEntry> = {}): HistoryEntry => ({
  id,
  kind: undoes ? 'undo' : 'edit',
  what: '',
  by: 'me',
  at: '',
  undoes,
  undone: false,
  ...more,
});
const ids = (history: HistoryEntry[]) => {
  const { undo, redo } = findUndo(history, 'me');
  return [undo?.id, redo?.id];
};

describe('undo and redo follow the history, the newest first', () => {
  test('the newest change of one’s own is undone, not another person’s nor a publishing', () => {
    expect(ids([entry('3', null, { kind: 'publish' }), entry('2', null, { by: 'her' }), entry('1')])).toEqual(
      ['1', undefined],
    );
  });

  test('after an undo the one before is next, and the undo can be taken back', () => {
    expect(ids([entry('3', '2'), entry('2', null, { undone: true }), entry('1')])).toEqual(['1', '3']);
  });

  test('after a redo the redone change can be undone again', () => {
    const redone = [entry('3', '2'), entry('2', '1', { undone: true }), entry('1', null, { undone: true })];
    expect(ids(redone)).toEqual(['3', undefined]);
  });

  test('a new change after an undo leaves nothing to redo', () => {
    expect(ids([entry('4'), entry('3', '2'), entry('2', null, { undone: true }), entry('1')])).toEqual([
      '4',
      undefined,
    ]);
  });

  test('two undos are taken back in turn', () => {
    const twice = [
      entry('4', '1'),
      entry('3', '2'),
      entry('2', null, { undone: true }),
      entry('1', null, { undone: true }),
    ];
    expect(ids(twice)).toEqual([undefined, '4']);
  });
});
