import { chakra } from '@chakra-ui/react';
import type { LessonMinutes } from './lesson-minutes.ts';

const HATCH = 'repeating-linear-gradient(135deg, {colors.ink} 0 2px, transparent 2px 5px)';

/** Two dozen of them can change at one move: the pieces are plain elements, dressed by their bar. */
const Bar = chakra('span', {
  base: {
    display: 'flex',
    width: 'full',
    border: '1px solid',
    borderColor: 'line',
    bg: 'panel',
    '& > .new': { bg: 'ink' },
    '& > .review': { bg: 'panel', backgroundImage: HATCH },
    '& > .fixed': { bg: 'line' },
  },
  variants: {
    direction: {
      row: { height: '0.6rem' },
      column: { flexDirection: 'column-reverse', height: 'full' },
    },
    isOver: { true: { borderColor: 'stop', '& > .new': { bg: 'stop' } } },
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
      <span className="new" style={piece(minutes.new)} />
      <span className="review" style={piece(minutes.review)} />
      <span className="fixed" style={piece(minutes.fixed)} />
    </Bar>
  );
}
