import { chakra } from '@chakra-ui/react';
import type { TodayAnswer, TodaysClass } from '@map-step/contract';
import { isOnStaff } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import { Link } from 'react-router';
import { Label } from '../../ui/parts.tsx';
import { namesInWords } from './todays-work.ts';

interface ClassesOfLevelProps {
  readonly classes: readonly TodaysClass[];
  readonly today: TodayAnswer;
  readonly me: string;
}

/** The classes that run on a level, each with how far it is. */
export function ClassesOfLevel({ classes, today, me }: ClassesOfLevelProps) {
  if (classes.length === 0) return null;
  return (
    <chakra.ul listStyleType="none" p="0" display="grid" gap="1.5">
      {classes.map(one => (
        <ClassOnLane key={one.id} one={one} today={today} isOwn={isOnStaff(one, me, today.today)} />
      ))}
    </chakra.ul>
  );
}

interface ClassOnLaneProps {
  readonly one: TodaysClass;
  readonly today: TodayAnswer;
  readonly isOwn: boolean;
}

function ClassOnLane({ one, today, isOwn }: ClassOnLaneProps) {
  const { standing, lessons, dates, start } = one;
  const isTonight = standing.today !== undefined;
  const had = dates.filter(date => date < today.today).length;
  const day = dates[0] ? format(parseISO(dates[0]), 'EEE') : '';
  const named = (ids: readonly string[]) => namesInWords(ids.map(id => today.figures[id] ?? id));
  const drift = [
    standing.behind.length > 0 && `${standing.behind.length} behind`,
    standing.ahead.length > 0 && `${standing.ahead.length} ahead`,
  ].filter(Boolean);
  const title = [
    standing.behind.length > 0 && `has not reached ${named(standing.behind)}`,
    standing.ahead.length > 0 && `has had ${named(standing.ahead)} already`,
  ]
    .filter(Boolean)
    .join('; ');
  return (
    <chakra.li lineHeight="1.3" title={title || undefined}>
      <Link to={`/courses/${one.course}/lesson?class=${one.id}&lesson=${standing.next ?? lessons}`}>
        {day} {start}
      </Link>{' '}
      {isTonight && <chakra.strong>tonight </chakra.strong>}
      <Label>{[isOwn && 'yours', ...drift].filter(Boolean).join(', ')}</Label>
      <Steps of={lessons} had={had} isTonight={isTonight} />
    </chakra.li>
  );
}

/** A cell a lesson: full when it is over, framed when it is tonight. */
function Steps({ of, had, isTonight }: { of: number; had: number; isTonight: boolean }) {
  return (
    <chakra.span
      role="img"
      aria-label={`${had} of ${of} lessons over`}
      display="flex"
      gap="2px"
      mt="0.5"
      maxW="9rem"
    >
      {Array.from({ length: of }, (_, index) => index).map(lesson => (
        <chakra.span
          key={lesson}
          flex="1"
          height="6px"
          bg={lesson < had ? 'ink' : 'line'}
          outline={isTonight && lesson === had ? '2px solid' : undefined}
          outlineColor="now"
        />
      ))}
    </chakra.span>
  );
}
