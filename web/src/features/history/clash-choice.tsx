import type { Clash, Json } from '@map-step/core';
import { useState } from 'react';
import { Notice } from '../../ui/notice.tsx';
import { OneOf } from '../../ui/one-of.tsx';
import { Button, Label, LongText } from '../../ui/parts.tsx';
import { canMerge, mergeBoth } from './merge.ts';

type Whose = 'theirs' | 'mine' | 'both';

interface ClashChoiceProps {
  readonly clashes: readonly Clash[];
  /** A field as people call it. */
  nameOf(field: string): string;
  wordsOf(value: Json, field: string): string;
  settle(values: Readonly<Record<string, Json>>): void;
}

/** Two people changed the same fields: theirs, mine or both, field by field. Nothing was overwritten. */
export function ClashChoice({ clashes, nameOf, wordsOf, settle }: ClashChoiceProps) {
  const [chosen, setChosen] = useState<Readonly<Record<string, Whose>>>({});
  if (clashes.length === 0) return null;
  const choose = () => {
    const own = clashes.filter(({ field }) => (chosen[field] ?? 'theirs') !== 'theirs');
    settle(
      Object.fromEntries(own.map(clash => [clash.field, wantedBy(clash, chosen[clash.field] ?? 'mine')])),
    );
  };
  return (
    <Notice tone="stop" title="Somebody else changed this before you. Nothing was overwritten.">
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
                {WORDS[whose]}: <Wanted text={wordsOf(wantedBy(clash, whose), clash.field)} />
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

function Wanted({ text }: { text: string }) {
  return text.includes('\n') ? <LongText>{text}</LongText> : <Label>{text}</Label>;
}

function waysOf(clash: Clash): readonly Whose[] {
  return canMerge(clash) ? ['theirs', 'mine', 'both'] : ['theirs', 'mine'];
}

function wantedBy(clash: Clash, whose: Whose): Json {
  return whose === 'both' ? mergeBoth(clash) : clash[whose];
}
