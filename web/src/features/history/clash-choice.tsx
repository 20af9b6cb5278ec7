import type { Clash, Json } from '@map-step/core';
import { useState } from 'react';
import { chakra } from '../../theme/chakra.ts';
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
        <chakra.fieldset key={clash.field} my="2" border="0">
          <chakra.legend fontWeight="600">{nameOf(clash.field)}</chakra.legend>
          {waysOf(clash).map(whose => (
            <chakra.label key={whose} display="flex" gap="2" alignItems="baseline">
              <input
                type="radio"
                name={clash.field}
                checked={(chosen[clash.field] ?? 'theirs') === whose}
                onChange={() => setChosen(now => ({ ...now, [clash.field]: whose }))}
              />
              <span>
                {{ theirs: 'Theirs', mine: 'Mine', both: 'Both' }[whose]}:{' '}
                <Label>
                  {wordsOf(whose === 'theirs' ? clash.theirs : whose === 'mine' ? clash.mine : both(clash))}
                </Label>
              </span>
            </chakra.label>
          ))}
        </chakra.fieldset>
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
