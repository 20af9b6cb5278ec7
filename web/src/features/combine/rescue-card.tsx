import { chakra } from '@chakra-ui/react';
import { type Figure, type Mishap, type Rescue, rescuesOf } from '@map-step/core';
import { useMemo } from 'react';
import { Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { useFiguresHad } from './use-figures-had.ts';

/** What to dance when a figure does not end as it should, with what this class has had; nothing where it has none. */
export function RescueCard({ figure }: { figure: Figure }) {
  const { library } = useCourse();
  const had = useFiguresHad();
  const rescues = useMemo(() => {
    const known = had ? [...had.known, ...had.lessons.flat()] : [];
    return rescuesOf(library, figure, known);
  }, [library, figure, had]);
  if (rescues.length === 0) return null;
  const unfinished = rescues.filter(({ hold }) => hold === undefined);
  const others = rescues.filter(({ hold }) => hold !== undefined);
  return (
    <chakra.ul listStyleType="none" p="0" display="grid" gap="1.5">
      {unfinished.length > 0 && (
        <li>
          <strong>The turn stopped {unfinished.map(shortInWords).join(' or ')} short:</strong> finish it
          before you go on; no hold is like that.
        </li>
      )}
      {others.map(rescue => (
        <li key={mishapInWords(rescue.mishap)}>
          <strong>{mishapInWords(rescue.mishap)}:</strong> <WayOn figure={figure} rescue={rescue} />
        </li>
      ))}
    </chakra.ul>
  );
}

const MOST_NAMED = 4;

function WayOn({ figure: { dance }, rescue: { hold, next, home } }: { figure: Figure; rescue: Rescue }) {
  const { library } = useCourse();
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const holdName = dance.holds.find(({ id }) => id === hold)?.name;
  const more = next.length - MOST_NAMED;
  return (
    <>
      {holdName && `you are in ${holdName}. `}
      {next.length === 0 ? (
        'Nothing that you have had goes on from there: change the weight in place, and begin anew.'
      ) : (
        <>
          On with {next.slice(0, MOST_NAMED).map(nameOf).join(', ')}
          {more > 0 && ` or ${more} more`}.{' '}
          <Label>
            {home === undefined
              ? 'No way home from there.'
              : `Shortest way home: ${home.map(nameOf).join(', then ')}.`}
          </Label>
        </>
      )}
    </>
  );
}

const SHORT_WORDS: Readonly<Record<number, string>> = {
  45: 'an eighth',
  90: 'a quarter',
  180: 'half a turn',
};

function mishapInWords(mishap: Mishap): string {
  switch (mishap.kind) {
    case 'hand':
      return 'The hand was missed';
    case 'foot':
      return 'The weight is on the other foot';
    default:
      return `The turn stopped ${shortInWords({ mishap })} short`;
  }
}

function shortInWords({ mishap }: Pick<Rescue, 'mishap'>): string {
  if (mishap.kind !== 'short') return '';
  return SHORT_WORDS[mishap.degrees] ?? `${mishap.degrees}°`;
}
