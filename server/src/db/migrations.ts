import type { QueryInterface } from 'sequelize';
import { FIRST } from './migrations/0001-first.ts';
import { STUDIO_WALL } from './migrations/0002-studio-wall.ts';
import { EVENTS } from './migrations/0003-events.ts';
import { SUMMARIES } from './migrations/0004-summaries.ts';
import { SHARED_WORK } from './migrations/0005-shared-work.ts';
import { BOUNDS } from './migrations/0006-bounds.ts';
import { NO_HASHES } from './migrations/0007-no-hashes.ts';
import { SOUND_EVENTS } from './migrations/0008-sound-events.ts';
import { MEMBERSHIPS } from './migrations/0009-memberships.ts';
import { CHECK_LINKS } from './migrations/0010-check-links.ts';
import { NOTES } from './migrations/0011-notes.ts';
import { CORRECTIONS } from './migrations/0012-corrections.ts';
import { DOORS } from './migrations/0013-doors.ts';
import { CLASS_EVENTS } from './migrations/0014-class-events.ts';
import { PROMISES } from './migrations/0015-promises.ts';
import { MATERIAL_STAMPS } from './migrations/0016-material-stamps.ts';
import { OUTBOX } from './migrations/0017-outbox.ts';
import { FIGURE_DRAFTS } from './migrations/0018-figure-drafts.ts';
import { ELEMENTS_AHEAD } from './migrations/0019-elements-ahead.ts';
import { COMBINATIONS } from './migrations/0020-combinations.ts';
import { EVENTS_OF_STUDENTS } from './migrations/0021-events-of-students.ts';

export interface Migration {
  readonly name: string;
  up(queryInterface: QueryInterface): Promise<unknown>;
}

const sql = (name: string, text: string): Migration => ({
  name,
  up: queryInterface => queryInterface.sequelize.query(text),
});

/** A static list: a glob would not survive bundling. */
export const MIGRATIONS: readonly Migration[] = [
  sql('0001-first', FIRST),
  sql('0002-studio-wall', STUDIO_WALL),
  sql('0003-events', EVENTS),
  sql('0004-summaries', SUMMARIES),
  sql('0005-shared-work', SHARED_WORK),
  sql('0006-bounds', BOUNDS),
  sql('0007-no-hashes', NO_HASHES),
  sql('0008-sound-events', SOUND_EVENTS),
  sql('0009-memberships', MEMBERSHIPS),
  sql('0010-check-links', CHECK_LINKS),
  sql('0011-notes', NOTES),
  sql('0012-corrections', CORRECTIONS),
  sql('0013-doors', DOORS),
  sql('0014-class-events', CLASS_EVENTS),
  sql('0015-promises', PROMISES),
  sql('0016-material-stamps', MATERIAL_STAMPS),
  sql('0017-outbox', OUTBOX),
  sql('0018-figure-drafts', FIGURE_DRAFTS),
  sql('0019-elements-ahead', ELEMENTS_AHEAD),
  sql('0020-combinations', COMBINATIONS),
  sql('0021-events-of-students', EVENTS_OF_STUDENTS),
];
