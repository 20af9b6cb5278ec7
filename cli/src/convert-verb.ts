import { TABLE_NAMES, writeDocument, writeSheetSvg, writeTable } from '@map-step/core';
import { openFigures } from './figure-verbs.ts';
import { readStudio } from './files.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

export const CONVERT_OPTIONS = ['to', 'what'] as const;

/** A studio as another kind of file: the text as it stands in that file. */
export function convert(args: Arguments): string {
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
    default:
      throw new UsageError('convert needs --to csv, --to json, --to md or --to svg');
  }
}
