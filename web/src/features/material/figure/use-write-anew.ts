import { comparisonInWords, type Figure, madeAnew, readFigure } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { commandsOn } from '../../../api/commands.ts';
import { useCourse } from '../../course/course-context.ts';
import { figureAggregate } from '../../course/figure-document.ts';

/** What a made figure would become with its pieces as they are now, beside what it is. */
export function useAnewInWords(): (figure: Figure) => string | undefined {
  const { library, studio } = useCourse();
  return figure => {
    const anew = madeAnew(figure, library);
    if (!anew) return undefined;
    const { figure: next } = readFigure({ ...figure.pattern, ...anew }, figure.dance);
    return comparisonInWords(next, figure, studio.studio.roles, 'as it is');
  };
}

/** Writes figures anew from their pieces, each with the others of its changes left as they are. */
export function useWriteAnew() {
  const { library, me } = useCourse();
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (figures: readonly Figure[]) => {
      for (const figure of figures) {
        const anew = madeAnew(figure, library);
        if (!anew) continue;
        const aggregate = figureAggregate(figure.pattern.id);
        await client.fetchQuery({ queryKey: aggregate.key, queryFn: aggregate.read });
        commandsOn(client, aggregate, me.id).edit('Written from its pieces', now => ({ ...now, ...anew }));
      }
    },
  });
}
