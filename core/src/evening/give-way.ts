import type { LessonBlock } from './lesson-blocks.ts';
import { shareOut } from './shares.ts';

/**
 * The whole minutes of some blocks when so many are lost. Combining and dancing give half of theirs; then what is new, recalled
 * or prepared a third; then what is prepared and what is new falls away, the last first; what is left from last time is
 * shortened only when nothing else remains.
 */
export function giveWay(blocks: readonly LessonBlock[], lost: number): readonly number[] {
  const planned = blocks.map(({ minutes }) => minutes);
  const isFree = blocks.map(({ kind }) => kind === 'combine' || kind === 'dance');
  const isTaught = blocks.map(({ kind, isLeft }) => (kind === 'new' && !isLeft) || kind === 'prepare');
  const isShort = blocks.map(({ kind }, index) => isTaught[index] || kind === 'recall');
  const stillLost = (minutes: readonly number[]) => Math.max(0, lost - (sumOf(planned) - sumOf(minutes)));
  const partOf = (which: readonly (boolean | undefined)[], part: number) =>
    planned.map((minutes, index) => (which[index] ? Math.floor(minutes / part) : 0));

  let left = shrink(planned, lost, partOf(isFree, 2));
  left = shrink(left, stillLost(left), partOf(isShort, 3));
  const falling = [...blocks.keys()]
    .filter(index => isTaught[index])
    .sort((a, b) => Number(blocks[b]?.kind === 'prepare') - Number(blocks[a]?.kind === 'prepare') || b - a);
  for (const index of falling) if (stillLost(left) > 0) left = left.with(index, 0);
  left = shrink(left, stillLost(left), left);
  // A block that fell away may have had more than was lost.
  const over = sumOf(planned) - sumOf(left) - lost;
  const room = left.map((minutes, index) => (isFree[index] ? (planned[index] ?? 0) - minutes : 0));
  const back = over > 0 ? shareOut(over, sumOf(room) > 0 ? room : left) : [];
  return left.map((minutes, index) => minutes + (back[index] ?? 0));
}

/** Takes so many minutes, from each block in proportion to what it can give. */
function shrink(minutes: readonly number[], lost: number, gives: readonly number[]): readonly number[] {
  const shares = shareOut(Math.min(lost, sumOf(gives)), gives);
  return minutes.map((one, index) => one - (shares[index] ?? 0));
}

function sumOf(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0);
}
