import type { Json } from '@map-step/core';
import type { QueryKey } from '@tanstack/react-query';
import type { Commands } from '../../api/commands.ts';
import { useRefusal } from '../../api/use-commands.ts';
import { Failure } from '../../ui/failure.tsx';
import { ClashChoice } from './clash-choice.tsx';

interface RefusalNoticeProps {
  /** What was to be changed. */
  readonly of: QueryKey;
  readonly commands: Pick<Commands<object>, 'settle' | 'dismiss'>;
  /** A field as people call it. */
  nameOf(field: string): string;
  wordsOf(value: Json, field: string): string;
}

/** A change that was not taken: what each of two people wants, to decide, or why it was refused. */
export function RefusalNotice({ of, commands, nameOf, wordsOf }: RefusalNoticeProps) {
  const refusal = useRefusal(of);
  if (!refusal) return null;
  if (refusal.clashes.length === 0) return <Failure error={refusal.error} retry={commands.dismiss} />;
  return (
    <ClashChoice
      clashes={refusal.clashes}
      first={refusal.first}
      nameOf={nameOf}
      wordsOf={wordsOf}
      settle={commands.settle}
    />
  );
}
