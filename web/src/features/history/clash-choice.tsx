import { Mark } from '@chakra-ui/react';
import type { HistoryEntry } from '@map-step/contract';
import type { Clash, Json } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { diffComm } from 'node-diff3';
import { useState } from 'react';
import { Notice } from '../../ui/notice.tsx';
import { OneOf } from '../../ui/one-of.tsx';
import { Button, Label, LongText } from '../../ui/parts.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import { canMerge, mergeBoth } from './merge.ts';

type Whose = 'theirs' | 'mine' | 'both';

interface ClashChoiceProps {
  readonly clashes: readonly Clash[];
  /** What was changed first, and by whom. */
  readonly first: HistoryEntry | undefined;
  /** A field as people call it. */
  nameOf(field: string): string;
  wordsOf(value: Json, field: string): string;
  settle(values: Readonly<Record<string, Json>>): void;
}

/** Two people changed the same fields: theirs, mine or both, field by field. Nothing was overwritten. */
export function ClashChoice({ clashes, first, nameOf, wordsOf, settle }: ClashChoiceProps) {
  const [chosen, setChosen] = useState<Readonly<Record<string, Whose>>>({});
  const { data: studio } = useQuery(studioQuery);
  if (clashes.length === 0) return null;
  const who = first ? personName(studio, first.by) : 'Somebody else';
  const what = first ? `: ${first.what}` : '';
  const choose = () => {
    const own = clashes.filter(({ field }) => (chosen[field] ?? 'theirs') !== 'theirs');
    settle(
      Object.fromEntries(own.map(clash => [clash.field, wantedBy(clash, chosen[clash.field] ?? 'mine')])),
    );
  };
  return (
    <Notice tone="stop" title={`${who} changed this before you${what}. Nothing was overwritten.`} takesFocus>
      {clashes.map(clash => (
        <OneOf
          key={clash.field}
          title={nameOf(clash.field)}
          value={chosen[clash.field] ?? 'theirs'}
          set={whose => setChosen(now => ({ ...now, [clash.field]: whose }))}
          among={waysOf(clash).map(whose => ({
            value: whose,
            words: (
              <>
                {WORDS[whose]}:{' '}
                <Wanted
                  text={wordsOf(wantedBy(clash, whose), clash.field)}
                  seen={wordsOf(clash.seen, clash.field)}
                />
              </>
            ),
          }))}
        />
      ))}
      <Button look="next" size="small" onClick={choose}>
        Take these
      </Button>
    </Notice>
  );
}

const WORDS = { theirs: 'Theirs', mine: 'Mine', both: 'Both' } as const satisfies Record<Whose, string>;

/** What would stand, with what is new in it marked. */
function Wanted({ text, seen }: { text: string; seen: string }) {
  const parts = diffComm(wordsIn(seen), wordsIn(text)).map((region, index) => {
    const { common, buffer2: fresh } = region as { common?: string[]; buffer2?: string[] };
    const words = (common ?? fresh ?? []).join('');
    const key = `${index} ${words}`;
    if (common) return <span key={key}>{words}</span>;
    return (
      <Mark key={key} bg="nowTint" color="ink">
        {words}
      </Mark>
    );
  });
  return text.includes('\n') ? <LongText>{parts}</LongText> : <Label>{parts}</Label>;
}

/** Words with the spaces behind them: put together they are the text. */
function wordsIn(text: string): string[] {
  return text.match(/\S+\s*|\s+/g) ?? [];
}

function waysOf(clash: Clash): readonly Whose[] {
  return canMerge(clash) ? ['theirs', 'mine', 'both'] : ['theirs', 'mine'];
}

function wantedBy(clash: Clash, whose: Whose): Json {
  return whose === 'both' ? mergeBoth(clash) : clash[whose];
}
