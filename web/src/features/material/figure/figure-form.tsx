import { chakra } from '@chakra-ui/react';
import type { Json, Pattern } from '@map-step/core';
import { useState } from 'react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Field, Label, Select } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { ClashChoice } from '../../history/clash-choice.tsx';
import { HistoryList } from '../../history/history-list.tsx';
import {
  ALIASES,
  ALIGN,
  CALL,
  figureNames,
  MADE,
  RANK,
  TEMPO,
  TURN,
  VARIANT,
  withFields,
} from './figure-fields.ts';
import { Group } from './figure-meaning.tsx';
import { changedFields, type FigureEditing } from './use-figure-draft.ts';

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'Name',
  level: 'Level',
  needs: 'Needs first',
  lookalikes: 'Looks like',
  rhythm: 'Rhythm',
  beats: 'Beats',
  parts: 'Steps',
  holds: 'Changes of hold',
  entry: 'Starts in',
  exit: 'Ends in',
  marks: 'Notes',
  aliases: 'Other names',
  variantOf: 'Variant of',
  variantWhy: 'Why a variant',
  rank: 'Rank',
  made: 'Made of',
  call: 'Call',
  turn: 'Turn',
  align: 'Start on the line',
  tempo: 'Tempo',
  cuts: 'Cuts',
};

/** What the house calls a figure and where it stands, with who changed what; the director and teachers change it. */
export function FigureForm({ editing }: { editing: FigureEditing }) {
  const { library } = useCourseView();
  const [isOpen, open] = useState(false);
  const { pattern, mayWrite } = editing;
  const nameOf = (figure: string) => library.patterns.get(figure)?.name ?? figure;
  const wordsOf = (value: Json): string => {
    if (Array.isArray(value)) return value.map(wordsOf).join(', ') || 'none';
    if (typeof value === 'string') return library.levels.get(value)?.name ?? nameOf(value);
    return value === null ? 'none' : Object.values(value).map(String).join(' / ');
  };
  return (
    <Group title="Name and place">
      <ClashChoice
        clashes={editing.clashes}
        nameOf={field => FIELD_WORDS[field] ?? field}
        wordsOf={wordsOf}
        settle={editing.settle}
      />
      {isOpen ? (
        <Form
          figure={pattern}
          save={(what, next) => {
            editing.change(what, next);
            open(false);
          }}
          close={() => open(false)}
        />
      ) : (
        <>
          <p>
            {pattern.name}
            {pattern.level ? `, ${wordsOf(pattern.level)}` : ''}
          </p>
          {(pattern.needs ?? []).length > 0 && <p>Needs {wordsOf(pattern.needs ?? [])}</p>}
          {(pattern.made ?? []).length > 0 && (
            <p>
              Made of{' '}
              {pattern.made
                ?.map(({ pattern: id, times }) => `${nameOf(id)}${times ? ` ${times} times` : ''}`)
                .join(', then ')}
            </p>
          )}
          {(pattern.lookalikes ?? []).length > 0 && <p>Looks like {wordsOf(pattern.lookalikes ?? [])}</p>}
          {mayWrite && (
            <Button size="small" justifySelf="start" onClick={() => open(true)}>
              Change name and place
            </Button>
          )}
        </>
      )}
      {!editing.isNew && (
        <Disclosure title="Changes of this figure">
          <HistoryList history={editing.history} takeBack={mayWrite ? editing.takeBack : undefined} />
        </Disclosure>
      )}
    </Group>
  );
}

interface FormProps {
  readonly figure: Pattern;
  save(what: string, next: Pattern): void;
  close(): void;
}

function Form({ figure, save, close }: FormProps) {
  const { library } = useCourseView();
  const others = [...library.patterns.values()].filter(({ id }) => id !== figure.id);
  const [unread, setUnread] = useState<string>();
  const names = figureNames(others);
  const isOnLine = library.dances.get(figure.dance)?.floor === 'line';
  const fields = [ALIASES, VARIANT, RANK, MADE, CALL, TURN, ...(isOnLine ? [ALIGN] : []), TEMPO];
  const submit = (data: FormData) => {
    const { level: _level, needs: _needs, lookalikes: _lookalikes, ...rest } = figure;
    const level = String(data.get('level'));
    const [needs, lookalikes] = [data.getAll('needs').map(String), data.getAll('lookalikes').map(String)];
    const next: Pattern = {
      ...rest,
      name: String(data.get('name')).trim(),
      ...(level && { level }),
      ...(needs.length > 0 && { needs }),
      ...(lookalikes.length > 0 && { lookalikes }),
    };
    const whole = withFields(next, fields, names, ({ key }) => String(data.get(key) ?? ''));
    if ('unread' in whole) {
      setUnread(whole.unread);
      return;
    }
    const changed = Object.keys(changedFields(figure, whole.pattern));
    if (changed.length === 0) close();
    else save(`${changed.map(wordOf).join(', ')} of ${figure.name}`, whole.pattern);
  };
  return (
    <chakra.form action={submit} display="grid" gap="2">
      <chakra.label display="grid">
        <Label>Name</Label>
        <Field name="name" defaultValue={figure.name} required maxLength={200} autoFocus />
      </chakra.label>
      <chakra.label display="grid">
        <Label>Level</Label>
        <Select name="level" defaultValue={figure.level ?? ''}>
          <option value="">No level</option>
          {[...library.levels.values()]
            .filter(({ dance }) => dance === figure.dance)
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </Select>
      </chakra.label>
      {(['needs', 'lookalikes'] as const).map(field => (
        <chakra.label key={field} display="grid">
          <Label>{FIELD_WORDS[field]} (several with Ctrl)</Label>
          <Select name={field} multiple htmlSize={4} defaultValue={[...(figure[field] ?? [])]} height="auto">
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </chakra.label>
      ))}
      {fields.map(field => (
        <chakra.label key={field.key} display="grid">
          <Label>{field.word}</Label>
          <Field
            name={field.key}
            defaultValue={field.print(figure, names)}
            aria-invalid={unread === field.word}
          />
        </chakra.label>
      ))}
      {unread && (
        <chakra.p role="alert" color="stop" fontWeight="600">
          This is not understood: {unread}
        </chakra.p>
      )}
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next">
          Save
        </Button>
        <Button onClick={close}>Leave as it was</Button>
      </chakra.div>
    </chakra.form>
  );
}

function wordOf(field: string): string {
  return FIELD_WORDS[field] ?? field;
}
