import { chakra } from '@chakra-ui/react';
import { type ChoiceOption, choicePoint, type GivenSequence } from '@map-step/core';
import { useMemo } from 'react';
import { Button, Label } from '../../ui/parts.tsx';
import { Tick } from '../../ui/tick.tsx';
import { useCourse } from '../course/course-context.ts';
import { withChoice } from './items.ts';
import type { Hands } from './use-hands.ts';

interface ChoiceHereProps {
  readonly hands: Hands;
  readonly sequence: GivenSequence;
  readonly at: number;
  readonly among: readonly string[];
}

/** A place where the leader chooses: one of several figures, or none, each danced through to the end. */
export function ChoiceHere({ hands, sequence, at, among }: ChoiceHereProps) {
  const item = hands.danced.steps[at];
  if (!item) return null;
  if ('oneOf' in item) return <Options {...{ hands, sequence, at, among }} chosen={item.oneOf} />;
  return <MakeChoice {...{ hands, sequence, at, among }} own={item.pattern} />;
}

/** It begins with the figure and the first other that meets the music again; there is no choice where none does. */
function MakeChoice({ hands, sequence, at, among, own }: ChoiceHereProps & { own: string }) {
  const { library } = useCourse();
  const other = useMemo(
    () =>
      choicePoint(library, sequence, { at, among }).options.find(
        ({ pattern, goes, meets }) => pattern !== own && goes && meets,
      ),
    [library, sequence, at, among, own],
  );
  if (!other) return null;
  return (
    <Button
      size="small"
      justifySelf="start"
      onClick={() => hands.edit('A choice', steps => withChoice(steps, at, [own, other.pattern]))}
    >
      Let the leader choose here
    </Button>
  );
}

function Options({
  hands,
  sequence,
  at,
  among,
  chosen,
}: ChoiceHereProps & { chosen: readonly (string | null)[] }) {
  const { library } = useCourse();
  const nameOf = (id: string | null) =>
    id === null ? 'Nothing, go on' : (library.patterns.get(id)?.name ?? id);
  const point = useMemo(() => {
    const named = chosen.filter(id => id !== null);
    return choicePoint(library, sequence, { at, among: [...new Set([...named, ...among])] });
  }, [library, sequence, at, among, chosen]);
  const isChosen = (id: string | null) => chosen.includes(id);
  const set = (id: string | null, isOn: boolean) => {
    const next = isOn ? [...chosen, id] : chosen.filter(one => one !== id);
    if (next.some(one => one !== null)) hands.edit('The choice', steps => withChoice(steps, at, next));
  };
  const shown = point.options.filter(({ pattern, goes, meets }) => isChosen(pattern) || (goes && meets));
  return (
    <div>
      <Label>
        The leader may set here
        {point.by &&
          `; the signal has come by the last count of ${nameOf(point.by.pattern)}, ${point.by.count}`}
      </Label>
      <chakra.ul aria-label="The leader may set here" listStyleType="none" p="0" display="grid" gap="1.5">
        {shown.map(option => (
          <li key={option.pattern ?? 'nothing'}>
            <Tick isOn={isChosen(option.pattern)} set={isOn => set(option.pattern, isOn)}>
              {nameOf(option.pattern)} <Told option={option} />
            </Tick>
          </li>
        ))}
      </chakra.ul>
    </div>
  );
}

function Told({ option: { pattern, goes, meets, signals } }: { option: ChoiceOption }) {
  if (!goes) return <chakra.strong color="stop">cannot be danced on here</chakra.strong>;
  if (!meets) return <chakra.strong color="caution">does not meet the music again</chakra.strong>;
  if (pattern === null) return <Label>meets the music</Label>;
  return <Label>{signals[0] ?? 'no signal is written'}</Label>;
}
