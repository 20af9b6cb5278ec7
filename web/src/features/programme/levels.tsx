import { chakra } from '@chakra-ui/react';
import type { LevelsAnswer } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Label } from '../../ui/parts.tsx';
import { levelsQuery } from './today-queries.ts';

type DanceLevels = LevelsAnswer['dances'][number];

/** Each dance as a lane of its levels, as wide as their minutes, and what hurts in it. */
export function Levels() {
  const { data } = useQuery(levelsQuery);
  const dances = data?.dances ?? [];
  if (dances.length === 0) return null;
  const widest = Math.max(
    ...dances.map(({ levels }) => levels.reduce((sum, { minutes }) => sum + minutes, 0)),
  );
  return (
    <chakra.section aria-label="Levels" display="grid" gap="4">
      <chakra.h2 fontSize="lg">Levels</chakra.h2>
      {dances.map(dance => (
        <Lane key={dance.id} dance={dance} widest={widest} />
      ))}
    </chakra.section>
  );
}

function Lane({ dance: { name, levels, findings }, widest }: { dance: DanceLevels; widest: number }) {
  return (
    <chakra.div display="grid" gap="1">
      <chakra.h3 fontSize="md">{name}</chakra.h3>
      <chakra.ol display="flex" flexWrap={{ base: 'wrap', md: 'nowrap' }} gap="1" listStyleType="none" p="0">
        {levels.map(({ id, name: level, minutes, figures, requires }, index) => (
          <chakra.li
            key={id}
            flexBasis={{ base: '100%', md: `${(100 * minutes) / widest}%` }}
            minW={{ md: '7.5rem' }}
            flexShrink="1"
            bg="panel"
            borderLeft="5px solid"
            borderColor={findings.some(finding => finding.level === id) ? 'now' : 'line'}
            px="2"
            py="1.5"
          >
            <chakra.p fontWeight="650">{level}</chakra.p>
            <Label>
              {figures === 0 ? 'nothing taught' : `${figures} figures, ${Math.round(minutes)} min`}
              {index > 0 && requires > 0 && `; stands on ${requires} from below`}
            </Label>
          </chakra.li>
        ))}
      </chakra.ol>
      {findings.length > 0 && (
        <Disclosure title={`Worth a look in ${name}: ${findings.length}`}>
          <chakra.ul listStyleType="none" p="0" display="grid" gap="1">
            {findings.map(({ code, level, message, mend }) => (
              <li key={`${code} ${level} ${message}`}>
                {message}. {mend && <Label>It would be mended so: {mend}.</Label>}
              </li>
            ))}
          </chakra.ul>
        </Disclosure>
      )}
    </chakra.div>
  );
}
