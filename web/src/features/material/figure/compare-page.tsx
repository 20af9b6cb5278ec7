import { chakra } from '@chakra-ui/react';
import {
  type AlignedPair,
  compareFigures,
  comparisonInWords,
  countOf,
  type Figure,
  type FigurePart,
  figureName,
  otherSchools,
  type PairKind,
  stepCount,
  stepInWords,
  toldBeside,
} from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { Choice } from '../../../ui/choice.tsx';
import { Button, Empty, Label } from '../../../ui/parts.tsx';
import { percent } from '../../../ui/percent.ts';
import { GridTable, TableCell, TableRow } from '../../../ui/table.tsx';
import { nearestInWorker } from '../../../workers/ranker.ts';
import { useCourse } from '../../course/course-context.ts';
import { IntoRecap } from './into-recap.tsx';

/** How many of the likest figures can be chosen from. */
const CHOICES = 100;
/** No figure is called so. */
const NONE = '-';

const KIND_WORDS: Readonly<Record<PairKind | 'only-a' | 'only-b', string>> = {
  same: 'same',
  turn: 'other turn',
  length: 'other length',
  'turn-length': 'other turn and length',
  action: 'other action',
  other: 'another step',
  'only-a': 'only here',
  'only-b': 'not here',
};

/** Figures one under the other: the same pieces banded together, what differs marked by what differs. */
export function ComparePage() {
  const { library } = useCourse();
  const { pattern: id = '', others = '' } = useParams();
  const figure = library.readings.get(id)?.figure;
  const compared = others.split('+').flatMap(other => library.readings.get(other)?.figure ?? []);
  if (!figure) return <Empty title="There is no such figure">Choose one in Material.</Empty>;
  return (
    <chakra.article display="grid" gap="5">
      <Heading figure={figure} compared={compared} />
      {compared.length === 0 && (
        <Empty title="Compare with what?">Choose another figure above; the likest stand first.</Empty>
      )}
      <Schools figure={figure} />
      {compared.map((other, index) => (
        <Comparison key={other.pattern.id} a={figure} b={other} isFirst={index === 0} />
      ))}
    </chakra.article>
  );
}

function Heading({ figure, compared }: { figure: Figure; compared: readonly Figure[] }) {
  const { library, material, materialStamp, answer } = useCourse();
  const navigate = useNavigate();
  const { search } = useLocation();
  const { data: choices = [] } = useQuery({
    queryKey: ['nearest', answer.course.id, figure.pattern, materialStamp, CHOICES],
    queryFn: () => nearestInWorker(material, figure.pattern, CHOICES),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  });
  const among = [
    { value: NONE, words: 'choose a figure' },
    ...choices.map(({ id, novelty }) => ({
      value: id,
      words: `${figureName(library, id)}, ${percent(novelty)} new`,
    })),
  ];
  const home = `/courses/${answer.course.id}/material/${figure.pattern.id}`;
  const choose = (place: number, id: string) => {
    const ids = compared.map(({ pattern }) => pattern.id);
    const next = (id === NONE ? ids.toSpliced(place, 1) : ids.toSpliced(place, 1, id)).join('+');
    void navigate({ pathname: `${home}/with/${next}`, search });
  };
  return (
    <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
      <chakra.h2 fontSize="2xl" mr="3">
        <Link to={{ pathname: home, search }}>{figure.pattern.name}</Link>
      </chakra.h2>
      {[0, 1, 2, 3].slice(0, compared.length + 1).map(place => (
        <Choice
          key={place}
          label={place === 0 ? 'beside' : 'and beside'}
          width="16rem"
          value={compared[place]?.pattern.id ?? NONE}
          among={among}
          set={id => choose(place, id)}
        />
      ))}
    </chakra.div>
  );
}

function Comparison({ a, b, isFirst }: { a: Figure; b: Figure; isFirst: boolean }) {
  const { studio } = useCourse();
  const { novelty, roles, rotated } = compareFigures(a, b);
  const names = { ...studio.studio.roles, solo: 'Steps' };
  const sentence = `${a.pattern.name}: ${comparisonInWords(a, b, studio.studio.roles)}.`;
  return (
    <section aria-label={`Beside ${b.pattern.name}`}>
      <chakra.div display="flex" gap="3" alignItems="baseline" flexWrap="wrap" mb="2">
        <chakra.span fontFamily="title" fontSize="xl" fontWeight="700">
          {percent(novelty)} new
        </chakra.span>
        <span>{sentence}</span>
        <CopyButton text={sentence} />
        <IntoRecap figure={a.pattern.name} sentence={sentence} hasKey={isFirst} />
        {toldBeside(a, b).map(sentence => (
          <chakra.span key={sentence} flexBasis="100%">
            {sentence}
          </chakra.span>
        ))}
        {rotated !== undefined && <Label>It is the same figure begun at its step {rotated + 1}.</Label>}
      </chakra.div>
      <chakra.div display="grid" gap="3" overflowX="auto">
        {a.parts.map(part => {
          const other = b.parts.find(({ role }) => role === part.role);
          const pairs = roles[part.role]?.pairs ?? [];
          return (
            other && (
              <AlignedSteps
                key={part.role}
                word={names[part.role] ?? part.role}
                pairs={pairs}
                a={{ figure: a, part }}
                b={{ figure: b, part: other }}
              />
            )
          );
        })}
      </chakra.div>
    </section>
  );
}

/** The same steps as the house and as other schools count them. */
function Schools({ figure }: { figure: Figure }) {
  const { studio } = useCourse();
  const others = otherSchools(figure);
  const [part] = figure.parts;
  if (!part || others.length === 0) return null;
  const events = part.rhythm.events.map(({ rest }, event) => ({
    event,
    count: countOf(figure, part.rhythm, event),
    step: rest ? undefined : part.steps.find(({ time }) => time?.event === event)?.step,
  }));
  return (
    <section aria-label="Counted by schools">
      <p>
        The same steps, counted another way:{' '}
        {others.map(({ school, labels }) => `${school} says ${labels.join(' ')}`).join('; ')}.
      </p>
      <chakra.div overflowX="auto" mt="2">
        <GridTable look="ruled" heads={['', ...events.map(({ count }) => count)]}>
          {others.map(({ school, labels }) => (
            <TableRow key={school}>
              <TableCell>{school}</TableCell>
              {events.map(({ event }) => (
                <TableCell key={event}>{labels[event]}</TableCell>
              ))}
            </TableRow>
          ))}
          <TableRow>
            <TableCell>
              {{ solo: 'Steps', lead: 'Leader', follow: 'Follower', ...studio.studio.roles }[part.role]}
            </TableCell>
            {events.map(({ event, step }) => (
              <TableCell key={event}>{step ? stepInWords(step) : 'rest'}</TableCell>
            ))}
          </TableRow>
        </GridTable>
      </chakra.div>
    </section>
  );
}

interface Side {
  readonly figure: Figure;
  readonly part: FigurePart;
}

interface AlignedStepsProps {
  readonly word: string;
  readonly pairs: readonly AlignedPair[];
  readonly a: Side;
  readonly b: Side;
}

function AlignedSteps({ word, pairs, a, b }: AlignedStepsProps) {
  return (
    <chakra.table bg="panel" border="1px solid" borderColor="line" borderCollapse="collapse" fontSize="sm">
      <chakra.caption textAlign="left" fontWeight="650" color={a.part.role} pb="1">
        {word}
      </chakra.caption>
      <tbody>
        <tr>
          <RowHead>{a.figure.pattern.name}</RowHead>
          {pairs.map(([i, j, kind]) => (
            <StepAt key={`${i} ${j}`} side={a} index={i} kind={kind} />
          ))}
        </tr>
        <tr>
          <RowHead>What differs</RowHead>
          {pairs.map(([i, j, kind]) => (
            <chakra.td
              key={`${i} ${j}`}
              px="2"
              py="1"
              borderLeft="1px solid"
              borderColor="line"
              bg={kind === 'same' ? 'readyTint' : 'nowTint'}
              fontWeight={kind === 'same' ? '400' : '650'}
            >
              {KIND_WORDS[kind]}
            </chakra.td>
          ))}
        </tr>
        <tr>
          <RowHead>{b.figure.pattern.name}</RowHead>
          {pairs.map(([i, j, kind]) => (
            <StepAt key={`${i} ${j}`} side={b} index={j} kind={kind} />
          ))}
        </tr>
      </tbody>
    </chakra.table>
  );
}

function RowHead({ children }: { children: string }) {
  return (
    <chakra.th scope="row" textAlign="left" px="2" py="1.5" color="quiet" fontWeight="600" width="9rem">
      {children}
    </chakra.th>
  );
}

function StepAt({ side, index, kind }: { side: Side; index: number | null; kind: AlignedPair[2] }) {
  const { figure, part } = side;
  const step = index === null ? undefined : part.steps[index];
  return (
    <chakra.td
      px="2"
      py="1.5"
      minW="6rem"
      verticalAlign="top"
      borderLeft="1px solid"
      borderColor="line"
      bg={kind === 'same' ? 'readyTint' : undefined}
    >
      {step?.step ? (
        <>
          <chakra.span fontFamily="title" fontWeight="700" mr="1.5">
            {stepCount(figure, part, index ?? 0)}
          </chakra.span>
          {stepInWords(step.step)}
        </>
      ) : (
        <Label>–</Label>
      )}
    </chakra.td>
  );
}

function CopyButton({ text }: { text: string }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <Button size="small" onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>
      {isCopied ? 'Copied' : 'Copy this sentence'}
    </Button>
  );
}
