import { chakra } from '@chakra-ui/react';
import { CAUTIONS, type PatternKind } from '@map-step/core';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Field, Label, Select } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { KIND_WORDS } from './kind-words.ts';
import type { LibraryList, LibraryOrder, LibraryWish } from './use-library-list.ts';

/** Words as one types, what it must be, and the order. */
export function LibraryFilter({ list, count }: { list: LibraryList; count: number }) {
  const { library, answer, lesson } = useCourseView();
  const { wish, wishFor, order, orderBy, figures } = list;
  const dances = answer.course.dances.flatMap(id => library.dances.get(id) ?? []);
  const levels = [...library.levels.values()].filter(({ dance }) => answer.course.dances.includes(dance));
  const holds = dances.flatMap(dance => dance.holds.map(({ id, name }) => [id, name] as const));
  const put = (key: keyof LibraryWish, value: unknown) => {
    const { [key]: _, ...rest } = wish;
    wishFor(value === undefined ? rest : { ...rest, [key]: value });
  };
  const narrowed = Object.keys(wish).filter(key => key !== 'words').length;
  return (
    <chakra.div mb="2" display="grid" gap="1">
      <chakra.label display="block">
        <Label>Find a figure by any of its names</Label>
        <Field
          type="search"
          value={wish.words ?? ''}
          onChange={event => put('words', event.target.value || undefined)}
        />
      </chakra.label>
      <Disclosure
        title={
          <>
            {narrowed === 0 ? 'Only some, in another order' : `Only some: ${narrowed} chosen`}{' '}
            <Label>
              {figures.length} of {count}
            </Label>
          </>
        }
        size="small"
      >
        <Choice
          word="Order"
          value={order}
          options={[
            ['kind', 'by kind'],
            ['name', 'by name'],
            ['difficulty', 'from easy to hard'],
            ['novelty', `by what is new after lesson ${lesson}`],
          ]}
          choose={value => orderBy((value ?? 'kind') as LibraryOrder)}
        />
        {dances.length > 1 && (
          <Choice
            word="Dance"
            value={wish.dance}
            options={dances.map(({ id, name }) => [id, name])}
            choose={value => put('dance', value)}
            any="any dance"
          />
        )}
        <Choice
          word="Kind"
          value={wish.kinds?.[0]}
          options={Object.entries(KIND_WORDS).map(([kind, { many }]) => [kind, many])}
          choose={value => put('kinds', value && [value as PatternKind])}
          any="any kind"
        />
        <Choice
          word="Level"
          value={wish.level}
          options={levels.map(({ id, name }) => [id, name])}
          choose={value => put('level', value)}
          any="any level"
        />
        <Choice
          word="Taught"
          value={wish.taught}
          options={[
            ['before', `before lesson ${lesson}`],
            ['here', `in lesson ${lesson}`],
            ['later', `after lesson ${lesson}`],
            ['out', 'not in this course'],
          ]}
          choose={value => put('taught', value)}
          any="whenever"
        />
        <Choice
          word="Hold"
          value={wish.hold}
          options={holds}
          choose={value => put('hold', value)}
          any="any hold"
        />
        <Choice
          word="Caution"
          value={wish.caution}
          options={Object.keys(CAUTIONS).map(code => [code, code])}
          choose={value => put('caution', value)}
          any="with or without"
        />
        <Choice
          word="Faults"
          value={wish.hasFaults === undefined ? undefined : String(wish.hasFaults)}
          options={[
            ['true', 'to be mended'],
            ['false', 'sound'],
          ]}
          choose={value => put('hasFaults', value && value === 'true')}
          any="sound or not"
        />
      </Disclosure>
    </chakra.div>
  );
}

interface ChoiceProps {
  readonly word: string;
  readonly value: string | undefined;
  readonly options: readonly (readonly [string, string])[];
  choose(value: string | undefined): void;
  /** The words of no choice; left out where there is always one. */
  readonly any?: string;
}

function Choice({ word, value, options, choose, any }: ChoiceProps) {
  return (
    <chakra.label display="grid" gridTemplateColumns="4rem 1fr" alignItems="center" mb="1">
      <Label>{word}</Label>
      <Select
        value={value ?? ''}
        minHeight="2rem"
        fontSize="sm"
        px="2"
        onChange={event => choose(event.target.value || undefined)}
      >
        {any !== undefined && <option value="">{any}</option>}
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
    </chakra.label>
  );
}
