import type { Library } from '../library/library.ts';
import type { Path } from '../model/issue.ts';
import { findHold } from '../steps/holds.ts';
import type { CombineRequest } from './request.ts';
import { MOST_MUSTS } from './stand-graph.ts';

export interface RequestFault {
  readonly path: Path;
  readonly message: string;
}

/** The first thing in a request that cannot be answered at all; undefined where all of it can. */
export function requestFault(library: Library, request: CombineRequest): RequestFault | undefined {
  const dance = library.dances.get(request.dance);
  if (!dance) return { path: ['dance'], message: `there is no dance "${request.dance}"` };
  if (request.beats <= 0) return { path: ['beats'], message: 'beats must be above 0' };
  if (request.end === 'opposite' && dance.floor === 'slot')
    return { path: ['end'], message: 'in a slot both ways along it are the same: ask for "same"' };
  if (dance.roles === 'pair' && !findHold(dance, request.start.hold))
    return { path: ['start', 'hold'], message: `${dance.name} has no hold "${request.start.hold}"` };
  const asked = request.must.length + request.choices.length;
  if (asked > MOST_MUSTS)
    return { path: ['must'], message: `there are ${asked} musts and choices; ${MOST_MUSTS} can be asked` };
  return useFault(library, request) ?? withinFault(request);
}

function useFault(library: Library, { use, dance, choices }: CombineRequest): RequestFault | undefined {
  const set = choices.flatMap(({ of }, i) =>
    of.flatMap((id, j) => (id === null ? [] : [{ id, path: ['choices', i, 'of', j] as Path }])),
  );
  for (const { id, path } of [...use.map((id, i) => ({ id, path: ['use', i] as Path })), ...set]) {
    const reading = library.readings.get(id);
    if (!reading) return { path, message: `there is no pattern "${id}"` };
    if (reading.figure.dance.id !== dance) return { path, message: `"${id}" is not a figure of "${dance}"` };
    if (reading.faults.length > 0)
      return { path, message: `"${id}" has errors: ${reading.faults[0]?.message}` };
  }
  return undefined;
}

/** Musts, and what choices lie between, are figures that may be used. */
function withinFault({ use, must, choices }: CombineRequest): RequestFault | undefined {
  const between = choices.flatMap(({ after, before }, i) => [
    { id: after, path: ['choices', i, 'after'] as Path },
    { id: before, path: ['choices', i, 'before'] as Path },
  ]);
  const asked = [...must.map((id, i) => ({ id, path: ['must', i] as Path })), ...between];
  const outside = asked.find(({ id }) => !use.includes(id));
  return outside && { path: outside.path, message: `"${outside.id}" is not within "use"` };
}
