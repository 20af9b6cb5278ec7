import { chakra } from '@chakra-ui/react';
import { useState } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { Empty, Field, Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { FigureFacts } from './figure-facts.tsx';
import { StepSheet } from './step-sheet.tsx';

const KIND_WORDS = {
  basic: 'Basics',
  pattern: 'Patterns',
  turn: 'Turns',
  drill: 'Drills',
  quality: 'Qualities',
} as const;

/** The figures of the course's dances, and the step sheet of the one that is open. */
export function MaterialPage() {
  const { library, answer } = useCourseView();
  const { pattern: open } = useParams();
  const patterns = [...library.patterns.values()].filter(({ dance }) => answer.course.dances.includes(dance));
  const reading = library.readings.get(open ?? patterns[0]?.id ?? '');
  if (patterns.length === 0)
    return (
      <Empty title="No figures yet">
        Import a file with the figures of this dance from the programme page.
      </Empty>
    );
  return (
    <chakra.div
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '15.5rem minmax(0, 1fr)' }}
      gap="5"
    >
      <FigureList openId={reading?.figure.pattern.id} />
      {reading ? (
        <chakra.article display="grid" gap="4" minW="0" alignContent="start">
          <StepSheet figure={reading.figure} />
          <FigureFacts figure={reading.figure} />
        </chakra.article>
      ) : (
        <Empty title="There is no such figure">It may have been renamed. Choose one from the list.</Empty>
      )}
    </chakra.div>
  );
}

function FigureList({ openId }: { openId: string | undefined }) {
  const { library, answer, draft } = useCourseView();
  const { search } = useLocation();
  const [wanted, setWanted] = useState('');
  const matches = [...library.patterns.values()].filter(
    ({ dance, name, aliases }) =>
      answer.course.dances.includes(dance) &&
      [name, ...(aliases ?? []).map(alias => alias.name)].some(word =>
        word.toLowerCase().includes(wanted.toLowerCase()),
      ),
  );
  return (
    <chakra.nav aria-label="Figures" className="no-print">
      <chakra.label display="block" mb="2">
        <Label>Find a figure by any of its names</Label>
        <Field type="search" value={wanted} onChange={event => setWanted(event.target.value)} />
      </chakra.label>
      {matches.length === 0 && <p>No figure is called so.</p>}
      {Object.entries(KIND_WORDS).map(([kind, word]) => {
        const ofKind = matches.filter(pattern => pattern.kind === kind);
        if (ofKind.length === 0) return null;
        return (
          <chakra.section key={kind} mb="2">
            <chakra.h2 fontSize="sm" color="quiet" borderBottom="1px solid" borderColor="line">
              {word}
            </chakra.h2>
            <chakra.ul listStyleType="none" p="0">
              {ofKind.map(({ id, name }) => (
                <chakra.li
                  key={id}
                  display="flex"
                  justifyContent="space-between"
                  px="1.5"
                  py="0.5"
                  bg={id === openId ? 'nowTint' : undefined}
                >
                  <Link
                    to={{ pathname: `/courses/${answer.course.id}/material/${id}`, search }}
                    aria-current={id === openId ? 'page' : undefined}
                    style={{ textDecoration: 'none' }}
                  >
                    {name}
                  </Link>
                  <Label>{draft.placed[id] ? `lesson ${draft.placed[id]}` : 'left out'}</Label>
                </chakra.li>
              ))}
            </chakra.ul>
          </chakra.section>
        );
      })}
    </chakra.nav>
  );
}
