import { chakra } from '@chakra-ui/react';
import { usePlan } from '../../course/course-context.ts';
import { useElements } from '../../course/use-elements.ts';

const Bead = chakra('button', {
  base: {
    justifySelf: 'start',
    maxWidth: '100%',
    px: '2',
    py: '0.5',
    mx: '1',
    border: '1.5px dashed',
    borderColor: 'ink',
    borderRadius: 'lg',
    bg: 'paper',
    color: 'ink',
    fontWeight: '500',
    lineHeight: '1.2',
    textAlign: 'left',
    cursor: 'pointer',
    position: 'relative',
    zIndex: '1',
  },
});

/** What is shown a lesson ahead of its figure: a bead on its own evening. It leads to the figure that it is for. */
export function AheadLane({ count }: { count: number }) {
  const { draft } = usePlan();
  const elements = useElements();
  const lessons = draft.judgement?.lessons ?? [];
  const beads = lessons.flatMap(({ prepare }, index) =>
    prepare.map(({ id, minutes }) => ({ id, minutes: minutes / 10, lesson: index + 1 })),
  );
  if (beads.length === 0) return null;
  const figureFor = (id: string, lesson: number) =>
    elements.get(id)?.figures.find(figure => draft.placed[figure] === lesson + 1);
  return (
    <section>
      <h2>Shown a lesson ahead</h2>
      <div style={{ gridTemplateColumns: `repeat(${count}, minmax(0, 1fr))` }}>
        {beads.map(({ id, minutes, lesson }) => {
          const name = elements.get(id)?.name ?? id;
          return (
            <Bead
              key={id}
              type="button"
              data-ahead={id}
              data-ahead-of={figureFor(id, lesson)}
              style={{ gridColumn: lesson }}
              aria-label={`${name}, ${minutes} minutes in lesson ${lesson}, for lesson ${lesson + 1}`}
            >
              {name}, {minutes} min
            </Bead>
          );
        })}
      </div>
    </section>
  );
}
