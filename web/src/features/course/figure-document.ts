import type { Versioned } from '@map-step/contract';
import type { Pattern } from '@map-step/core';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { keys } from './course-queries.ts';

/** A figure under the hands of who may write the material. */
export function figureAggregate(id: string): Aggregate<Versioned<Pattern>, Pattern> {
  const params = { figure: id };
  return versionedAggregate<Pattern>({
    key: keys.figure(id),
    read: () => call('figure.read', { params }),
    send: command => call('figure.command', { params, body: { command }, outlives: true }),
    onSaved: client => void client.invalidateQueries({ queryKey: keys.material }),
  });
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: 'Name',
  level: 'Level',
  needs: 'Needs first',
  lookalikes: 'Looks like',
  rhythm: 'Rhythm',
  beats: 'Beats',
  parts: 'Steps',
  holds: 'Changes of hold',
  entry: 'Starts in',
  exit: 'Ends in',
  marks: 'Notes',
  aliases: 'Other names',
  variantOf: 'Variant of',
  variantWhy: 'Why a variant',
  rank: 'Rank',
  made: 'Made of',
  call: 'Call',
  turn: 'Turn',
  align: 'Start on the line',
  tempo: 'Tempo',
  cuts: 'Cuts',
  overTwoLessons: 'Over two lessons',
  retired: 'Retired',
  cycle: 'Counted up to',
  otherCounts: 'Counts of other schools',
  tracks: 'How it is danced',
  minutes: 'Minutes',
  difficulty: 'How hard it is',
  claps: 'Claps',
  grades: 'Grades',
  elements: 'Elements',
  over: 'Practised over',
  kind: 'Kind',
  split: 'Split beats',
};

const ROLE_WORDS: Readonly<Record<string, string>> = { lead: 'Leader', follow: 'Follower', solo: 'Steps' };

/** A field as people call it: `Leader, step 3`, `Changes of hold`. */
export function figureFieldInWords(field: string): string {
  const [key = '', entry, step] = field.split('/');
  if (key !== 'parts' || entry === undefined) return FIELD_WORDS[key] ?? key;
  const role = ROLE_WORDS[entry] ?? entry;
  return step === undefined ? role : `${role}, step ${step.split(' ')[0]}`;
}
