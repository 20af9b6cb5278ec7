import { chakra } from '@chakra-ui/react';
import { judgePlan, type PlanVersion } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Label, Select } from '../../../ui/parts.tsx';
import { versionsQuery } from '../../course/course-queries.ts';
import { placedOf, useCoursePast, useCourseView } from '../../course/course-view.ts';
import { differences } from './differences.ts';
import { type MapMoves, moveInWords } from './use-moves.ts';
import { points } from './words.ts';

const NOW = 'now';

/** The versions that were published or kept by a name; any two are compared, and one can be gone back to. */
export function Versions({ moves }: { moves: MapMoves | undefined }) {
  const { answer } = useCourseView();
  const { version } = useCoursePast();
  const [isOpen, open] = useState(false);
  const { data } = useQuery({ ...versionsQuery(answer.course.id, version), enabled: isOpen });
  return (
    <Disclosure title="Versions of the plan" size="title" onToggle={open}>
      {data &&
        (data.versions.length === 0 ? (
          <Label>Nothing has been published or kept yet.</Label>
        ) : (
          <Compared versions={data.versions} moves={moves} />
        ))}
    </Disclosure>
  );
}

function Compared({ versions, moves }: { versions: readonly PlanVersion[]; moves: MapMoves | undefined }) {
  const { saved, draft, library } = useCourseView();
  const [from, setFrom] = useState('0');
  const [to, setTo] = useState(NOW);
  const placingOf = (key: string) => (key === NOW ? saved : placedOf(versions[Number(key)] ?? null));
  const [one, other] = [placingOf(from), placingOf(to)];
  const steps = Object.entries(differences(one, other));
  const { problem } = draft;
  const cost = (placed: typeof one) => (problem ? points(judgePlan(problem, placed).cost.total) : '');
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const chosen = versions[Number(from)];
  const choices = [
    ...versions.map((version, index) => ({
      key: String(index),
      words: `${version.name}, ${format(new Date(version.at), 'd MMM')}${version.published ? '' : ', kept'}`,
    })),
    { key: NOW, words: 'The plan as it is now' },
  ];
  return (
    <chakra.div display="grid" gap="2" mt="1" fontSize="sm">
      {(
        [
          ['From', from, setFrom],
          ['To', to, setTo],
        ] as const
      ).map(([word, value, set]) => (
        <chakra.label key={word} display="grid">
          <Label>
            {word}, {cost(placingOf(value))} points
          </Label>
          <Select value={value} onChange={event => set(event.target.value)}>
            {choices.map(({ key, words }) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </Select>
        </chakra.label>
      ))}
      {chosen?.note && <p>“{chosen.note}”</p>}
      {steps.length === 0 ? (
        <p>They are the same.</p>
      ) : (
        <chakra.ul listStyleType="none" p="0" maxH="14rem" overflowY="auto">
          {steps.map(([id, lesson]) => (
            <li key={id}>
              {moveInWords(nameOf(id), lesson)}{' '}
              <Label>{one[id] === undefined ? 'was left out' : `was in ${one[id]}`}</Label>
            </li>
          ))}
        </chakra.ul>
      )}
      {moves && from !== NOW && Object.keys(differences(saved, one)).length > 0 && (
        <Button
          size="small"
          justifySelf="start"
          onClick={() =>
            moves.move(known(differences(saved, one), problem), `Back to ${chosen?.name ?? 'a version'}`)
          }
        >
          Go back to {chosen?.name}
        </Button>
      )}
    </chakra.div>
  );
}

/** A version may name figures that the course no longer has. */
function known(
  moves: ReturnType<typeof differences>,
  problem: ReturnType<typeof useCourseView>['draft']['problem'],
): ReturnType<typeof differences> {
  return Object.fromEntries(
    Object.entries(moves).filter(([id]) => problem?.items.some(item => item.id === id)),
  );
}
