import {
  middleTempo,
  midiSong,
  patternsOf,
  standOf,
  TABLE_NAMES,
  walkSequence,
  writeDocument,
  writeMidiFile,
  writeSheetSvg,
  writeTable,
} from '@map-step/core';
import { openFigures } from './figure-verbs.ts';
import { readStudio } from './files.ts';
import { type Arguments, takeWords, UsageError, wholeOption } from './usage.ts';

export const CONVERT_OPTIONS = ['to', 'what', 'tempo'] as const;

/** A studio, or a part of it, as another kind of file: the text as it stands in that file, or its bytes. */
export function convert(args: Arguments): string | Uint8Array {
  const [file = ''] = takeWords(args, 'FILE');
  const what = args.options.get('what');
  switch (args.options.get('to')) {
    case 'json':
      return writeDocument(readStudio(file));
    case 'csv': {
      const table = TABLE_NAMES.find(name => name === (what ?? 'patterns'));
      if (!table)
        throw new UsageError(`--what "${what}" is not a table; there are: ${TABLE_NAMES.join(', ')}`);
      return writeTable(readStudio(file), table);
    }
    case 'md': {
      const { recaps = [] } = readStudio(file);
      const own = recaps.filter(({ section, audience }) => section === what && audience === 'students');
      if (own.length === 0) throw new UsageError('--to md needs --what SECTION, a class that has recaps');
      return own.map(({ markdown }) => markdown).join('\n');
    }
    case 'svg': {
      if (what === undefined) throw new UsageError('--to svg needs --what PATTERN');
      return writeSheetSvg(openFigures(file, what).get(what), readStudio(file).studio.roles);
    }
    case 'midi':
      if (what === undefined) throw new UsageError('--to midi needs --what COMBINATION, or --what PATTERN');
      return midiOf(file, what, wholeOption(args, 'tempo', [20, 400]));
    default:
      throw new UsageError('convert needs --to csv, --to json, --to md, --to midi or --to svg');
  }
}

/** A combination, or one figure, to be heard; in the middle of its dance's tempo unless said. */
function midiOf(file: string, what: string, tempo: number | undefined): Uint8Array {
  const combination = readStudio(file).combinations?.find(({ id }) => id === what);
  const ids = combination ? patternsOf(combination) : [what];
  const { library, get } = openFigures(file, ...ids);
  const { dance, pattern } = get(ids[0] ?? what);
  const [hold] = pattern.entry ?? [];
  const danced = combination ?? {
    ...{ name: pattern.name, start: hold === undefined ? {} : { hold } },
    ...{ steps: [{ pattern: what }], end: 'free' as const },
  };
  const walk = walkSequence(library, { ...danced, dance, start: standOf(danced.start) });
  if (walk.beats === 0) throw new UsageError(`${file}: "${what}" has no beats`);
  return writeMidiFile(
    midiSong(library, walk, { title: danced.name, tempo: tempo ?? middleTempo(dance), dance }),
  );
}
