import type { Json } from '@map-step/core';
import type { QueryKey } from '@tanstack/react-query';
import type { Commands } from '../../api/commands.ts';
import { RefusalNotice } from '../history/refusal-notice.tsx';

interface EntryRefusalProps {
  readonly of: QueryKey;
  readonly commands: Pick<Commands<object>, 'settle' | 'dismiss'>;
}

/** A change of what was set up that was not taken: why, and what stands now. */
export function EntryRefusal({ of, commands }: EntryRefusalProps) {
  return <RefusalNotice of={of} commands={commands} nameOf={nameOf} wordsOf={wordsOf} />;
}

/** `countCycle` as `Count cycle`. */
function nameOf(field: string): string {
  const words = field.replaceAll(/[A-Z]/g, letter => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function wordsOf(value: Json): string {
  if (value === null) return 'not there';
  if (Array.isArray(value)) return value.map(wordsOf).join('; ');
  if (typeof value === 'object')
    return Object.values(value)
      .map(one => wordsOf(one ?? null))
      .join(' ');
  return String(value);
}
