import { memo } from 'react';
import { chakra } from '../../theme/chakra.ts';
import { hasSameEntries } from '../../ui/same.ts';
import type { LessonMinutes } from './lesson-minutes.ts';

const HATCH = 'repeating-linear-gradient(135deg, var(--chakra-colors-lead) 0 2px, transparent 2px 5px)';

/** Its parts are plain elements: two dozen bars can change at one move. */
const Bar = chakra('span', {
  base: {
    display: 'flex',
    width: 'full',
    border: '1px solid',
    borderColor: 'line',
    bg: 'panel',
    '& > :nth-of-type(1)': { bg: 'lead' },
    '& > :nth-of-type(2)': { bg: 'leadTint', backgroundImage: HATCH },
    '& > :nth-of-type(3)': { bg: 'line' },
    '&[data-over]': { borderColor: 'stop', '& > :nth-of-type(1)': { bg: 'stop' } },
  },
  variants: {
    direction: {
      row: { flexDirection: 'row', height: '0.6rem' },
      column: { flexDirection: 'column-reverse', height: 'full' },
    },
  },
});

interface MinutesBarProps {
  readonly minutes: LessonMinutes;
  readonly direction: 'row' | 'column';
}

/** New, review and fixed minutes to scale against the lesson; what is over the length turns red. */
export const MinutesBar = memo(function MinutesBar({ minutes, direction }: MinutesBarProps) {
  const { length, free } = minutes;
  const isOver = free < 0;
  const used = Math.max(length, length - free);
  const share = (value: number) => `${(100 * Math.max(0, value)) / used}%`;
  const along = direction === 'row' ? 'width' : 'height';
  const segment = (value: number) => ({ [along]: share(value) });
  return (
    <Bar aria-hidden direction={direction} data-over={isOver || undefined}>
      <span style={segment(minutes.new)} />
      <span style={segment(minutes.review)} />
      <span style={segment(minutes.fixed)} />
    </Bar>
  );
}, isSameBar);

function isSameBar(before: MinutesBarProps, after: MinutesBarProps): boolean {
  return hasSameEntries(before.minutes, after.minutes);
}
