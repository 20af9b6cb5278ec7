import { chakra } from '@chakra-ui/react';
import { type DerivedElement, type Element, figureElements, openLibrary } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { EntryRefusal } from './entry-refusal.tsx';
import { danceQuery, framesQuery, useCreateEntry } from './setup-queries.ts';
import { useEntry } from './use-entry.ts';

/** How long each new thing takes to learn; the minutes of figures follow. */
export function ElementMinutes() {
  const { data: frames } = useQuery(framesQuery);
  const [chosen, choose] = useState<string>();
  const dance = frames?.dances.find(({ id }) => id === chosen) ?? frames?.dances[0];
  if (!frames) return <Skeleton />;
  if (!dance) return <Empty title="No dance yet">What is new in its figures is listed here.</Empty>;
  return (
    <chakra.section aria-label="Minutes" display="grid" gap="3" justifyItems="start">
      <Label>
        What a class meets for the first time costs these minutes once, whichever figure brings it. Every plan
        of every dance that has it is judged by them.
      </Label>
      <Choice
        label="What is new in"
        width="14rem"
        value={dance.id}
        among={frames.dances.map(({ id, name }) => ({ value: id, words: name }))}
        set={choose}
      />
      <Elements key={dance.id} dance={dance.id} />
    </chakra.section>
  );
}

function Elements({ dance }: { dance: string }) {
  const { data: material } = useQuery(danceQuery(dance));
  const found = useMemo(() => {
    if (!material) return undefined;
    const library = openLibrary(material);
    const elements = [...library.readings.values()].flatMap(({ figure }) =>
      figureElements(figure, library.elements),
    );
    const unique = new Map(elements.map(element => [element.id, element]));
    const order = (one: DerivedElement) => `${one.strand} ${one.name}`;
    return [...unique.values()].sort((a, b) => order(a).localeCompare(order(b)));
  }, [material]);
  if (!found || !material) return <Skeleton />;
  const own = new Map(material.elements.map(element => [element.id, element]));
  return (
    <GridTable look="fields" heads={['What is new', 'Kind', 'Minutes', '']}>
      {found.map(element => (
        <ElementRow key={element.id} element={element} own={own.get(element.id)} />
      ))}
    </GridTable>
  );
}

function ElementRow({ element, own }: { element: DerivedElement; own: Element | undefined }) {
  const { id, name, strand, minutes } = element;
  const create = useCreateEntry('elements');
  const { data, commands, key } = useEntry('elements', id, own !== undefined);
  const save = (next: number | undefined) => {
    if (next === undefined) return;
    if (own) commands.edit(`Minutes of ${name}`, now => ({ ...now, minutes: next }));
    else create.mutate({ id, name, strand, minutes: next });
  };
  return (
    <TableRow>
      <TableCell>{name}</TableCell>
      <TableCell>{strand}</TableCell>
      <TableCell>
        <NumberField label={`Minutes of ${name}`} value={data?.body.minutes ?? minutes / 10} save={save} />
      </TableCell>
      <TableCell>
        {own && <Label>your own</Label>}
        {create.isError && <Failure error={create.error} />}
        <EntryRefusal of={key} commands={commands} />
      </TableCell>
    </TableRow>
  );
}
