import type { Clash, Json } from '@map-step/core';
import { useState } from 'react';
import { OneOf } from '../../ui/one-of.tsx';
import { Button, Label, Notice } from '../../ui/parts.tsx';

type Whose = 'theirs' | 'mine' | 'both';

interface ClashChoiceProps {
  readonly clashes: readonly Clash[];
  /** A field as people call it. */
  nameOf(field: string): string;
  wordsOf(value: Json): string;
  settle(values: Readonly<Record<string, Json>>): void;
}

/** Two people changed the same fields: theirs, mine or both, field by field. Nothing was overwritten. */
export function ClashChoice({ clashes, nameOf, wordsOf, settle }: ClashChoiceProps) {
  const [chosen, setChosen] = useState<Readonly<Record<string, Whose>>>({});
  if (clashes.length === 0) return null;
  const choose = () => {
    const own = clashes.filter(({ field }) => (chosen[field] ?? 'theirs') !== 'theirs');
    settle(
      Object.fromEntries(
        own.map(clash => [clash.field, chosen[clash.field] === 'both' ? both(clash) : clash.mine]),
      ),
    );
  };
  return (
    <Notice tone="stop" title="Somebody else changed this too. Nothing was overwritten.">
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
                {{ theirs: 'Theirs', mine: 'Mine', both: 'Both' }[whose]}:{' '}
                <Label>
                  {wordsOf(whose === 'theirs' ? clash.theirs : whose === 'mine' ? clash.mine : both(clash))}
                </Label>
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

function waysOf({ mine, theirs }: Clash): readonly Whose[] {
  return Array.isArray(mine) && Array.isArray(theirs) ? ['theirs', 'mine', 'both'] : ['theirs', 'mine'];
}

/** Both lists in one: theirs, then what only mine has. */
function both({ mine, theirs }: Clash): Json {
  if (!Array.isArray(mine) || !Array.isArray(theirs)) return mine;
  const there = new Set(theirs.map(entry => JSON.stringify(entry)));
  return [...theirs, ...mine.filter(entry => !there.has(JSON.stringify(entry)))];
}
