// The one filter through which every answer goes that holds a class.
import type { RouteDefinition, SignedInPerson } from '@map-step/contract';
import { JsonText } from '../../db/json-text.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { AnyCall } from '../../http/route.ts';
import { maySeeStudents } from './rights.ts';
import type { ToldSection } from './section-service.ts';

/** An answer as far as it is meant for who asks: names for the staff of the class on their days, and for the director. */
export async function forWhoAsks(
  scope: StudioScope,
  { tellsClass }: RouteDefinition,
  call: AnyCall & { readonly who: SignedInPerson },
  answer: unknown,
): Promise<unknown> {
  if (!tellsClass) return answer;
  const told = answer as ToldSection;
  return (await maySeeStudents(scope, told.section, call)) ? told : withoutStudents(told);
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
