import { useQueryClient } from '@tanstack/react-query';
import { commandsOn } from '../../api/commands.ts';
import { useCourse } from './course-context.ts';
import { figureAggregate } from './figure-document.ts';

/** Gives a figure the minutes that logs taught. */
export function useGiveMinutes() {
  const { me } = useCourse();
  const client = useQueryClient();
  return async (figure: string, minutes: number) => {
    const aggregate = figureAggregate(figure);
    await client.fetchQuery({ queryKey: aggregate.key, queryFn: aggregate.read });
    commandsOn(client, aggregate, me.id).edit('Minutes that the logs taught', now => ({ ...now, minutes }));
  };
}
