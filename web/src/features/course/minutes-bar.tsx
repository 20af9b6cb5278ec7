import { memo } from 'react';
import { hasSameEntries } from '../../ui/same.ts';
import type { LessonMinutes } from './lesson-minutes.ts';

const HATCH = 'repeating-linear-gradient(135deg, var(--chakra-colors-ink) 0 2px, transparent 2px 5px)';

/** Two dozen bars can change at one move: they are plain elements, dressed by what holds them. */
export const MINUTES_BARS = {
  '& .minutes': { display: 'flex', width: 'full', border: '1px solid', borderColor: 'line', bg: 'panel' },
  '& .minutes.row': { height: '0.6rem' },
  '& .minutes.column': { flexDirection: 'column-reverse', height: 'full' },
  '& .minutes.over': { borderColor: 'stop' },
  '& .minutes > .new': { bg: 'ink' },
  '& .minutes.over > .new': { bg: 'stop' },
  '& .minutes > .review': { bg: 'panel', backgroundImage: HATCH },
  '& .minutes > .fixed': { bg: 'line' },
} as const;

interface MinutesBarProps {
  readonly minutes: LessonMinutes;
  readonly direction: 'row' | 'column';
}

/** New, review and fixed minutes to scale against the lesson; what is over the length turns red. */
export const MinutesBar = memo(function MinutesBar({ minutes, direction }: MinutesBarProps) {
  const { length, free } = minutes;
  const used = Math.max(length, length - free);
  const share = (value: number) => `${(100 * Math.max(0, value)) / used}%`;
  const along = direction === 'row' ? 'width' : 'height';
  const segment = (value: number) => ({ [along]: share(value) });
  return (
    <span aria-hidden className={`minutes ${direction}${free < 0 ? ' over' : ''}`}>
      <span className="new" style={segment(minutes.new)} />
      <span className="review" style={segment(minutes.review)} />
      <span className="fixed" style={segment(minutes.fixed)} />
    </span>
  );
}, isSameBar);

function isSameBar(before: MinutesBarProps, after: MinutesBarProps): boolean {
  return hasSameEntries(before.minutes, after.minutes);
}
