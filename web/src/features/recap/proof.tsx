import { chakra } from '@chakra-ui/react';
import { eveningByLog, proofread, type Slip } from '@map-step/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Group } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';

/** What the text says and the figures, or the log, do not. */
export function Proof({ text }: { text: string }) {
  const slips = useSlips(text, true);
  return (
    <Group
      title={slips.length === 0 ? 'Read through: it agrees with the figures' : `To look at: ${slips.length}`}
    >
      <Slips slips={slips} />
      <Disclosure size="small" title="Proof-read another text">
        <Pasted />
      </Disclosure>
    </Group>
  );
}

function Pasted() {
  const [text, setText] = useState('');
  const slips = useSlips(text, false);
  return (
    <chakra.div display="grid" gap="2">
      <LongTextField
        label="Any text about these dances, spoken words written down too"
        rows={5}
        value={text}
        onChange={event => setText(event.target.value)}
      />
      {text.trim() !== '' && slips.length === 0 && <Label>It agrees with the figures.</Label>}
      <Slips slips={slips} />
    </chakra.div>
  );
}

function Slips({ slips }: { slips: readonly Slip[] }) {
  if (slips.length === 0) return null;
  return (
    <chakra.ul listStyleType="none" p="0" display="grid" gap="1.5">
      {slips.map(({ from, kind, said, meant }) => (
        <li key={`${from} ${kind}`}>
          <chakra.mark bg="stopTint" color="ink">
            {said}
          </chakra.mark>{' '}
          <Label>{kind}: </Label>
          {meant}
        </li>
      ))}
    </chakra.ul>
  );
}

function useSlips(typed: string, isRecap: boolean): readonly Slip[] {
  const { library, studio, answer } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const text = useDeferredValue(typed);
  return useMemo(
    () =>
      proofread(text, {
        ...{ library, studio: studio.studio, dances: answer.course.dances },
        ...(isRecap && {
          lesson,
          of: answer.course.lessons.length,
          ...(section && { told: eveningByLog(section.logs, lesson) }),
        }),
      }),
    [text, library, studio, answer.course, section, lesson, isRecap],
  );
}
