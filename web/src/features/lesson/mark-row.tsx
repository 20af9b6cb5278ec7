import { chakra } from '@chakra-ui/react';
import { figureName, type LogResult } from '@map-step/core';
import { useState } from 'react';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { goAlong } from '../../ui/row-keys.ts';
import { TextField } from '../../ui/text-field.tsx';
import { useCourse } from '../course/course-context.ts';
import type { MarksOf } from './use-log.ts';

export const RESULTS = [
  { id: 'solid', word: 'Solid', tone: 'ready', key: 's' },
  { id: 'shaky', word: 'Shaky', tone: 'caution', key: 'h' },
  { id: 'touched', word: 'Touched', tone: 'quiet', key: 't' },
  { id: 'not-reached', word: 'Not reached', tone: 'stop', key: 'n' },
] as const satisfies readonly { id: LogResult; word: string; tone: string; key: string }[];

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
    size: { normal: {}, large: { minHeight: '3.5rem', fontSize: { base: 'sm', md: 'md' } } },
  },
});

interface MarkRowProps {
  /** A figure; or an element, with its name. */
  readonly id: string;
  readonly name?: string | undefined;
  /** Said beside the name. */
  readonly context?: string | undefined;
  readonly showName: boolean;
  readonly log: MarksOf | undefined;
  readonly size?: 'normal' | 'large';
  /** True for the figure that the keys mark. */
  readonly isAimed?: boolean;
  /** What the clock says that it took, where it runs. */
  readonly taken?: number | undefined;
  /** Takes the tap instead of the log: what it would change is told first. */
  onTap?(result: LogResult): void;
}

/** How a figure went: one tap, and where they are needed the minutes it took and a note. */
export function MarkRow(props: MarkRowProps) {
  const { id, showName, log, size = 'normal', isAimed = false, taken, onTap } = props;
  const { library } = useCourse();
  const [isNoting, setNoting] = useState(false);
  const name = props.name ?? figureName(library, id);
  const { result, note, minutes } = log?.of(id) ?? {};
  const saveNote = (data: FormData) => {
    if (log && result) log.tap(id, result, { note: String(data.get('note')).trim() });
    setNoting(false);
  };
  if (!log)
    return showName ? (
      <p>
        {name}
        {props.context && <Label>, {props.context}</Label>}
      </p>
    ) : null;
  const tap = (chosen: LogResult) =>
    onTap ? onTap(chosen) : log.tap(id, chosen, taken === undefined ? {} : { minutes: taken });
  return (
    <div>
      <chakra.div
        role="group"
        onKeyDown={goAlong}
        aria-label={`How ${name} went`}
        display="grid"
        alignItems="center"
        gap="1.5"
        gridTemplateColumns={{
          base: 'repeat(4, minmax(0, 1fr))',
          md: `${showName ? '11rem ' : ''}repeat(4, minmax(0, ${size === 'large' ? '9rem' : '6.5rem'})) auto`,
        }}
      >
        {showName && (
          <chakra.span
            gridColumn={{ base: '1 / -1', md: 'auto' }}
            fontWeight={isAimed ? '700' : '500'}
            borderLeft="3px solid"
            borderColor={isAimed ? 'now' : 'transparent'}
            pl="1.5"
          >
            {name}
            {props.context && <Label>, {props.context}</Label>}
          </chakra.span>
        )}
        <ResultButtons result={result} size={size} tap={tap} />
        {result && !isNoting && (
          <chakra.div
            display="flex"
            gap="1.5"
            alignItems="center"
            gridColumn={{ base: '1 / -1', md: 'auto' }}
          >
            {minutes !== undefined && (
              <MinutesTaken
                name={name}
                minutes={minutes}
                save={value => log.tap(id, result, { minutes: value })}
              />
            )}
            <Button look="quiet" size="small" onClick={() => setNoting(true)}>
              {note ? 'Change the note' : 'Add a note'}
            </Button>
          </chakra.div>
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

interface ResultButtonsProps {
  readonly result: LogResult | undefined;
  readonly size: 'normal' | 'large';
  tap(chosen: LogResult): void;
}

function ResultButtons({ result, size, tap }: ResultButtonsProps) {
  return RESULTS.map(({ id, word, tone }, index) => (
    <Result
      key={id}
      tabIndex={result === id || (result === undefined && index === 0) ? 0 : -1}
      type="button"
      tone={tone}
      size={size}
      aria-pressed={result === id}
      onClick={() => tap(id)}
    >
      {word}
    </Result>
  ));
}

interface MinutesTakenProps {
  readonly name: string;
  readonly minutes: number;
  save(value: number | undefined): void;
}

function MinutesTaken({ name, minutes, save }: MinutesTakenProps) {
  return (
    <>
      <NumberField label={`Minutes that ${name} took`} value={minutes} max={600} width="4.5rem" save={save} />
      <Label>min</Label>
    </>
  );
}
