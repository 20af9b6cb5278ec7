import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { addDays, daysBetween, type StudioDocument, shiftDates } from '@map-step/core';
import { type Deps, todayIn } from '../../deps.ts';
import { importDocument, readImport } from './import-service.ts';
import { createStudio, isServerEmpty } from './studio-store.ts';

/** Loads the demo studio into an empty database, by the same import a user has; says whether it did. */
export async function loadDemo(
  deps: Pick<Deps, 'database' | 'now' | 'today'>,
  file: string,
): Promise<boolean> {
  const { database } = deps;
  if (!(await isServerEmpty(database))) return false;
  const document = readImport(await readFile(file, 'utf8'));
  const dated = moveToToday(document, todayIn(deps, document.studio.timezone));
  const loaded = await database.inNewStudio(
    randomUUID(),
    async transaction => (await database.models.studios.count({ transaction })) === 0,
    async scope => {
      await createStudio(scope, dated.studio, true);
      await importDocument(scope, dated);
      return true;
    },
  );
  return loaded ?? false;
}

/** Moves all dates by whole weeks, so that the first section's fifth lesson falls in the week of `today`. */
export function moveToToday(document: StudioDocument, today: string): StudioDocument {
  const lessonFive = document.sections?.[0]?.dates[4];
  if (!lessonFive) return document;
  const weekday = (date: string) => (new Date(date).getUTCDay() + 6) % 7;
  const days = daysBetween(addDays(lessonFive, -weekday(lessonFive)), addDays(today, -weekday(today)));
  return shiftDates(document, days);
}
