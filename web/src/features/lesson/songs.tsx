import { chakra } from '@chakra-ui/react';
import {
  figureName,
  figuresForSong,
  type LessonNote,
  type SongFit,
  type Split,
  tempoOfTaps,
} from '@map-step/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Group } from '../../ui/group.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useCourse } from '../course/course-context.ts';
import type { LessonNotes } from './use-notes.ts';

const SPLITS = [
  { value: 'straight', words: 'straight' },
  { value: 'swung', words: 'swung' },
] as const satisfies readonly { value: Split; words: string }[];

interface SongsProps {
  readonly notes: LessonNotes;
  /** The figures of the evening. */
  readonly figures: readonly string[];
  readonly mayLog: boolean;
}

/** The songs of the evening, by title and tempo, each with the figures that it suits. */
export function Songs({ notes, figures, mayLog }: SongsProps) {
  const songs = notes.notes.filter(({ kind }) => kind === 'song');
  if (songs.length === 0 && !mayLog) return null;
  return (
    <Group title="Songs">
      {songs.map(song => (
        <Song key={song.id} song={song} figures={figures} takeBack={mayLog ? notes.takeBack : undefined} />
      ))}
      {mayLog && <NewSong add={notes.add} />}
    </Group>
  );
}

interface SongProps {
  readonly song: LessonNote;
  readonly figures: readonly string[];
  takeBack: ((song: LessonNote) => void) | undefined;
}

function Song({ song, figures, takeBack }: SongProps) {
  const { library } = useCourse();
  const { text, tempo, split } = song;
  const fits =
    tempo === undefined ? [] : figuresForSong(library, figures, { tempo, ...(split && { split }) });
  return (
    <chakra.div>
      <chakra.div display="flex" justifyContent="space-between" gap="2" alignItems="baseline">
        <chakra.span fontWeight="600">{text}</chakra.span>
        {takeBack && (
          <Button look="quiet" size="small" aria-label={`Take ${text} away`} onClick={() => takeBack(song)}>
            Take away
          </Button>
        )}
      </chakra.div>
      <Label>{[tempo && `${tempo} beats a minute`, split].filter(Boolean).join(', ')}</Label>
      {sentencesOf(fits, id => figureName(library, id)).map(sentence => (
        <p key={sentence}>{sentence}</p>
      ))}
    </chakra.div>
  );
}

/** What a song suits and what not, the words before the names. */
function sentencesOf(fits: readonly SongFit[], name: (id: string) => string): readonly string[] {
  const of = (fit: SongFit['fit']) => fits.filter(one => one.fit === fit).map(({ pattern }) => name(pattern));
  const told = [
    ['Suits', of('suits')],
    ['Too fast for', of('too-fast')],
    ['Too slow for', of('too-slow')],
    ['Split another way than', of('other-split')],
  ] as const;
  const forms = fits.flatMap(one =>
    one.fit === 'other-form' ? [`For ${name(one.pattern)} take ${name(one.form)}`] : [],
  );
  return [
    ...told.flatMap(([words, names]) => (names.length > 0 ? [`${words} ${names.join(', ')}`] : [])),
    ...forms,
  ];
}

function NewSong({ add }: Pick<LessonNotes, 'add'>) {
  const [title, setTitle] = useState('');
  const [tempo, setTempo] = useState<number>();
  const [split, setSplit] = useState<Split>('straight');
  const [taps, setTaps] = useState<readonly number[]>([]);
  const tap = () => {
    const next = [...taps, Date.now()];
    setTaps(next);
    setTempo(tempoOfTaps(next) ?? tempo);
  };
  const put = () => {
    add({ kind: 'song', text: title.trim(), ...(tempo !== undefined && { tempo, split }) });
    setTitle('');
    setTempo(undefined);
    setTaps([]);
  };
  return (
    <chakra.div display="grid" gap="2">
      <TextField label="Title of a song" value={title} onChange={event => setTitle(event.target.value)} />
      <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
        <NumberField label="Beats a minute" value={tempo} min={20} max={400} isLive save={setTempo} />
        <Label>beats a minute</Label>
        <Button onClick={tap}>Tap the beat</Button>
        <Choice
          label="Beats are split"
          hidesLabel
          size="small"
          width="7rem"
          value={split}
          among={SPLITS}
          set={setSplit}
        />
      </chakra.div>
      <Button disabled={title.trim() === ''} onClick={put}>
        Add the song
      </Button>
    </chakra.div>
  );
}
