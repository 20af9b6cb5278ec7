import { checkCandidates, itemResults, markerAgreement, newestCheck, readiness } from '@map-step/core';
import { readSoundStudio } from './files.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

/** How ready the students of a class are by its newest check, how its markers agree, and what was passed. */
export function ready(args: Arguments): unknown {
  const [file = '', id = ''] = takeWords(args, 'FILE', 'SECTION');
  const document = readSoundStudio(file);
  const section = document.sections?.find(entry => entry.id === id);
  if (!section) throw new UsageError(`${file}: there is no section "${id}"`);
  const check = newestCheck(document.checks ?? [], id);
  if (!check) throw new UsageError(`${file}: section "${id}" has no check`);
  const told = readiness(check.items, check.marks, checkCandidates(section, check));
  return {
    students: told.map(({ asked: _, marked: __, open: ___, enough: ____, ...student }) => student),
    markers: markerAgreement(check.marks).map(({ students: _, ...pair }) => pair),
    items: itemResults(check.items, told),
  };
}
