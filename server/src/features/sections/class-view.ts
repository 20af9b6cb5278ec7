// The one filter through which every answer goes that holds a class.
import type { RouteDefinition, SignedInPerson, SinceAnswer } from '@map-step/contract';
import { JsonText } from '../../db/json-text.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { AnyCall } from '../../http/route.ts';
import { getSection, maySeeStudents } from './rights.ts';
import type { ToldSection } from './section-service.ts';

/** An answer as far as it is meant for who asks: names for the staff of the class on their days, and for the director. */
export async function forWhoAsks(
  scope: StudioScope,
  { tellsClass }: RouteDefinition,
  call: AnyCall & { readonly who: SignedInPerson },
  answer: unknown,
): Promise<unknown> {
  switch (tellsClass) {
    case undefined:
      return answer;
    case 'class': {
      const told = answer as ToldSection;
      return (await maySeeStudents(scope, told.section, call)) ? told : withoutStudents(told);
    }
    case 'events': {
      const told = answer as SinceAnswer;
      const section = await getSection(scope, (call.params as { section: string }).section);
      return (await maySeeStudents(scope, section, call)) ? told : ofFigures(told);
    }
    default:
      return tellsClass satisfies never;
  }
}

/** Of what happened only what everybody of the studio may see: which figures were danced. */
function ofFigures({ events, ...answer }: SinceAnswer): SinceAnswer {
  return {
    ...answer,
    events: events.flatMap((event): SinceAnswer['events'] => {
      if (event.kind !== 'log') return [];
      const { note: _, ...entry } = event.entry;
      return [{ kind: 'log', entry }];
    }),
  };
}

/** What everybody of the studio may see of a class: how many are in it and where it is, and nobody's name. */
function withoutStudents({ section, logs, recaps, ...answer }: ToldSection): ToldSection {
  const read = logs instanceof JsonText ? logs.read() : logs;
  return {
    ...answer,
    section: { ...section, students: [] },
    students: [],
    attendance: [],
    notes: [],
    logs: read.map(({ note: _, ...log }) => log),
    recaps: (recaps instanceof JsonText ? recaps.read() : recaps).map(recap =>
      recap.audience === 'staff' ? { ...recap, markdown: '' } : recap,
    ),
  };
}
