import { chakra } from '@chakra-ui/react';
import {
  aheadDifferences,
  countDifferences,
  differences,
  figureName,
  judgePlan,
  keptPlacing,
  type Moves,
  type Placing,
  type PlanProblem,
  type PlanVersion,
} from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import { Choice } from '../../../ui/choice.tsx';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { useCoursePast } from '../../course/course-commands.ts';
import { type PlanContent, useCourse } from '../../course/course-context.ts';
import { versionsQuery } from '../../course/course-queries.ts';
import { useElementName } from '../../course/use-elements.ts';
import { type MapMoves, moveInWords } from './use-moves.ts';
import { aheadInWords, points } from './words.ts';

const NOW = 'now';

interface VersionsProps {
  readonly plan: PlanContent;
  readonly moves: MapMoves | undefined;
}

/** The versions that were published or kept by a name; any two are compared, and one can be gone back to. */
export function Versions({ plan, moves }: VersionsProps) {
  const { answer } = useCourse();
  const { version } = useCoursePast();
  const [isOpen, open] = useState(false);
  const { data } = useQuery({ ...versionsQuery(answer.course.id, version), enabled: isOpen });
  return (
    <Disclosure title="Versions of the plan" size="title" onToggle={open}>
      {data &&
        (data.versions.length === 0 ? (
          <Label>Nothing has been published or kept yet.</Label>
        ) : (
          <Compared versions={data.versions} plan={plan} moves={moves} />
        ))}
    </Disclosure>
  );
}

interface ComparedProps extends VersionsProps {
  readonly versions: readonly PlanVersion[];
}

function Compared({ versions, plan: { saved, draft }, moves }: ComparedProps) {
  const { library } = useCourse();
  const [from, setFrom] = useState(versions[0]?.at ?? NOW);
  const [to, setTo] = useState(NOW);
  // A newer one may come at any time: the moment at which one was made tells it apart, not its place.
  const versionOf = (key: string) => versions.find(({ at }) => at === key);
  const placingOf = (key: string): Placing => {
    const version = key === NOW ? undefined : versionOf(key);
    return version ? keptPlacing(version) : saved;
  };
  const [one, other] = [placingOf(from), placingOf(to)];
  const steps = Object.entries(differences(one.placed, other.placed));
  const shown = Object.entries(aheadDifferences(one, other));
  const { problem } = draft;
  const cost = ({ placed, ahead }: Placing) =>
    problem ? points(judgePlan(problem, placed, ahead).cost.total) : '';
  const nameOf = (id: string) => figureName(library, id);
  const elementName = useElementName();
  const chosen = versionOf(from);
  const choices = [
    ...versions.map(version => ({
      value: version.at,
      words: `${version.name}, ${format(new Date(version.at), 'd MMM')}${version.published ? '' : ', kept'}`,
    })),
    { value: NOW, words: 'The plan as it is now' },
  ];
  return (
    <chakra.div display="grid" gap="2" mt="1" fontSize="sm">
      {(
        [
          ['From', from, setFrom],
          ['To', to, setTo],
        ] as const
      ).map(([word, value, set]) => (
        <chakra.div key={word}>
          <Choice
            label={`${word}, ${cost(placingOf(value))} points`}
            value={value}
            among={choices}
            set={set}
          />
        </chakra.div>
      ))}
      {chosen?.note && <p>“{chosen.note}”</p>}
      {steps.length + shown.length === 0 ? (
        <p>They are the same.</p>
      ) : (
        <chakra.ul listStyleType="none" p="0" maxH="14rem" overflowY="auto">
          {steps.map(([id, lesson]) => (
            <li key={id}>
              {moveInWords(nameOf(id), lesson)}{' '}
              <Label>{one.placed[id] === undefined ? 'was left out' : `was in ${one.placed[id]}`}</Label>
            </li>
          ))}
          {shown.map(([id, isAhead]) => (
            <li key={`ahead ${id}`}>{aheadInWords(elementName(id), isAhead)}</li>
          ))}
        </chakra.ul>
      )}
      {moves && from !== NOW && countDifferences(saved, one) > 0 && (
        <Button
          size="small"
          justifySelf="start"
          onClick={() =>
            moves.move(
              known(differences(saved.placed, one.placed), problem),
              `Back to ${chosen?.name ?? 'a version'}`,
              aheadDifferences(saved, one),
            )
          }
        >
          Go back to {chosen?.name}
        </Button>
      )}
    </chakra.div>
  );
}

/** A version may name figures that the course no longer has. */
function known(moves: Moves, problem: PlanProblem | undefined): Moves {
  return Object.fromEntries(
    Object.entries(moves).filter(([id]) => problem?.items.some(item => item.id === id)),
  );
}
