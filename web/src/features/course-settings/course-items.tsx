import { chakra } from '@chakra-ui/react';
import {
  type CourseItem,
  changeItem,
  dropItem,
  figureName,
  isOffered,
  type Layer,
  type Placed,
} from '@map-step/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Hint } from '../../ui/hint.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { Pick } from '../../ui/pick.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { Tick } from '../../ui/tick.tsx';
import type { CourseCommands } from '../course/course-commands.ts';
import { useCourse, usePlan } from '../course/course-context.ts';
import { LAYERS, VALUES } from '../course/course-words.ts';

const HEADS = [
  'Figure',
  'Value',
  'Not before lesson',
  'Not after lesson',
  'Pinned to lesson',
  'Gate: checked at the end',
  '',
];

const LIMITS = [
  ['from', 'not before lesson'],
  ['to', 'not after lesson'],
  ['pin', 'pinned to lesson'],
] as const;

/** The figures of the course: how much each is worth, when it may come, whether it is a gate. */
export function CourseItems({ commands }: { commands: CourseCommands }) {
  const { answer } = useCourse();
  const { saved } = usePlan();
  const { items } = answer.course;
  return (
    <chakra.section aria-label="Figures" overflowX="auto">
      <chakra.h3 fontSize="lg" mb="1">
        Figures
      </chakra.h3>
      <GridTable look="fields" heads={HEADS}>
        {items.map(item => (
          <ItemRow key={item.pattern} item={item} saved={saved.placed} commands={commands} />
        ))}
      </GridTable>
      <AddFigure commands={commands} />
    </chakra.section>
  );
}

interface ItemRowProps {
  readonly item: CourseItem;
  readonly saved: Placed;
  readonly commands: CourseCommands;
}

function ItemRow({ item, saved, commands }: ItemRowProps) {
  const { answer, library } = useCourse();
  const id = item.pattern;
  const name = figureName(library, id);
  const put = (more: Parameters<typeof changeItem>[2]) =>
    commands.edit(`Rules of ${name}`, course => changeItem(course, id, more));
  const isPlaced = saved[id] !== undefined;
  return (
    <TableRow>
      <TableCell>{name}</TableCell>
      <TableCell>
        <Choice
          label={`Value of ${name}`}
          hidesLabel
          size="small"
          width="7rem"
          value={item.value}
          among={VALUES}
          set={value => put({ value })}
        />
      </TableCell>
      {LIMITS.map(([field, words]) => (
        <TableCell key={field}>
          <NumberField
            label={`${name} ${words}`}
            value={item[field]}
            min={1}
            max={answer.course.lessons.length}
            save={lesson => put({ [field]: lesson })}
          />
        </TableCell>
      ))}
      <TableCell>
        <Tick
          label={`${name} is a gate`}
          isOn={item.gate === true}
          set={isGate => put({ gate: isGate || undefined })}
        />
        {item.gate && <CheckedOn item={item} name={name} put={layers => put({ layers })} />}
      </TableCell>
      <TableCell>
        <Hint words={isPlaced ? 'Leave it out on the map first' : undefined}>
          <chakra.span>
            <Button
              look="quiet"
              size="small"
              disabled={isPlaced}
              onClick={() => commands.edit(`${name} taken off`, course => dropItem(course, id))}
            >
              Take off
            </Button>
          </chakra.span>
        </Hint>
      </TableCell>
    </TableRow>
  );
}

interface CheckedOnProps {
  readonly item: CourseItem;
  readonly name: string;
  put(layers: CourseItem['layers'] | undefined): void;
}

/** The layers that a check of a gate looks at; none said means all. */
function CheckedOn({ item: { layers = [] }, name, put }: CheckedOnProps) {
  const set = (layer: Layer, isOn: boolean) => {
    const next = LAYERS.map(({ value }) => value).filter(one =>
      one === layer ? isOn : layers.includes(one),
    );
    put(next.length > 0 ? next : undefined);
  };
  return (
    <chakra.fieldset display="flex" gap="2" flexWrap="wrap" border="0" aria-label={`${name} is checked on`}>
      {LAYERS.map(({ value, words }) => (
        <Tick key={value} isOn={layers.includes(value)} set={isOn => set(value, isOn)}>
          {words}
        </Tick>
      ))}
    </chakra.fieldset>
  );
}

function AddFigure({ commands }: { commands: CourseCommands }) {
  const { answer, library } = useCourse();
  const [picked, pick] = useState<readonly string[]>([]);
  const { items, dances } = answer.course;
  const has = new Set(items.map(({ pattern }) => pattern));
  const others = [...library.patterns.values()]
    .filter(one => isOffered(one) && dances.includes(one.dance) && !has.has(one.id))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name }) => ({ value: id, words: name }));
  if (others.length === 0) return <Label>All figures of the dance are in the course.</Label>;
  const add = () => {
    const fresh = picked.map((pattern): CourseItem => ({ pattern, value: 'should' }));
    commands.edit(`${picked.map(id => figureName(library, id)).join(', ')} added`, course => ({
      ...course,
      items: [...course.items, ...fresh],
    }));
    pick([]);
  };
  return (
    <chakra.div display="grid" gap="2" mt="2" maxW="26rem" justifyItems="start">
      <chakra.div width="full">
        <Pick
          label={`More figures of ${dances.length > 1 ? 'these dances' : 'this dance'}`}
          among={others}
          value={picked}
          set={pick}
          many
        />
      </chakra.div>
      <Button disabled={picked.length === 0} onClick={add}>
        {picked.length > 1 ? `Add these ${picked.length} to the course` : 'Add it to the course'}
      </Button>
    </chakra.div>
  );
}
