import { chakra } from '@chakra-ui/react';
import type { GivenSequence } from '@map-step/core';
import { useMutation } from '@tanstack/react-query';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { refillInWorker } from '../../workers/sequences.ts';
import { useCourse } from '../course/course-context.ts';
import { itemsFrom } from './items.ts';
import type { Hands } from './use-hands.ts';

interface FindAnewProps {
  readonly hands: Hands;
  readonly sequence: GivenSequence;
  /** The item that stays, with what is on its other side. */
  readonly at: number;
  readonly among: readonly string[];
}

const IN_ROW = 2;

/** A part of the sequence stays as it is, and the rest is found anew around it. */
export function FindAnew({ hands, sequence, at, among }: FindAnewProps) {
  const { material } = useCourse();
  const count = sequence.steps.length;
  const find = useMutation({
    mutationFn: async ({ from, to }: { from: number; to: number }) => {
      const stretch = { from, to, use: among, maxInRow: IN_ROW };
      const found = await refillInWorker(material, sequence, stretch);
      if (found)
        hands.edit('The rest found anew', steps => [
          ...steps.slice(0, from),
          ...itemsFrom(found),
          ...steps.slice(to),
        ]);
      return found;
    },
  });
  // A button that goes grey would lose the hand.
  const anew = (from: number, to: number) => {
    if (!find.isPending) find.mutate({ from, to });
  };
  return (
    <chakra.div display="flex" gap="1.5" flexWrap="wrap" alignItems="center">
      <Button size="small" disabled={at === count - 1} onClick={() => anew(at + 1, count)}>
        Keep up to here, find the rest anew
      </Button>
      <Button size="small" disabled={at === 0} onClick={() => anew(0, at)}>
        Keep from here on
      </Button>
      {find.data === null && <Label role="status">Nothing else fits there.</Label>}
      {find.error && <Failure error={find.error} />}
    </chakra.div>
  );
}
