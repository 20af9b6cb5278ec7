import { chakra } from '@chakra-ui/react';
import {
  type FittingFigure,
  fitsBefore,
  fitsInPlace,
  type GivenSequence,
  usableFigures,
  type WalkFault,
  type WalkRow,
} from '@map-step/core';
import { useDeferredValue, useMemo } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Group } from '../../ui/group.tsx';
import { Button, FigureChip, Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { useOneStop } from '../../ui/use-one-stop.ts';
import { useCourse } from '../course/course-context.ts';
import { ChoiceHere } from './choice-here.tsx';
import { AttendTo, FromHere, Signals, StillAnother } from './figure-told.tsx';
import { FindAnew } from './find-anew.tsx';
import { movedBy, withFigure, withInserted, withLast, withNote, without, withTimes } from './items.ts';
import { RowInWords } from './phrase-board.tsx';
import { longerInWords } from './sequence-words.ts';
import type { Hands } from './use-hands.ts';
import type { KeptFigures } from './use-kept-figures.ts';

interface FigureOptionsProps {
  readonly hands: Hands;
  readonly sequence: GivenSequence;
  readonly row: WalkRow;
  /** The figure that is danced before it. */
  readonly before: string | undefined;
  readonly fault: WalkFault | undefined;
  readonly kept: KeptFigures;
  /** Figures that may be danced, the class's first. */
  readonly among: readonly string[];
}

/** What can be done with one figure of a sequence: what else fits there, how often, before what, with which note. */
export function FigureOptions({ hands, sequence, row, before, fault, kept, among }: FigureOptionsProps) {
  const { library } = useCourse();
  const name = library.patterns.get(row.pattern)?.name ?? row.pattern;
  const { item: at } = row;
  return (
    <Group title={name}>
      <RowInWords row={row} dance={sequence.dance} />
      <Signals pattern={row.pattern} />
      {fault && <Mends {...{ hands, sequence, fault, at, among }} />}
      {hands.mayWrite && (
        <>
          <Often hands={hands} at={at} among={among} />
          <ChoiceHere {...{ hands, sequence, at, among }} />
          <InPlace {...{ hands, sequence, at, among }} />
          <FindAnew {...{ hands, sequence, at, kept, among }} />
          <NoteHere hands={hands} at={at} />
        </>
      )}
      <StillAnother pattern={row.pattern} among={among} />
      <FromHere {...{ sequence, at, among }} />
      <AttendTo sequence={sequence} pattern={row.pattern} before={before} />
    </Group>
  );
}

interface ChangeProps {
  readonly hands: Hands;
  readonly sequence: GivenSequence;
  readonly at: number;
  readonly among: readonly string[];
}

/** The shortest figures that lead from where the couple is to what fails. */
function Mends({ hands, sequence, fault, at, among }: ChangeProps & { fault: WalkFault }) {
  const { library } = useCourse();
  const all = useMemo(
    () => [...new Set([...among, ...usableFigures(library, sequence.dance.id).map(({ id }) => id)])],
    [library, sequence.dance.id, among],
  );
  const found = useMemo(
    () => fitsBefore(library, sequence, { at, among: all }),
    [library, sequence, at, all],
  );
  const shortest = [...found].sort((a, b) => a.longer - b.longer).slice(0, 3);
  return (
    <div>
      <chakra.p color="stop" fontWeight="600">
        {fault.message}.
      </chakra.p>
      {shortest.length === 0 && (
        <Label>No single figure mends it; take it out, or swap the one before.</Label>
      )}
      {hands.mayWrite &&
        shortest.map(({ pattern, longer }) => {
          const name = library.patterns.get(pattern)?.name ?? pattern;
          return (
            <Button
              key={pattern}
              size="small"
              onClick={() => hands.edit(`${name} set in`, steps => withInserted(steps, at, pattern))}
            >
              Set {name} before it, {longerInWords(longer, true)}
            </Button>
          );
        })}
    </div>
  );
}

function InPlace({ hands, sequence, at, among }: ChangeProps) {
  const { library } = useCourse();
  // The board answers a key at once; what fits follows.
  const asked = useDeferredValue(sequence);
  const [here, before] = useMemo(
    () => [fitsInPlace(library, asked, { at, among }), fitsBefore(library, asked, { at, among })],
    [library, asked, at, among],
  );
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  return (
    <>
      <Label>Fits in its place</Label>
      {here.length === 0 && <p>Nothing else that this class has had.</p>}
      <Fits
        fits={here}
        take={id => hands.edit(`${nameOf(id)} instead`, steps => withFigure(steps, at, id))}
        label="Fits in its place"
      />
      <Disclosure size="small" title={`Set one before it: ${before.length}`} isLazy>
        <Fits
          fits={before}
          take={id => hands.edit(`${nameOf(id)} set in`, steps => withInserted(steps, at, id))}
          label="Set one before it"
        />
      </Disclosure>
    </>
  );
}

function Fits({
  fits,
  take,
  label,
}: {
  fits: readonly FittingFigure[];
  take(id: string): void;
  label: string;
}) {
  const { library } = useCourse();
  const { list, tabIndexOf } = useOneStop(fits.map(({ pattern }) => pattern));
  return (
    <chakra.ul
      {...list}
      aria-label={label}
      listStyleType="none"
      p="0"
      display="grid"
      gap="1"
      maxH="14rem"
      overflowY="auto"
    >
      {fits.map(({ pattern, longer, closes }) => {
        const { name = pattern, kind } = library.patterns.get(pattern) ?? {};
        return (
          <li key={pattern}>
            <FigureChip
              strand={kind}
              state={closes && longer === 0 ? 'chosen' : 'calm'}
              cursor="pointer"
              data-stop={pattern}
              tabIndex={tabIndexOf(pattern)}
              onClick={() => take(pattern)}
            >
              {name} <Label>{longerInWords(longer, closes)}</Label>
            </FigureChip>
          </li>
        );
      })}
    </chakra.ul>
  );
}

/** How often in a row, the last time as another, and where among the others. */
function Often({ hands, at, among }: Pick<ChangeProps, 'hands' | 'at' | 'among'>) {
  const { library } = useCourse();
  const item = hands.danced.steps[at];
  if (!item || 'oneOf' in item) return null;
  const { pattern, times = 1, last } = item;
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const name = nameOf(pattern);
  return (
    <chakra.div display="flex" gap="1.5" flexWrap="wrap" alignItems="center">
      <Button
        size="small"
        aria-label="Once less"
        disabled={times < 2}
        onClick={() => hands.edit(`${name} once less`, steps => withTimes(steps, at, times - 1))}
      >
        −
      </Button>
      <strong>{times === 1 ? 'once' : `${times} times`}</strong>
      <Button
        size="small"
        aria-label="Once more"
        onClick={() => hands.edit(`${name} once more`, steps => withTimes(steps, at, times + 1))}
      >
        +
      </Button>
      <Button
        size="small"
        aria-label="Move earlier"
        disabled={at === 0}
        onClick={() => hands.edit(`${name} earlier`, steps => movedBy(steps, at, -1))}
      >
        ←
      </Button>
      <Button
        size="small"
        aria-label="Move later"
        disabled={at === hands.danced.steps.length - 1}
        onClick={() => hands.edit(`${name} later`, steps => movedBy(steps, at, 1))}
      >
        →
      </Button>
      <Button size="small" onClick={() => hands.edit(`${name} taken out`, steps => without(steps, at))}>
        Take it out
      </Button>
      {times > 1 && (
        <Choice
          label="The last one"
          layout="beside"
          size="small"
          value={last ?? pattern}
          among={[pattern, ...among.filter(id => id !== pattern)].map(id => ({
            value: id,
            words: id === pattern ? 'like the others' : nameOf(id),
          }))}
          set={id =>
            hands.edit('The last one changed', steps => withLast(steps, at, id === pattern ? undefined : id))
          }
        />
      )}
    </chakra.div>
  );
}

function NoteHere({ hands, at }: Pick<ChangeProps, 'hands' | 'at'>) {
  const item = hands.danced.steps[at];
  if (!item || 'oneOf' in item) return null;
  return (
    <SavedText
      key={at}
      label="What to attend to here"
      value={item.note ?? ''}
      save={note => hands.edit('Note', steps => withNote(steps, at, note.trim()))}
    />
  );
}
