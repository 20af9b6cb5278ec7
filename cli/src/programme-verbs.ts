import { openLibrary, type Programme, readProgramme } from '@map-step/core';
import { readSoundStudio } from './files.ts';
import { type Arguments, takeWords } from './usage.ts';

/** What each level teaches and needs, and what hurts between the levels of each dance. */
export function programme(args: Arguments): Programme {
  const [file = ''] = takeWords(args, 'FILE');
  const document = readSoundStudio(file);
  return readProgramme(openLibrary(document), document);
}
