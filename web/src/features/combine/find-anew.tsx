import { chakra } from '@chakra-ui/react';
import type { GivenSequence } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { LockKeyhole } from 'lucide-react';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { refillInWorker } from '../../workers/sequences.ts';
import { useCourse } from '../course/course-context.ts';
import { withFillings } from './items.ts';
import type { Hands } from './use-hands.ts';
import type { KeptFigures } from './use-kept-figures.ts';

interface FindAnewProps {
  readonly hands: Hands;
  readonly sequence: GivenSequence;
  readonly at: number;
  readonly kept: KeptFigures;
  readonly among: readonly string[];
}

const IN_ROW = 2;

/** What stays of a sequence, and the rest found anew around it. */
export function FindAnew({ hands, sequence, at, kept, among }: FindAnewProps) {
  const { material } = useCourse();
  const count = sequence.steps.length;
  const find = useMutation({
    mutationFn: async (staying: readonly number[]) => {
      const found = await refillInWorker(material, sequence, { kept: staying, use: among, maxInRow: IN_ROW });
      if (found.length > 0) {
        const { steps, at: now } = withFillings(hands.danced.steps, found, kept.at);
        hands.edit('The rest found anew', all => withFillings(all, found, []).steps);
        kept.keep(now, steps);
      }
      return found;
    },
  });
  // A button that goes grey would lose the hand.
  const anew = (staying: readonly number[]) => {
    if (!find.isPending) find.mutate(staying);
  };
  const all = [...sequence.steps.keys()];
  const isKept = kept.at.includes(at);
  return (
    <chakra.div display="flex" gap="1.5" flexWrap="wrap" alignItems="center">
      <Button size="small" aria-pressed={isKept} onClick={() => kept.toggle(at)}>
        <LockKeyhole size={14} aria-hidden /> {isKept ? 'It stays' : 'Let it stay'}
      </Button>
      {kept.at.length > 0 && kept.at.length < count && (
        <Button size="small" onClick={() => anew(kept.at)}>
          Find anew what is not to stay
        </Button>
      )}
      <Button size="small" disabled={at === count - 1} onClick={() => anew(all.slice(0, at + 1))}>
        Keep up to here, find the rest anew
      </Button>
      <Button size="small" disabled={at === 0} onClick={() => anew(all.slice(at))}>
        Keep from here on
      </Button>
      {find.data?.length === 0 && <Label role="status">Nothing else fits there.</Label>}
      {find.error && <Failure error={find.error} />}
    </chakra.div>
  );
}
