import { chakra } from '@chakra-ui/react';
import type { FindingsAnswer, LevelsAnswer, TodayAnswer, TodaysClass } from '@map-step/contract';
import { isOnStaff } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Skeleton } from '../../ui/parts.tsx';
import { levelsQuery } from '../course/term-queries.ts';
import { ClassesOfLevel } from './classes-of-level.tsx';
import { Findings } from './findings.tsx';
import { findingsQuery } from './today-queries.ts';
import { ownFirst } from './todays-work.ts';

type DanceLevels = LevelsAnswer['dances'][number];

interface LevelsProps {
  readonly answer: TodayAnswer;
  readonly me: string;
  readonly isDirector: boolean;
}

/** The programme drawn: each dance as a lane of its levels, as wide as their minutes, with this term's classes on them. */
export function Levels({ answer, me, isDirector }: LevelsProps) {
  const { data, isPending } = useQuery(levelsQuery);
  const { data: found } = useQuery({ ...findingsQuery, enabled: isDirector });
  if (isPending) return <Skeleton />;
  const dances = data?.dances ?? [];
  if (dances.length === 0) return null;
  const widest = Math.max(
    ...dances.map(({ levels }) => levels.reduce((sum, { minutes }) => sum + minutes, 0)),
  );
  const classes = ownFirst(answer.classes, me, answer.today);
  const isOwn = ({ levels }: DanceLevels) =>
    classes.some(one => levels.some(({ id }) => id === one.level) && isOnStaff(one, me, answer.today));
  const findingsOf = (dance: string) => found?.findings.filter(one => one.dance === dance) ?? [];
  const sorted = isDirector ? dances : dances.toSorted((a, b) => Number(isOwn(b)) - Number(isOwn(a)));
  return (
    <chakra.section aria-label="Levels" display="grid" gap="4">
      <chakra.h2 fontSize="lg">Levels and their classes</chakra.h2>
      {sorted.map(dance => (
        <chakra.div key={dance.id} display="grid" gap="1">
          <chakra.h3 fontSize="md">{dance.name}</chakra.h3>
          <Lane
            levels={dance.levels}
            findings={findingsOf(dance.id)}
            widest={widest}
            classes={classes}
            today={answer}
            me={me}
          />
          <Findings dance={dance.name} findings={findingsOf(dance.id)} />
        </chakra.div>
      ))}
    </chakra.section>
  );
}

interface LaneProps {
  readonly levels: DanceLevels['levels'];
  readonly findings: FindingsAnswer['findings'];
  /** Minutes of the dance that has most. */
  readonly widest: number;
  readonly classes: readonly TodaysClass[];
  readonly today: TodayAnswer;
  readonly me: string;
}

function Lane({ levels, findings, widest, classes, today, me }: LaneProps) {
  return (
    <chakra.ol display="flex" flexWrap={{ base: 'wrap', md: 'nowrap' }} gap="1" listStyleType="none" p="0">
      {levels.map(({ id, name, minutes, figures, requires }, index) => {
        const hurts = findings.filter(({ level }) => level === id).length;
        return (
          <chakra.li
            key={id}
            flexBasis={{ base: '100%', md: `${(100 * minutes) / widest}%` }}
            minW={{ md: '8.5rem' }}
            flexShrink="1"
            bg="panel"
            borderTop="4px solid"
            borderColor={hurts > 0 ? 'now' : 'line'}
            px="2"
            py="1.5"
            display="grid"
            gap="1"
            alignContent="start"
          >
            <chakra.p fontWeight="650" lineHeight="1.25">
              {name}
            </chakra.p>
            <chakra.p fontSize="sm" color="quiet" lineHeight="1.3">
              {figures === 0 ? 'nothing taught' : `${figures} figures, ${Math.round(minutes)} min`}
              {index > 0 && requires > 0 && `; stands on ${requires} from below`}
              {hurts > 0 && `; ${hurts} worth a look`}
            </chakra.p>
            <ClassesOfLevel classes={classes.filter(one => one.level === id)} today={today} me={me} />
          </chakra.li>
        );
      })}
    </chakra.ol>
  );
}
