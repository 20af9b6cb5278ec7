import { chakra } from '@chakra-ui/react';
import { type CutAt, KEEP, makePartNatural, type NaturalPart, type Pattern } from '@map-step/core';
import { type ReactNode, useState } from 'react';
import { Choice, optionsOf } from '../../../ui/choice.tsx';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { AddTrack } from './track-rows.tsx';

/** The holds a figure starts from and ends in, and where it changes between. */
export function HoldForm({ editing }: { editing: FigureEditing }) {
  const { pattern, reading } = editing;
  const { holds } = reading.figure.dance;
  const entries = pattern.entry ?? [];
  const exit = pattern.exit ?? 'same';
  const exits = exit === 'same' ? [] : typeof exit === 'string' ? [exit] : exit;
  if (!editing.mayWrite) return null;
  const isPair = holds.length > 0;
  const put = (what: string, more: Partial<Pattern>) => editing.change(what, now => ({ ...now, ...more }));
  const toggleEntry = (id: string) => {
    const next = entries.includes(id) ? entries.filter(entry => entry !== id) : [...entries, id];
    if (next.length > 0) put('Holds it starts in', { entry: next });
  };
  const toggleExit = (id: string) => {
    const next = exits.includes(id) ? exits.filter(one => one !== id) : [...exits, id];
    put('Holds it ends in', {
      exit: next.length === 0 ? 'same' : next.length === 1 && next[0] !== undefined ? next[0] : next,
    });
  };
  return (
    <Disclosure
      title={
        isPair
          ? 'Change its holds, the follower’s part and how it is danced'
          : 'How it is danced, and where it may be cut'
      }
      size="small"
      startsOpen={editing.isNew}
    >
      <chakra.div display="grid" gap="1" fontSize="sm">
        {isPair && (
          <>
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
          </>
        )}
        <AddTrack editing={editing} />
        <HoldsOnCounts
          words={['May be cut before', 'in', 'Mark the cut', 'No cut']}
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
  const [event, setEvent] = useState('0');
  const [hold, setHold] = useState(holds[0]?.id ?? '');
  const entries = pattern[field] ?? [];
  const save = (change: (entries: readonly CutAt[]) => readonly CutAt[]) =>
    editing.change(put, ({ [field]: before = [], ...rest }) => {
      const next = change(before);
      return next.length > 0 ? { ...rest, [field]: next } : rest;
    });
  const add = () =>
    save(before => {
      const entry = { event: Number(event), ...(hold !== '' && { hold }) };
      const others = before.filter(other => other.event !== entry.event);
      return [...others, entry].sort((a, b) => a.event - b.event);
    });
  if (events.length < 2) return null;
  return (
    <chakra.div display="flex" gap="1.5" alignItems="center" flexWrap="wrap">
      <chakra.span color="quiet">{onCount}</chakra.span>
      <Choice
        label={`${onCount} count`}
        hidesLabel
        size="small"
        width="5rem"
        value={event}
        among={events.map(({ label }, index) => ({ value: String(index), words: label }))}
        set={setEvent}
      />
      {holds.length > 0 && (
        <>
          <Label>{inHold}</Label>
          <Choice
            label={`${inHold} hold`}
            hidesLabel
            size="small"
            width="12rem"
            value={hold}
            among={holds.map(({ id, name }) => ({ value: id, words: name }))}
            set={setHold}
          />
        </>
      )}
      <Button size="small" onClick={add}>
        {put}
      </Button>
      {entries.map(entry => (
        <Button
          key={entry.event}
          size="small"
          look="quiet"
          onClick={() => save(before => before.filter(other => other.event !== entry.event))}
        >
          {[not, holds.find(({ id }) => id === entry.hold)?.name, 'on', events[entry.event]?.label]
            .filter(Boolean)
            .join(' ')}
        </Button>
      ))}
    </chakra.div>
  );
}

const NATURAL_PARTS = optionsOf({
  opposite: 'as face to face',
  image: 'as in a mirror',
  alike: 'the same on the other foot',
} satisfies Record<NaturalPart, string>);

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
      {NATURAL_PARTS.map(({ value, words }) => (
        <Button
          key={value}
          size="small"
          aria-pressed={follow.derived === value}
          onClick={() => editing.change('Follower’s part', (_, now) => makePartNatural(now, value))}
        >
          {words}
        </Button>
      ))}
      <Button
        size="small"
        aria-pressed={follow.derived === KEEP}
        onClick={() => editing.change('Follower’s part', (_, now) => makePartNatural(now, KEEP))}
      >
        the steps that keep the hold
      </Button>
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
