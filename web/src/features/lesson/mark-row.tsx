import { chakra } from '@chakra-ui/react';
import { figureName, type LogResult } from '@map-step/core';
import { useState } from 'react';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useCourse } from '../course/course-context.ts';
import type { LessonLog } from './use-log.ts';

export const RESULTS = [
  { id: 'solid', word: 'Solid', tone: 'ready' },
  { id: 'shaky', word: 'Shaky', tone: 'caution' },
  { id: 'touched', word: 'Touched', tone: 'quiet' },
  { id: 'not-reached', word: 'Not reached', tone: 'stop' },
] as const satisfies readonly { id: LogResult; word: string; tone: string }[];

const Result = chakra('button', {
  base: {
    minHeight: '2.75rem',
    px: { base: '0.5', md: '2' },
    border: '1.5px solid',
    borderColor: 'line',
    bg: 'panel',
    color: 'ink',
    fontWeight: '600',
    fontSize: { base: 'xs', md: 'sm' },
    lineHeight: '1.15',
    cursor: 'pointer',
    borderRadius: 'sm',
    '&[aria-pressed=true]': { color: 'onInk', borderColor: 'transparent' },
  },
  variants: {
    tone: {
      ready: { '&[aria-pressed=true]': { bg: 'ready' } },
      caution: { '&[aria-pressed=true]': { bg: 'caution' } },
      quiet: { '&[aria-pressed=true]': { bg: 'quiet' } },
      stop: { '&[aria-pressed=true]': { bg: 'stop' } },
    },
  },
});

interface MarkRowProps {
  readonly pattern: string;
  readonly showName: boolean;
  readonly log: LessonLog | undefined;
}

/** How a figure went: one tap, and a note where one is needed. */
export function MarkRow({ pattern, showName, log }: MarkRowProps) {
  const { library } = useCourse();
  const [isNoting, setNoting] = useState(false);
  const name = figureName(library, pattern);
  const result = log?.resultOf(pattern);
  const note = log?.noteOf(pattern);
  const saveNote = (data: FormData) => {
    if (log && result) log.tap(pattern, result, String(data.get('note')).trim());
    setNoting(false);
  };
  if (!log) return showName ? <p>{name}</p> : null;
  return (
    <div>
      <chakra.div
        role="group"
        aria-label={`How ${name} went`}
        display="grid"
        alignItems="center"
        gap="1.5"
        gridTemplateColumns={{
          base: 'repeat(4, minmax(0, 1fr))',
          md: `${showName ? '11rem ' : ''}repeat(4, 6.5rem) auto`,
        }}
      >
        {showName && (
          <chakra.span gridColumn={{ base: '1 / -1', md: 'auto' }} fontWeight="500">
            {name}
          </chakra.span>
        )}
        {RESULTS.map(({ id, word, tone }) => (
          <Result
            key={id}
            type="button"
            tone={tone}
            aria-pressed={result === id}
            onClick={() => log.tap(pattern, id)}
          >
            {word}
          </Result>
        ))}
        {result && !isNoting && (
          <Button look="quiet" size="small" justifySelf="start" onClick={() => setNoting(true)}>
            {note ? 'Change the note' : 'Add a note'}
          </Button>
        )}
      </chakra.div>
      {note && !isNoting && <Label>{note}</Label>}
      {isNoting && (
        <chakra.form action={saveNote} display="flex" gap="2" mt="1">
          <TextField label={`Note on ${name}`} name="note" defaultValue={note} autoFocus />
          <Button type="submit" alignSelf="end">
            Keep the note
          </Button>
        </chakra.form>
      )}
    </div>
  );
}
