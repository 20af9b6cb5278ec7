// A thread of the pool: works out one thing after the other, and keeps nothing between them but its connection.
import {
  checkFirstEntry,
  draftRecaps,
  figuresBrokenBy,
  freezeBlocks,
  openLibrary,
  TABLE_NAMES,
  writeDocument,
  writeTable,
} from '@map-step/core';
import type { Assignment } from './compute/computer.ts';
import type { Clock, OfStudio, OrderOf, Read, ResultOf, TaskName } from './compute/tasks.ts';
import { type Database, openDatabase } from './db/database.ts';
import type { StudioScope } from './db/studio-scope.ts';
import type { Deps } from './deps.ts';
import { readComingFaults } from './features/programme/coming-faults.ts';
import { readDanceLevels, readFindings } from './features/programme/levels.ts';
import { readNextTerm } from './features/programme/next-term.ts';
import { readRollOver } from './features/programme/roll-over.ts';
import { readStudioDocument } from './features/studio/studio-store.ts';

type Work<Name extends TaskName> = (order: OrderOf<Name>) => ResultOf<Name> | Promise<ResultOf<Name>>;

const WORK: { readonly [Name in TaskName]: Work<Name> } = {
  'check-figure': document => checkFirstEntry(document, 'patterns'),
  'check-dance': ({ document, wished }) => figuresBrokenBy(document, wished),
  'freeze-text': ({ markdown, material, combinations, studio }) =>
    freezeBlocks(markdown, { library: openLibrary(material), combinations, studio }),
  'draft-recaps': ({ material, ...finished }) => draftRecaps({ ...finished, library: openLibrary(material) }),
  'coming-faults': order => reading(order, scope => readComingFaults(scope, clockOf(order))),
  findings: order => reading(order, scope => readFindings(scope)),
  levels: order => reading(order, scope => readDanceLevels(scope)),
  'next-term': order => reading(order, scope => readNextTerm(scope, clockOf(order))),
  'roll-over': order => reading(order, scope => readRollOver(scope, order.course, clockOf(order))),
  'write-studio': order =>
    reading(order, async scope => bytesOf(writeDocument(await readStudioDocument(scope)))),
  'write-table': order =>
    reading(order, async scope => {
      const table = TABLE_NAMES.find(name => name === order.table);
      return bytesOf(table ? writeTable(await readStudioDocument(scope), table) : '');
    }),
};

export function runTask({ name, order, begun }: Assignment): unknown {
  begun.postMessage('begun');
  begun.close();
  const work = WORK[name] as (order: unknown) => unknown;
  return work(order);
}

function clockOf({ now, today }: Clock): Pick<Deps, 'now' | 'today'> {
  return { now: () => now, ...(today && { today }) };
}

const databases = new Map<string, Database>();

function reading<Answer>(
  { databaseUrl, studio }: OfStudio,
  read: (scope: StudioScope) => Promise<Answer>,
): Promise<Read<Answer>> {
  const database = databases.get(databaseUrl) ?? openDatabase(databaseUrl, 1);
  databases.set(databaseUrl, database);
  return database.inStudio(studio, async scope => {
    const answer = await read(scope);
    return { answer, leftOut: [...scope.leftOut] };
  });
}

function bytesOf(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}
