import {
  type MipSolver,
  makeTimetable,
  openLibrary,
  type Programme,
  readProgramme,
  type Timetable,
} from '@map-step/core';
import { readSoundStudio, readStudio, readValue } from './files.ts';
import { timetableFile } from './timetable-schema.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

/** Without what is told on the first page alone. */
type Told = Pick<Programme, 'levels'> & {
  readonly findings: readonly Omit<Programme['findings'][number], 'costs'>[];
};

/** What each level teaches and needs, and what hurts between the levels of each dance. */
export function programme(args: Arguments): Told {
  const [file = ''] = takeWords(args, 'FILE');
  const document = readSoundStudio(file);
  const { findings, levels } = readProgramme(openLibrary(document), document);
  return { findings: findings.map(({ costs: _, ...finding }) => finding), levels };
}

/** Classes of a studio's levels laid into rooms, days and staff. */
export function timetable(args: Arguments, solver?: MipSolver): Timetable {
  const [file = '', path = ''] = takeWords(args, 'FILE', 'REQUEST');
  const { levels = [] } = readStudio(file);
  const request = readValue(path, timetableFile);
  const danceOf = new Map(levels.map(({ id, dance }) => [id, dance]));
  const at = request.classes.findIndex(({ level }) => !danceOf.has(level));
  if (at >= 0)
    throw new UsageError(
      `${path}: /classes/${at}/level: there is no level "${request.classes[at]?.level}" in ${file}; there are ${[...danceOf.keys()].join(', ') || 'none'}`,
    );
  if (!solver) throw new UsageError('the solver of timetables could not be loaded');
  return makeTimetable(request, { solver, danceOf: level => danceOf.get(level) ?? level });
}
