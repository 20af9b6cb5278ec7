import { chakra } from '@chakra-ui/react';
import { type Dance, freeId } from '@map-step/core';
import type { ReactNode } from 'react';
import type { Commands } from '../../api/commands.ts';
import { Label } from '../../ui/parts.tsx';

export interface DanceListsProps {
  readonly dance: Dance;
  readonly commands: Commands<Dance>;
}

type Lists = Pick<Dance, 'holds' | 'qualities' | 'tempo' | 'actions' | 'pieces'>;

/** One list of a dance: changing, adding and taking away a row of it. */
export function rowsOf<Key extends keyof Lists>(
  { dance, commands }: DanceListsProps,
  key: Key,
  what: string,
) {
  type Row = NonNullable<Lists[Key]>[number];
  const rows: readonly Row[] = dance[key] ?? [];
  const write = (words: string, next: readonly Row[]) =>
    commands.edit(words, now => ({ ...now, [key]: next }));
  return {
    rows,
    put: (index: number, row: Row) => write(what, rows.with(index, row)),
    add: (row: Row) => write(`${what} added`, [...rows, row]),
    take: (index: number) => write(`${what} taken away`, rows.toSpliced(index, 1)),
  };
}

/** A part of a dance under its title. */
export function List({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <chakra.section aria-label={title} display="grid" gap="1.5" justifyItems="start">
      <chakra.h2 fontSize="lg">{title}</chakra.h2>
      <Label>{words}</Label>
      {children}
    </chakra.section>
  );
}

export const needed = (text: string) => (text.trim() ? undefined : 'Write something here.');

export function idAmong(rows: readonly { readonly id: string }[], name: string): string {
  return freeId(name, taken => rows.some(({ id }) => id === taken), 'entry');
}
