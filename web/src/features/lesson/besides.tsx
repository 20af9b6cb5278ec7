import { chakra } from '@chakra-ui/react';
import { isOffered, type LessonNote } from '@map-step/core';
import { useState } from 'react';
import { Group } from '../../ui/group.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { Pick } from '../../ui/pick.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useCourse } from '../course/course-context.ts';
import { MarkRow } from './mark-row.tsx';
import type { LessonLog } from './use-log.ts';
import type { LessonNotes } from './use-notes.ts';

interface BesidesProps {
  readonly log: LessonLog;
  readonly notes: LessonNotes;
  /** Figures that have their row in the evening's order. */
  readonly ordered: ReadonlySet<string>;
}

/** Something else we did: any figure of the house, or words. */
export function SomethingElse({ log, notes, ordered }: BesidesProps) {
  const { library, answer } = useCourse();
  const [picked, pick] = useState<readonly string[]>([]);
  const [text, setText] = useState('');
  const others = [...library.patterns.values()]
    .filter(one => isOffered(one) && answer.course.dances.includes(one.dance) && !ordered.has(one.id))
    .map(({ id, name }) => ({ value: id, words: name }));
  const rows = [...new Set([...log.logged.filter(id => !ordered.has(id)), ...picked])];
  return (
    <Group title="Something else we did">
      {rows.map(id => (
        <MarkRow key={id} id={id} showName log={log} />
      ))}
      <Pick label="A figure of the house" among={others} value={[]} set={ids => pick([...picked, ...ids])} />
      {notes.notes
        .filter(({ kind }) => kind === 'else')
        .map(note => (
          <Noted key={note.id} note={note} takeBack={notes.takeBack} />
        ))}
      <Write
        label="Or in words"
        word="Write it down"
        text={text}
        setText={setText}
        put={() => notes.add({ kind: 'else', text: text.trim() })}
      />
    </Group>
  );
}

/** Notes on the evening, for the staff. */
export function EveningNotes({ notes }: { notes: LessonNotes }) {
  const [text, setText] = useState('');
  return (
    <Group title="Notes on the evening">
      {notes.notes
        .filter(({ kind }) => kind === 'note')
        .map(note => (
          <Noted key={note.id} note={note} takeBack={notes.takeBack} />
        ))}
      <Write
        label="A note for the staff"
        word="Keep the note"
        text={text}
        setText={setText}
        put={() => notes.add({ kind: 'note', text: text.trim() })}
      />
    </Group>
  );
}

function Noted({ note, takeBack }: { note: LessonNote; takeBack(note: LessonNote): void }) {
  return (
    <chakra.div display="flex" justifyContent="space-between" gap="2" alignItems="baseline">
      <Label>{note.text}</Label>
      <Button
        look="quiet"
        size="small"
        aria-label={`Take “${note.text}” away`}
        onClick={() => takeBack(note)}
      >
        Take away
      </Button>
    </chakra.div>
  );
}

interface WriteProps {
  readonly label: string;
  readonly word: string;
  readonly text: string;
  setText(text: string): void;
  put(): void;
}

function Write({ label, word, text, setText, put }: WriteProps) {
  const keep = () => {
    if (text.trim() === '') return;
    put();
    setText('');
  };
  return (
    <chakra.form
      display="flex"
      gap="2"
      alignItems="end"
      onSubmit={event => {
        event.preventDefault();
        keep();
      }}
    >
      <chakra.div flex="1">
        <TextField
          label={label}
          value={text}
          maxLength={2000}
          onChange={event => setText(event.target.value)}
        />
      </chakra.div>
      <Button type="submit" disabled={text.trim() === ''}>
        {word}
      </Button>
    </chakra.form>
  );
}
