import { chakra } from '@chakra-ui/react';
import { type HoldAt, makePartNatural, type NaturalPart, type Pattern } from '@map-step/core';
import type { ReactNode } from 'react';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Label, Select } from '../../../ui/parts.tsx';
import type { FigureEditing } from '../figure/use-figure-draft.ts';

/** The holds a figure starts from and ends in, and where it changes between. */
export function HoldForm({ editing }: { editing: FigureEditing }) {
  const { pattern, reading } = editing;
  const { holds } = reading.figure.dance;
  const entries = pattern.entry ?? [];
  const exit = pattern.exit ?? 'same';
  const exits = exit === 'same' ? [] : typeof exit === 'string' ? [exit] : exit;
  if (!editing.mayWrite || holds.length === 0) return null;
  const put = (what: string, more: Partial<Pattern>) => editing.change(what, { ...pattern, ...more });
  const toggleEntry = (id: string) => {
    const next = entries.includes(id) ? entries.filter(entry => entry !== id) : [...entries, id];
    if (next.length > 0) put('Holds it starts in', { entry: next });
  };
  const toggleExit = (id: string) => {
    const next = exits.includes(id) ? exits.filter(one => one !== id) : [...exits, id];
    put('Holds it ends in', {
      exit: next.length === 0 ? 'same' : next.length === 1 ? (next[0] as string) : next,
    });
  };
  return (
    <Disclosure title="Change its holds and the follower’s part" size="small" startsOpen={editing.isNew}>
      <chakra.div display="grid" gap="1" fontSize="sm">
        <HoldChoice word="Starts in" ids={entries} holds={holds} toggle={toggleEntry} />
        <HoldChoice word="Ends in" ids={exits} holds={holds} toggle={toggleExit}>
          <Button
            size="small"
            aria-pressed={exit === 'same'}
            onClick={() => put('Holds it ends in', { exit: 'same' })}
          >
            the same hold
          </Button>
        </HoldChoice>
        <FollowerPart editing={editing} />
        <HoldsOnCounts
          words={['Changes on', 'to', 'Change the hold there', 'No change to']}
          field="holds"
          editing={editing}
        />
        <HoldsOnCounts
          words={['May be cut before', 'in', 'Mark the cut', 'No cut in']}
          field="cuts"
          editing={editing}
        />
      </chakra.div>
    </Disclosure>
  );
}

interface HoldsOnCountsProps {
  /** Before the count, before the hold, on the button, and before what is taken away. */
  readonly words: readonly [string, string, string, string];
  readonly field: 'holds' | 'cuts';
  readonly editing: FigureEditing;
}

/** A list of counts, each with a hold: where the hold changes, where the figure may be cut. */
function HoldsOnCounts({ words: [onCount, inHold, put, not], field, editing }: HoldsOnCountsProps) {
  const { pattern, reading } = editing;
  const { holds } = reading.figure.dance;
  const events = reading.figure.parts[0]?.rhythm.events ?? [];
  const { [field]: entries = [], ...rest } = pattern;
  const save = (next: readonly HoldAt[]) =>
    editing.change(put, next.length > 0 ? { ...rest, [field]: next } : (rest as Pattern));
  const add = (data: FormData) => {
    const entry = { event: Number(data.get('event')), hold: String(data.get('hold')) };
    const others = entries.filter(({ event }) => event !== entry.event);
    save([...others, entry].sort((a, b) => a.event - b.event));
  };
  if (events.length < 2) return null;
  return (
    <chakra.form action={add} display="flex" gap="1.5" alignItems="center" flexWrap="wrap">
      <chakra.span color="quiet">{onCount}</chakra.span>
      <Select name="event" aria-label={`${onCount} count`} width="auto" minHeight="2rem">
        {events.map(({ label }, index) => (
          <option key={`${label} ${index + 1}`} value={index}>
            {label}
          </option>
        ))}
      </Select>
      <Label>{inHold}</Label>
      <Select name="hold" aria-label={`${inHold} hold`} width="auto" minHeight="2rem">
        {holds.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </Select>
      <Button type="submit" size="small">
        {put}
      </Button>
      {entries.map(({ event, hold }) => (
        <Button
          key={event}
          size="small"
          look="quiet"
          onClick={() => save(entries.filter(entry => entry.event !== event))}
        >
          {not} {holds.find(({ id }) => id === hold)?.name} on {events[event]?.label}
        </Button>
      ))}
    </chakra.form>
  );
}

const NATURAL_WORDS = {
  opposite: 'as face to face',
  image: 'as in a mirror',
  alike: 'the same on the other foot',
} as const satisfies Record<NaturalPart, string>;

/** The follower's part taken whole from the leader's, or the follower's own as it is written. */
function FollowerPart({ editing }: { editing: FigureEditing }) {
  const { figure } = editing.reading;
  const follow = figure.parts.find(({ role }) => role === 'follow');
  if (!follow) return null;
  return (
    <chakra.div
      role="group"
      aria-label="Follower’s part"
      display="flex"
      gap="1.5"
      alignItems="center"
      flexWrap="wrap"
    >
      <chakra.span color="quiet" minW="4.5rem">
        Follower
      </chakra.span>
      {Object.entries(NATURAL_WORDS).map(([by, words]) => (
        <Button
          key={by}
          size="small"
          aria-pressed={follow.derived === by}
          onClick={() => editing.change('Follower’s part', makePartNatural(figure, by as NaturalPart))}
        >
          {words}
        </Button>
      ))}
      {follow.derived === null && <Label>written as the follower’s own</Label>}
    </chakra.div>
  );
}

interface HoldChoiceProps {
  readonly word: string;
  readonly ids: readonly string[];
  readonly holds: readonly { readonly id: string; readonly name: string }[];
  toggle(id: string): void;
  readonly children?: ReactNode;
}

function HoldChoice({ word, ids, holds, toggle, children }: HoldChoiceProps) {
  return (
    <chakra.div role="group" aria-label={word} display="flex" gap="1.5" alignItems="center" flexWrap="wrap">
      <chakra.span color="quiet" minW="4.5rem">
        {word}
      </chakra.span>
      {children}
      {holds.map(({ id, name }) => (
        <Button key={id} size="small" aria-pressed={ids.includes(id)} onClick={() => toggle(id)}>
          {name}
        </Button>
      ))}
    </chakra.div>
  );
}
