import { chakra } from '@chakra-ui/react';
import {
  putTrackWord,
  type QualityTrack,
  qualitiesInOrder,
  type Role,
  rolesOf,
  type SheetLayout,
  tracksInOrder,
} from '@map-step/core';
import { useState } from 'react';
import { Choice } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { useRoleNames } from '../../course/role-names.ts';
import type { FigureEditing } from '../figure/use-figure-draft.ts';
import { RowTitle } from './row-title.tsx';

interface TrackRowsProps {
  readonly editing: FigureEditing;
  readonly layout: SheetLayout;
  readonly range: readonly [number, number];
  /** The one role that is shown. */
  readonly only: Role | undefined;
}

/** How the figure is danced, a row a quality from the feet upward; each count is typed where it stands. */
export function TrackRows({ editing, layout, range: [from, to], only }: TrackRowsProps) {
  const { pattern, reading } = editing;
  const { dance } = reading.figure;
  const names = useRoleNames();
  const tracks = tracksInOrder(dance, pattern).filter(
    ({ track }) => only === undefined || track.role === undefined || track.role === only,
  );
  return tracks.map(({ track, index, quality }) => (
    <TrackRow
      key={`${track.quality} ${track.role ?? 'both'}`}
      title={track.role ? `${quality.name}, ${names[track.role]}` : quality.name}
      track={track}
      words={quality.words ?? []}
      columns={layout.columns.slice(from, to)}
      put={
        editing.mayWrite
          ? (event, text) => editing.change(quality.name, now => putTrackWord(now, index, event, text))
          : undefined
      }
    />
  ));
}

interface TrackRowProps {
  readonly title: string;
  readonly track: QualityTrack;
  readonly words: readonly string[];
  readonly columns: SheetLayout['columns'];
  readonly put: ((event: number, text: string) => void) | undefined;
}

function TrackRow({ title, track, words, columns, put }: TrackRowProps) {
  const list = `words-${track.quality}`;
  return (
    <>
      <RowTitle>{title}</RowTitle>
      {columns.map(({ event, label }, index) => {
        const text = event === null ? '' : (track.values[event] ?? '');
        return (
          <chakra.div
            key={`${event} ${text}`}
            style={{ gridColumn: index + 2 }}
            borderTop="1px solid"
            borderTopColor="line"
            fontSize="sm"
            minW="0"
          >
            {put && event !== null ? (
              <chakra.input
                aria-label={`${title} at ${label}`}
                defaultValue={text}
                list={list}
                maxLength={60}
                width="100%"
                bg="transparent"
                px="1.5"
                py="1"
                onKeyDown={keyEvent => {
                  keyEvent.stopPropagation();
                  if (keyEvent.key === 'Enter') keyEvent.currentTarget.blur();
                }}
                onBlur={({ currentTarget }) => {
                  if (currentTarget.value.trim() !== text) put(event, currentTarget.value.trim());
                }}
              />
            ) : (
              <chakra.span px="1.5">{text}</chakra.span>
            )}
          </chakra.div>
        );
      })}
      {put && (
        <datalist id={list}>
          {words.map(word => (
            <option key={word} value={word} />
          ))}
        </datalist>
      )}
    </>
  );
}

/** One more quality as a row of the sheet, for both or one role; an empty row goes when its last word goes. */
export function AddTrack({ editing }: { editing: FigureEditing }) {
  const { pattern, reading } = editing;
  const { dance } = reading.figure;
  const names = useRoleNames();
  const [quality, setQuality] = useState('');
  const [role, setRole] = useState<Role | 'both'>('both');
  const qualities = qualitiesInOrder(dance);
  const chosen = qualities.find(({ id }) => id === quality) ?? qualities[0];
  if (!editing.mayWrite || !chosen) return null;
  const roles = rolesOf(dance);
  const add = () =>
    editing.change(chosen.name, now => ({
      ...now,
      tracks: [
        ...(now.tracks ?? []),
        { quality: chosen.id, ...(role !== 'both' && { role }), values: [chosen.words?.[0] ?? chosen.name] },
      ],
    }));
  const isThere = pattern.tracks?.some(
    track => track.quality === chosen.id && (track.role ?? 'both') === role,
  );
  return (
    <chakra.div display="flex" gap="1.5" alignItems="center" flexWrap="wrap">
      <chakra.span color="quiet">How it is danced</chakra.span>
      <Choice
        label="Quality"
        hidesLabel
        size="small"
        width="15rem"
        value={chosen.id}
        among={qualities.map(({ id, name }) => ({ value: id, words: name }))}
        set={setQuality}
      />
      {roles.length > 1 && (
        <Choice
          label="For whom"
          hidesLabel
          size="small"
          width="9rem"
          value={role}
          among={[{ value: 'both', words: 'both' }, ...roles.map(one => ({ value: one, words: names[one] }))]}
          set={setRole}
        />
      )}
      <Button size="small" disabled={isThere} onClick={add}>
        Add this row
      </Button>
    </chakra.div>
  );
}
