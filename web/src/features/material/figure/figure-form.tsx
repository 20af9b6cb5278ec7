import { chakra } from '@chakra-ui/react';
import { applyChanges, changedFields, figureName, type Json, type Pattern, readField } from '@map-step/core';
import { useState } from 'react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Group } from '../../../ui/group.tsx';
import { Button } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { figureFieldInWords } from '../../course/figure-document.ts';
import { ClashChoice } from '../../history/clash-choice.tsx';
import { HistoryList } from '../../history/history-list.tsx';
import { FigureFieldsForm } from './figure-fields-form.tsx';
import { RemoveFigure } from './removed-figure.tsx';
import type { FigureEditing } from './use-figure-draft.ts';

/** What the house calls a figure and where it stands, with who changed what; the director and teachers change it. */
export function FigureForm({ editing }: { editing: FigureEditing }) {
  const { library } = useCourse();
  /** The figure as it stood when the form was opened: only what is changed in it there is sent. */
  const [opened, open] = useState<Pattern>();
  const { pattern, mayWrite } = editing;
  const wordsOf = (value: Json): string => {
    if (Array.isArray(value)) return value.map(wordsOf).join(', ') || 'none';
    if (typeof value === 'string') return library.levels.get(value)?.name ?? figureName(library, value);
    return value === null ? 'none' : Object.values(value).map(String).join(' / ');
  };
  return (
    <Group title="Name and place">
      <ClashChoice
        clashes={editing.clashes}
        first={editing.first}
        nameOf={figureFieldInWords}
        wordsOf={wordsOf}
        settle={editing.settle}
      />
      {opened ? (
        <FigureFieldsForm
          figure={opened}
          dance={editing.reading.figure.dance}
          save={next => {
            put(editing, opened, next);
            open(undefined);
          }}
          close={() => open(undefined)}
        />
      ) : (
        <>
          <NameAndPlace pattern={pattern} wordsOf={wordsOf} />
          {mayWrite && (
            <Button size="small" justifySelf="start" onClick={() => open(pattern)}>
              Change name and place
            </Button>
          )}
        </>
      )}
      {!editing.isNew && <RemoveFigure editing={editing} />}
      {!editing.isNew && (
        <Disclosure title="Changes of this figure">
          <HistoryList history={editing.history} takeBack={mayWrite ? editing.takeBack : undefined} />
        </Disclosure>
      )}
    </Group>
  );
}

/** What was changed in the form, over the figure as it was opened: what others changed meanwhile stays. */
function put(editing: FigureEditing, before: Pattern, after: Pattern): void {
  const changes = changedFields(before, after);
  if (changes.length === 0) return;
  const what = `${changes.map(({ field }) => figureFieldInWords(field)).join(', ')} of ${before.name}`;
  editing.change(
    what,
    now => {
      const over = changes.map(change => ({ ...change, from: readField(now, change.field) }));
      const changed = applyChanges(now, over);
      return changed.ok ? changed.value : now;
    },
    before,
  );
}

interface NameAndPlaceProps {
  readonly pattern: Pattern;
  wordsOf(value: Json): string;
}

function NameAndPlace({ pattern, wordsOf }: NameAndPlaceProps) {
  const { library } = useCourse();
  const { name, level, needs = [], made = [], lookalikes = [] } = pattern;
  const pieces = made.map(
    ({ pattern: id, times }) => `${figureName(library, id)}${times ? ` ${times} times` : ''}`,
  );
  return (
    <chakra.div>
      <p>
        {name}
        {level ? `, ${wordsOf(level)}` : ''}
      </p>
      {needs.length > 0 && <p>Needs {wordsOf(needs)}</p>}
      {pieces.length > 0 && <p>Made of {pieces.join(', then ')}</p>}
      {lookalikes.length > 0 && <p>Looks like {wordsOf(lookalikes)}</p>}
    </chakra.div>
  );
}
