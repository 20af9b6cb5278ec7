import { chakra } from '@chakra-ui/react';
import type { Dance, Library, Pattern, PatternKind } from '@map-step/core';
import { useNavigate } from 'react-router';
import { ownerOf } from '../../../api/outbox.ts';
import { Button, Field, Label, Select } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { keepDraft, useDrafts } from '../figure/draft-store.ts';
import { KIND_WORDS } from './kind-words.ts';

/** The address of the page about a level stands where a figure's would. */
const LEVEL_PAGE = 'level';

/** A name and a kind, then an empty sheet. */
export function NewFigure({ close }: { close: () => void }) {
  const { library, answer, me } = useCourseView();
  const navigate = useNavigate();
  const owner = ownerOf(me);
  const drafts = useDrafts(owner);
  const dances = answer.course.dances.flatMap(id => library.dances.get(id) ?? []);
  const begin = (data: FormData) => {
    const name = String(data.get('name')).trim();
    const dance = dances.find(({ id }) => id === data.get('dance')) ?? dances[0];
    if (!dance || name === '') return;
    const id = freeId(name, library, drafts);
    const kind = String(data.get('kind')) as PatternKind;
    keepDraft(owner, id, {
      base: null,
      now: emptyFigure({ id, name, kind, dance, level: answer.course.level }),
      past: [],
      future: [],
    });
    close();
    void navigate(`/courses/${answer.course.id}/material/${id}`);
  };
  return (
    <chakra.form
      action={begin}
      display="grid"
      gap="1.5"
      aria-label="New figure"
      onKeyDown={e => e.key === 'Escape' && close()}
    >
      <chakra.label display="grid">
        <Label>What the house calls it</Label>
        <Field name="name" required maxLength={200} autoFocus />
      </chakra.label>
      <chakra.label display="grid">
        <Label>Kind</Label>
        <Select name="kind" defaultValue="pattern">
          {Object.entries(KIND_WORDS).map(([kind, { one }]) => (
            <option key={kind} value={kind}>
              {one}
            </option>
          ))}
        </Select>
      </chakra.label>
      {dances.length > 1 && (
        <chakra.label display="grid">
          <Label>Dance</Label>
          <Select name="dance">
            {dances.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </chakra.label>
      )}
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next" size="small">
          Open an empty sheet
        </Button>
        <Button size="small" onClick={close}>
          Leave it
        </Button>
      </chakra.div>
    </chakra.form>
  );
}

interface NewFigureText {
  readonly id: string;
  readonly name: string;
  readonly kind: PatternKind;
  readonly dance: Dance;
  readonly level: string | undefined;
}

function emptyFigure({ id, name, kind, dance, level }: NewFigureText): Pattern {
  const hold = dance.holds[0]?.id;
  return {
    id,
    dance: dance.id,
    name,
    kind,
    ...(level && { level }),
    ...(hold && { entry: [hold], exit: 'same' }),
  };
}

/** The name as an id, with a number where that is taken. */
function freeId(name: string, library: Library, drafts: { readonly [id: string]: unknown }): string {
  const plain = name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 56);
  const stem = plain || 'figure';
  const isTaken = (id: string) => id === LEVEL_PAGE || library.patterns.has(id) || id in drafts;
  let number = 1;
  while (isTaken(number === 1 ? stem : `${stem}-${number}`)) number += 1;
  return number === 1 ? stem : `${stem}-${number}`;
}
