import { chakra } from '@chakra-ui/react';
import {
  CAUTION_NOTICE,
  cautionsOf,
  type Figure,
  figureElements,
  fitPhrase,
  printBeats,
  TICKS_PER_BEAT,
  ticks,
} from '@map-step/core';
import type { ReactNode } from 'react';
import { Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';

/** What the sheet means: how long it takes, what it needs and brings, what to watch and what can hurt. */
export function FigureFacts({ figure }: { figure: Figure }) {
  const { library, draft, studio } = useCourseView();
  const { pattern, dance } = figure;
  const item = draft.problem?.items.find(({ id }) => id === pattern.id);
  const name = (id: string) => library.patterns.get(id)?.name ?? id;
  const elements = figureElements(figure, library.elements);
  const marks = (kind: string) => (pattern.marks ?? []).filter(mark => mark.kind === kind);
  const cautions = cautionsOf(pattern, studio.studio);
  return (
    <chakra.div
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: '1fr', md: '1fr 1fr', xl: '1fr 1fr 1fr' }}
    >
      <Group title="In numbers">
        <PhraseLine figure={figure} />
        <p>Tempo {dance.tempo.map(({ min, max }) => `${min} to ${max}`).join(', ')} beats a minute</p>
        {item && <p>{item.assembly / 10} minutes to put together</p>}
        {(pattern.needs ?? []).length > 0 && <p>Needs {pattern.needs?.map(name).join(', ')}</p>}
        {(pattern.lookalikes ?? []).length > 0 && (
          <p>Looks like {pattern.lookalikes?.map(name).join(', ')}</p>
        )}
        {pattern.grades && <p>Grades: {pattern.grades.join(' · ')}</p>}
        <Label>What has to be learned once:</Label>
        <chakra.ul pl="5" fontSize="sm">
          {elements.map(({ id, name: word, minutes }) => (
            <li key={id}>
              {word}, {minutes / 10} min
            </li>
          ))}
        </chakra.ul>
      </Group>
      <Group title="To teach it">
        {marks('cue').map(({ text }) => (
          <p key={text}>“{text}”</p>
        ))}
        {marks('signal').map(({ text }) => (
          <p key={text}>
            <strong>Signal:</strong> {text}
          </p>
        ))}
        {marks('fault').map(({ text, cure }) => (
          <p key={text}>
            <strong>Usual fault:</strong> {text} {cure && <em>Cure: {cure}</em>}
          </p>
        ))}
      </Group>
      {cautions.length > 0 && (
        <Group title="Take care">
          {cautions.map(text => (
            <p key={text}>{text}</p>
          ))}
          <Label>{CAUTION_NOTICE}</Label>
        </Group>
      )}
    </chakra.div>
  );
}

function PhraseLine({ figure }: { figure: Figure }) {
  if (figure.beats === null) return <p>No set timing: it cannot be counted into phrases.</p>;
  const fit = fitPhrase(figure.beats, ticks(figure.dance.phrase * TICKS_PER_BEAT));
  return (
    <p>
      {printBeats(figure.beats)} beats over phrases of {figure.dance.phrase}:{' '}
      {fit.repeats === 1
        ? 'fits each time'
        : `meets the phrase after ${fit.repeats} times, ${printBeats(fit.beats)} beats`}
    </p>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <chakra.section display="grid" gap="1.5" alignContent="start">
      <chakra.h3 fontSize="md" borderBottom="1px solid" borderColor="line" pb="1">
        {title}
      </chakra.h3>
      {children}
    </chakra.section>
  );
}
