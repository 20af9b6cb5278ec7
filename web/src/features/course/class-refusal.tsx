import type { Json } from '@map-step/core';
import type { QueryKey } from '@tanstack/react-query';
import { useQuery } from '@tanstack/react-query';
import type { Commands } from '../../api/commands.ts';
import { RefusalNotice } from '../history/refusal-notice.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';

const FIELD_WORDS: Readonly<Record<string, string>> = {
  dates: 'Dates',
  start: 'Time',
  room: 'Room',
  cancelled: 'Evenings called off',
};

interface ClassRefusalProps {
  readonly of: QueryKey;
  readonly commands: Pick<Commands<object>, 'settle' | 'dismiss'>;
}

/** A change of a class that was not taken. */
export function ClassRefusal({ of, commands }: ClassRefusalProps) {
  const { data: studio } = useQuery(studioQuery);
  const nameOf = (field: string) => {
    const [list, id = ''] = field.split('/');
    return list === 'staff' ? personName(studio, id) : (FIELD_WORDS[field] ?? field);
  };
  return <RefusalNotice of={of} commands={commands} nameOf={nameOf} wordsOf={wordsOf} />;
}

function wordsOf(value: Json): string {
  if (value === null) return 'not there';
  if (Array.isArray(value)) return value.join(', ');
  if (typeof value !== 'object') return String(value);
  const { from, to } = { from: null, to: null, ...value };
  if (from !== null && to !== null) return from === to ? `on ${from} only` : `${from} to ${to}`;
  if (from !== null) return `from ${from}`;
  return to === null ? 'every lesson' : `until ${to}`;
}
