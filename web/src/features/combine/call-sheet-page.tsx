import { chakra } from '@chakra-ui/react';
import {
  type CallLine,
  type Combination,
  callSheet,
  middleTempo,
  midiSong,
  type Studio,
  standOf,
  walkSequence,
  writeMidiFile,
} from '@map-step/core';
import { useState } from 'react';
import { useParams } from 'react-router';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { saveFile } from '../../ui/save-file.ts';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { useCourse } from '../course/course-context.ts';
import { wholeInWords } from './sequence-words.ts';
import { useKeptHands } from './use-hands.ts';

type Counting = NonNullable<Studio['counting']>;

const COUNTINGS: Readonly<Record<Counting, string>> = {
  numbers: 'numbers',
  numbered: 'numbered, which of several it is',
  'slow-quick': 'slow and quick',
  words: 'words of the steps',
  call: 'calls of the house',
};

/** A combination to be called from: a line for each phrase, each figure's name before it comes. */
export function CallSheetPage() {
  const { combination } = useParams();
  const { data, error } = useKeptHands(combination);
  if (error) return <Failure error={error} />;
  if (!data) return <Skeleton />;
  return <CallSheet combination={data.body} />;
}

function CallSheet({ combination }: { combination: Combination }) {
  const { library, studio, answer } = useCourse();
  const [counting, count] = useState<Counting>(studio.studio.counting ?? 'numbers');
  const dance = library.dances.get(combination.dance);
  if (!dance) return <Empty title="No such dance">Its dance is not among those of this course.</Empty>;
  const { start, steps, end, name, lesson } = combination;
  const walk = walkSequence(library, { dance, start: standOf(start), steps, end });
  const lines = callSheet(library, walk, { dance, counting, steps });
  const hold = dance.holds.find(({ id }) => id === start.hold)?.name;
  return (
    <chakra.article maxW="52rem">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap" className="no-print" mb="3">
        <Choice label="Called in" width="18rem" value={counting} among={optionsOf(COUNTINGS)} set={count} />
        <Button look="next" onClick={() => window.print()}>
          Print
        </Button>
        <SoundFile combination={combination} />
      </chakra.div>
      <chakra.h2 fontSize="2xl">{name}</chakra.h2>
      <p>
        {[answer.course.name, lesson && `lesson ${lesson}`, hold && `begins in ${hold}`]
          .filter(Boolean)
          .join(' · ')}
      </p>
      <p>{wholeInWords(walk, combination, dance)}</p>
      {walk.faults.map(({ message }) => (
        <chakra.p key={message} color="stop" fontWeight="600">
          {message}.
        </chakra.p>
      ))}
      <chakra.div mt="3">
        <GridTable look="ruled" heads={['', 'Call']}>
          {lines.map(line => (
            <Line key={line.phrase} line={line} combination={combination} />
          ))}
        </GridTable>
      </chakra.div>
    </chakra.article>
  );
}

/** Clicks and steps to dance by, at a tempo, for whatever plays such files. */
function SoundFile({ combination }: { combination: Combination }) {
  const { library } = useCourse();
  const dance = library.dances.get(combination.dance);
  const [tempo, setTempo] = useState(dance ? middleTempo(dance) : 0);
  if (!dance) return null;
  const { id, name, start, steps, end } = combination;
  const save = () => {
    const walk = walkSequence(library, { dance, start: standOf(start), steps, end });
    const bytes = writeMidiFile(midiSong(library, walk, { title: name, tempo, dance }));
    saveFile(`${id}.mid`, bytes, 'audio/midi');
  };
  return (
    <chakra.span display="inline-flex" gap="2" alignItems="center">
      <NumberField
        label="Beats a minute"
        value={tempo}
        min={20}
        max={400}
        save={value => value && setTempo(value)}
      />
      <Label>beats a minute</Label>
      <Button onClick={save}>Save clicks and steps (MIDI)</Button>
    </chakra.span>
  );
}

function Line({ line: { phrase, figures }, combination }: { line: CallLine; combination: Combination }) {
  return (
    <TableRow>
      <TableCell fontFamily="title" fontSize="xl">
        {phrase}
      </TableCell>
      <TableCell>
        <chakra.div display="flex" flexWrap="wrap" columnGap="6" rowGap="2">
          {figures.map(({ name, call, next, item, or }, index) => {
            const step = combination.steps[item];
            return (
              <div key={`${name} ${index + 1}`}>
                <chakra.strong fontSize="md">{name}</chakra.strong>
                <chakra.div fontSize="lg" fontVariantNumeric="tabular-nums">
                  {call}
                </chakra.div>
                {or.length > 0 && <Label display="block">or {or.join(', or ')}</Label>}
                {next && <Label>then {next}</Label>}
                {step && 'note' in step && step.note && <chakra.div fontSize="sm">{step.note}</chakra.div>}
              </div>
            );
          })}
        </chakra.div>
      </TableCell>
    </TableRow>
  );
}
