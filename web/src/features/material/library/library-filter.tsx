import { chakra } from '@chakra-ui/react';
import { CAUTIONS } from '@map-step/core';
import { Choice } from '../../../ui/choice.tsx';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Label } from '../../../ui/parts.tsx';
import { TextField } from '../../../ui/text-field.tsx';
import { useCourse, usePlace } from '../../course/course-context.ts';
import { KIND_WORDS } from './kind-words.ts';
import type { LibraryList, LibraryWish } from './use-library-list.ts';

/** Words as one types, what it must be, and the order. */
export function LibraryFilter({ list, count }: { list: LibraryList; count: number }) {
  const { wish, wishFor, figures } = list;
  const put = (key: keyof LibraryWish, value: unknown) => {
    const { [key]: _, ...rest } = wish;
    wishFor(value === undefined ? rest : { ...rest, [key]: value });
  };
  const narrowed = Object.keys(wish).filter(key => key !== 'words').length;
  return (
    <chakra.div mb="2" display="grid" gap="1">
      <TextField
        label="Find a figure by any of its names"
        type="search"
        value={wish.words ?? ''}
        onChange={event => put('words', event.target.value || undefined)}
      />
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
        <Wishes list={list} put={put} />
      </Disclosure>
    </chakra.div>
  );
}

interface WishesProps {
  readonly list: LibraryList;
  put(key: keyof LibraryWish, value: unknown): void;
}

/** What a figure must be, and the order. */
function Wishes({ list, put }: WishesProps) {
  const { library, answer } = useCourse();
  const { lesson } = usePlace();
  const { wish } = list;
  const dances = answer.course.dances.flatMap(id => library.dances.get(id) ?? []);
  const levels = [...library.levels.values()].filter(({ dance }) => answer.course.dances.includes(dance));
  const holds = dances.flatMap(dance => dance.holds.map(({ id, name }) => [id, name] as const));
  return (
    <>
      <Order list={list} />
      {dances.length > 1 && (
        <Wish
          word="Dance"
          value={wish.dance}
          options={dances.map(({ id, name }) => [id, name])}
          choose={value => put('dance', value)}
          any="any dance"
        />
      )}
      <Wish
        word="Kind"
        value={wish.kinds?.[0]}
        options={Object.entries(KIND_WORDS).map(([kind, { many }]) => [kind, many])}
        choose={value => put('kinds', value && [value])}
        any="any kind"
      />
      <Wish
        word="Level"
        value={wish.level}
        options={levels.map(({ id, name }) => [id, name])}
        choose={value => put('level', value)}
        any="any level"
      />
      <Wish
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
      <Wish
        word="Hold"
        value={wish.hold}
        options={holds}
        choose={value => put('hold', value)}
        any="any hold"
      />
      <Wish
        word="Caution"
        value={wish.caution}
        options={Object.keys(CAUTIONS).map(code => [code, code])}
        choose={value => put('caution', value)}
        any="with or without"
      />
      <Wish
        word="Faults"
        value={wish.hasFaults === undefined ? undefined : String(wish.hasFaults)}
        options={[
          ['true', 'to be mended'],
          ['false', 'sound'],
        ]}
        choose={value => put('hasFaults', value && value === 'true')}
        any="sound or not"
      />
    </>
  );
}

function Order({ list: { order, orderBy } }: { list: LibraryList }) {
  const { lesson } = usePlace();
  return (
    <Choice
      label="Order"
      size="small"
      layout="beside"
      value={order}
      among={[
        { value: 'kind', words: 'by kind' },
        { value: 'name', words: 'by name' },
        { value: 'difficulty', words: 'from easy to hard' },
        { value: 'novelty', words: `by what is new after lesson ${lesson}` },
      ]}
      set={orderBy}
    />
  );
}

interface WishProps {
  readonly word: string;
  readonly value: string | undefined;
  readonly options: readonly (readonly [string, string])[];
  choose(value: string | undefined): void;
  /** The words of no choice. */
  readonly any: string;
}

const ANY = '-';

function Wish({ word, value, options, choose, any }: WishProps) {
  const among = [[ANY, any] as const, ...options].map(([id, name]) => ({ value: id, words: name }));
  return (
    <Choice
      label={word}
      size="small"
      layout="beside"
      value={value ?? ANY}
      among={among}
      set={chosen => choose(chosen === ANY ? undefined : chosen)}
    />
  );
}
