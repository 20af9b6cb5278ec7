import { chakra } from '@chakra-ui/react';
import type { NoSequence } from '@map-step/core';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { capital } from './sequence-words.ts';
import type { Asking } from './use-asking.ts';

interface NoneFoundProps {
  readonly why: NoSequence;
  readonly asking: Asking;
  again(): void;
}

const SHOWN = 5;

/** Why there is none, and what would open a way. */
export function NoneFound({ why, asking, again }: NoneFoundProps) {
  const { library } = useCourse();
  const { opens = [], together = [] } = why;
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  return (
    <Notice tone="stop" title="There is no such sequence" takesFocus>
      <p>{capital(why.message)}.</p>
      {together.length > 0 && (
        <chakra.div display="flex" gap="2" flexWrap="wrap" mt="2" alignItems="center">
          <Label>Together these would open a way:</Label>
          <Button
            size="small"
            onClick={() => {
              for (const id of together) asking.setWish(id, 'may');
            }}
          >
            allow {together.map(nameOf).join(', ')}
          </Button>
          <Button size="small" look="next" onClick={again}>
            Search again
          </Button>
        </chakra.div>
      )}
      {opens.length > 0 && (
        <chakra.div display="flex" gap="2" flexWrap="wrap" mt="2" alignItems="center">
          <Label>This would open a way:</Label>
          {opens.slice(0, SHOWN).map(id => (
            <Button
              key={id}
              size="small"
              aria-pressed={asking.wishFor(id) !== 'not'}
              onClick={() => asking.setWish(id, 'may')}
            >
              allow {nameOf(id)}
            </Button>
          ))}
          <Button size="small" look="next" onClick={again}>
            Search again
          </Button>
        </chakra.div>
      )}
    </Notice>
  );
}
