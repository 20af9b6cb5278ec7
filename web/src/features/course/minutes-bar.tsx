import { chakra } from '@chakra-ui/react';
import type { LessonMinutes } from './lesson-minutes.ts';

const HATCH = 'repeating-linear-gradient(135deg, {colors.ink} 0 2px, transparent 2px 5px)';

const Bar = chakra('span', {
  base: { display: 'flex', width: 'full', border: '1px solid', borderColor: 'line', bg: 'panel' },
  variants: {
    direction: {
      row: { height: '0.6rem' },
      column: { flexDirection: 'column-reverse', height: 'full' },
    },
    isOver: { true: { borderColor: 'stop' } },
  },
});

const Piece = chakra('span', {
  variants: {
    kind: {
      new: { bg: 'ink' },
      over: { bg: 'stop' },
      review: { bg: 'panel', backgroundImage: HATCH },
      fixed: { bg: 'line' },
    },
  },
});

interface MinutesBarProps {
  readonly minutes: LessonMinutes;
  readonly direction: 'row' | 'column';
}

/** New, review and fixed minutes to scale against the lesson; what is over the length turns red. */
export function MinutesBar({ minutes, direction }: MinutesBarProps) {
  const { length, free } = minutes;
  const used = Math.max(length, length - free);
  const share = (value: number) => `${(100 * Math.max(0, value)) / used}%`;
  const along = direction === 'row' ? 'width' : 'height';
  const piece = (value: number) => ({ [along]: share(value) });
  return (
    <Bar aria-hidden direction={direction} isOver={free < 0}>
      <Piece kind={free < 0 ? 'over' : 'new'} style={piece(minutes.new)} />
      <Piece kind="review" style={piece(minutes.review)} />
      <Piece kind="fixed" style={piece(minutes.fixed)} />
    </Bar>
  );
}
