import { chakra } from '@chakra-ui/react';
import { Button, Notice } from '../../../ui/parts.tsx';
import { useCourseView } from '../../course/course-view.ts';
import type { Placing } from './use-placing.ts';

const place = (lesson: number | null | undefined) => (lesson ? `lesson ${lesson}` : 'left out');

/** Two people moved the same figure: both states, and the choice. */
export function Clash({ placing }: { placing: Placing }) {
  const { draft, library } = useCourseView();
  const { clash } = placing;
  if (!clash) return null;
  const keepMine = () => {
    placing.dismiss();
    placing.place(
      clash.moves.map(({ pattern, to }) => ({ pattern, to })),
      clash.why,
    );
  };
  return (
    <Notice tone="stop" title="Somebody else moved this before you. Nothing was overwritten.">
      <chakra.ul pl="5" my="2">
        {clash.moves.map(({ pattern, to }) => (
          <li key={pattern}>
            {library.patterns.get(pattern)?.name ?? pattern}: yours {place(to)}, theirs{' '}
            {place(draft.placed[pattern])}
          </li>
        ))}
      </chakra.ul>
      <chakra.div display="flex" gap="2">
        <Button size="small" onClick={placing.dismiss}>
          Keep theirs
        </Button>
        <Button size="small" onClick={keepMine}>
          Put mine instead
        </Button>
      </chakra.div>
    </Notice>
  );
}
