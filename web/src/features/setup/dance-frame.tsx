import { chakra } from '@chakra-ui/react';
import type { Dance, Floor, Split } from '@map-step/core';
import { parseBeats } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { Commands } from '../../api/commands.ts';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { danceQuery } from './setup-queries.ts';

const SPLITS = optionsOf({ straight: 'straight', swung: 'swung' } satisfies Record<Split, string>);
const FLOORS = optionsOf({
  line: 'around the room, along the line of dance',
  slot: 'up and down a slot',
  spot: 'on a spot',
  free: 'anywhere',
  walls: 'to the walls of the room',
} satisfies Record<Floor, string>);

interface DanceFrameProps {
  readonly dance: Dance;
  readonly commands: Commands<Dance>;
}

/** How the dance is counted, and where it is danced. */
export function DanceFrame({ dance, commands }: DanceFrameProps) {
  const put = <Key extends keyof Dance>(what: string, key: Key, value: Dance[Key]) =>
    commands.edit(what, now => ({ ...now, [key]: value }));
  const putSchool = (school: string | undefined) =>
    commands.edit('School of counting', ({ school: _, ...now }) => ({ ...now, ...(school && { school }) }));
  const number = (label: string, key: 'beatsPerBar' | 'countCycle' | 'phrase', words: string) => (
    <Row label={label} words={words}>
      <NumberField
        label={label}
        value={dance[key]}
        min={1}
        save={value => value !== undefined && put(label, key, value)}
      />
    </Row>
  );
  const beats = (label: string, key: 'slow' | 'quick', words: string) => (
    <Row label={label} words={words}>
      <chakra.div width="6rem">
        <SavedText
          label={`${label}, in beats`}
          hidesLabel
          value={String(dance[key])}
          faultOf={text => (isBeats(text) ? undefined : 'Write beats, such as 2 or 1/2.')}
          save={text => put(label, key, /^\d+$/.test(text) ? Number(text) : text)}
        />
      </chakra.div>
    </Row>
  );
  return (
    <chakra.section aria-label="How it is counted" display="grid" gap="2" maxW="46rem">
      <chakra.div maxW="24rem">
        <SavedText
          label="What the house calls it"
          value={dance.name}
          faultOf={text => (text.trim() ? undefined : 'A dance needs a name.')}
          save={name => put('Name', 'name', name)}
        />
      </chakra.div>
      <Label>{dance.roles === 'pair' ? 'For two: leader and follower.' : 'For one.'} That stays.</Label>
      {number('Beats in a bar', 'beatsPerBar', 'of its music')}
      {number('Counted up to', 'countCycle', 'before it begins at 1 again')}
      {number('Beats in a phrase', 'phrase', 'that figures should fill together')}
      {beats('A slow lasts', 'slow', 'beats, in a rhythm such as SSQQ')}
      {beats('A quick lasts', 'quick', 'beats, in a rhythm such as SSQQ')}
      <Row label="Split beats" words="of counts such as 3&4">
        <Choice
          label="Split beats"
          hidesLabel
          width="10rem"
          value={dance.split}
          among={SPLITS}
          set={split => put('Split beats', 'split', split)}
        />
      </Row>
      <Row
        label="School of counting"
        words="of those that its figures are counted by; its counts are the house's"
      >
        <School dance={dance} put={putSchool} />
      </Row>
      <Row label="Where it is danced" words="what a figure does to the room is judged by it">
        <Choice
          label="Where it is danced"
          hidesLabel
          width="22rem"
          value={dance.floor}
          among={FLOORS}
          set={floor => put('Floor', 'floor', floor)}
        />
      </Row>
    </chakra.section>
  );
}

/** No school is called so. */
const AS_WRITTEN = '-';

/** The schools by which the figures of the dance are counted too; one of them may be the house's. */
function School({ dance, put }: { dance: Dance; put(school: string | undefined): void }) {
  const { data: material } = useQuery(danceQuery(dance.id));
  const schools = new Set(
    [
      ...(material?.patterns ?? []).flatMap(({ otherCounts = [] }) => otherCounts),
      ...(dance.school ? [{ school: dance.school }] : []),
    ].map(({ school }) => school),
  );
  return (
    <Choice
      label="School of counting"
      hidesLabel
      width="22rem"
      value={dance.school ?? AS_WRITTEN}
      among={[
        { value: AS_WRITTEN, words: 'as the figures are written' },
        ...[...schools].map(school => ({ value: school, words: school })),
      ]}
      set={school => put(school === AS_WRITTEN ? undefined : school)}
    />
  );
}

function Row({ label, words, children }: { label: string; words: string; children: ReactNode }) {
  return (
    <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
      <chakra.span width="10rem">{label}</chakra.span>
      {children}
      <Label>{words}</Label>
    </chakra.div>
  );
}

function isBeats(text: string): boolean {
  const parsed = parseBeats(text.trim());
  return parsed.ok && parsed.value > 0;
}
