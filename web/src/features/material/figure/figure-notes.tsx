import { chakra } from '@chakra-ui/react';
import { CAUTION_NOTICE, CAUTIONS, cautionsOf, markCount, type PatternMark } from '@map-step/core';
import { X } from 'lucide-react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Field, Label, Select } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import { Group } from './figure-meaning.tsx';
import { MARK_WORDS, MarkSign } from './mark-sign.tsx';
import type { FigureEditing } from './use-figure-draft.ts';
import type { SheetPlace } from '../sheet/use-sheet-cursor.ts';

interface FigureNotesProps {
  readonly editing: FigureEditing;
  /** Where a note is being written. */
  readonly place: SheetPlace | undefined;
  begin(place: SheetPlace | undefined): void;
}

/** Cues, signals, faults and cautions, with the count and role they hang on; cautions with the usual wording. */
export function FigureNotes({ editing, place, begin }: FigureNotesProps) {
  const { studio } = useCourseView();
  const { pattern } = editing;
  const marks = pattern.marks ?? [];
  const cautions = cautionsOf(pattern, studio.studio);
  const setMarks = (next: readonly PatternMark[], what: string) => {
    const { marks: _, ...rest } = pattern;
    editing.change(what, next.length > 0 ? { ...rest, marks: next } : rest);
  };
  return (
    <Group title="To teach it">
      {marks.length === 0 && !editing.mayWrite && <Label>Nothing is written down yet.</Label>}
      {marks.map((mark, index) => (
        <chakra.div key={`${mark.kind} ${mark.text} ${mark.code}`} display="flex" gap="2" alignItems="start">
          <chakra.div flex="1">
            <MarkSign mark={mark} />
            <Label>
              {MARK_WORDS[mark.kind]}
              {placeWords(editing, mark)}
              {mark.cure && `. In practice: ${mark.cure}`}
              {mark.rescue && `. On the floor: ${mark.rescue}`}
            </Label>
          </chakra.div>
          {editing.mayWrite && (
            <Button
              look="quiet"
              size="small"
              aria-label={`Take away: ${mark.text || mark.code}`}
              onClick={() => setMarks(marks.toSpliced(index, 1), 'Note taken away')}
            >
              <X size={16} aria-hidden />
            </Button>
          )}
        </chakra.div>
      ))}
      {editing.mayWrite &&
        (place ? (
          <NoteForm
            editing={editing}
            place={place}
            close={() => begin(undefined)}
            add={mark => {
              setMarks([...marks, mark], MARK_WORDS[mark.kind]);
              begin(undefined);
            }}
          />
        ) : (
          <Button
            size="small"
            justifySelf="start"
            onClick={() => begin({ role: firstRole(editing), step: -1 })}
          >
            Write a note
          </Button>
        ))}
      {cautions.length > 0 && (
        <chakra.div borderLeft="4px solid" borderColor="caution" pl="3" display="grid" gap="1">
          {cautions.map(text => (
            <p key={text}>{text}</p>
          ))}
          <Label>{CAUTION_NOTICE}</Label>
        </chakra.div>
      )}
    </Group>
  );
}

interface NoteFormProps {
  readonly editing: FigureEditing;
  readonly place: SheetPlace;
  add(mark: PatternMark): void;
  close(): void;
}

function NoteForm({ editing, place, add, close }: NoteFormProps) {
  const part = editing.reading.figure.parts.find(({ role }) => role === place.role);
  const event = part?.steps[place.step]?.time?.event;
  const submit = (data: FormData) => {
    const read = (name: string) => String(data.get(name) ?? '').trim();
    const kind = read('kind') as PatternMark['kind'];
    const chosen = read('event');
    add({
      ...(chosen !== '' && { event: Number(chosen), role: place.role }),
      kind,
      text: read('text'),
      ...(kind === 'caution' && { code: read('code') }),
      ...(kind === 'fault' && read('cure') !== '' && { cure: read('cure') }),
      ...(kind === 'fault' && read('rescue') !== '' && { rescue: read('rescue') }),
    });
  };
  return (
    <chakra.form
      action={submit}
      display="grid"
      gap="2"
      onKeyDown={event => event.key === 'Escape' && close()}
      aria-label="A note"
    >
      <chakra.label display="grid">
        <Label>Kind</Label>
        <Select name="kind" defaultValue="cue" autoFocus>
          {Object.entries(MARK_WORDS).map(([kind, word]) => (
            <option key={kind} value={kind}>
              {word}
            </option>
          ))}
        </Select>
      </chakra.label>
      <chakra.label display="grid">
        <Label>On count</Label>
        <Select name="event" defaultValue={event ?? ''}>
          <option value="">the whole figure</option>
          {part?.rhythm.events.map(({ label }, index) => (
            <option key={`${label} ${index + 1}`} value={index}>
              {label} (count {index + 1} of {part.rhythm.events.length})
            </option>
          ))}
        </Select>
      </chakra.label>
      <chakra.label display="grid">
        <Label>In words</Label>
        <Field name="text" maxLength={500} />
      </chakra.label>
      <Disclosure title="For a fault: its cure. For a caution: what it is about">
        <chakra.label display="grid">
          <Label>Cure in practice</Label>
          <Field name="cure" maxLength={500} />
        </chakra.label>
        <chakra.label display="grid">
          <Label>Rescue on the floor</Label>
          <Field name="rescue" maxLength={500} />
        </chakra.label>
        <chakra.label display="grid">
          <Label>Caution about</Label>
          <Select name="code">
            {Object.keys(CAUTIONS).map(code => (
              <option key={code} value={code}>
                {code}
              </option>
            ))}
          </Select>
        </chakra.label>
      </Disclosure>
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next" size="small">
          Keep this note
        </Button>
        <Button size="small" onClick={close}>
          Leave it
        </Button>
      </chakra.div>
    </chakra.form>
  );
}

function firstRole(editing: FigureEditing): SheetPlace['role'] {
  return editing.reading.figure.dance.roles === 'solo' ? 'solo' : 'lead';
}

function placeWords({ reading }: FigureEditing, { event, role }: PatternMark): string {
  if (event === undefined) return '';
  return ` on count ${markCount(reading.figure, event)}${role === 'follow' ? ', follower' : role === 'lead' ? ', leader' : ''}`;
}
