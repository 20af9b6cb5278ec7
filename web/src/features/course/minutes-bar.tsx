import { chakra } from '@chakra-ui/react';
import { memo } from 'react';
import type { LessonMinutes } from './lesson-minutes.ts';

const HATCH = 'repeating-linear-gradient(135deg, var(--chakra-colors-lead) 0 2px, transparent 2px 5px)';

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
    <chakra.span
      aria-hidden
      display="flex"
      flexDirection={direction === 'row' ? 'row' : 'column-reverse'}
      width="full"
      height={direction === 'row' ? '0.6rem' : 'full'}
      border="1px solid"
      borderColor={isOver ? 'stop' : 'line'}
      bg="panel"
    >
      <chakra.span style={segment(minutes.new)} bg={isOver ? 'stop' : 'lead'} />
      <chakra.span style={{ ...segment(minutes.review), backgroundImage: HATCH }} bg="leadTint" />
      <chakra.span style={segment(minutes.fixed)} bg="line" />
    </chakra.span>
  );
}, isSameBar);

function isSameBar(before: MinutesBarProps, after: MinutesBarProps): boolean {
  const keys = Object.keys(after.minutes) as (keyof LessonMinutes)[];
  return keys.every(key => before.minutes[key] === after.minutes[key]);
}
