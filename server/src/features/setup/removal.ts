import type { RemovableKind } from '@map-step/contract';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import { historyStore } from '../../db/history-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { requireDirectorBesides } from './directors.ts';

/** Selects the names of what needs an entry: `$1` is the studio, `$2` its id. */
type Uses = readonly { readonly words: string; readonly sql: string }[];

const named = (table: string, condition: string) =>
  `SELECT body ->> 'name' AS name FROM ${table} WHERE studio_id = $1 AND ${condition}`;
const hasEntry = (list: string, key: string) =>
  `body -> '${list}' @> jsonb_build_array(jsonb_build_object('${key}', $2::text))`;
const has = (list: string) => `body -> '${list}' ? $2`;
const written = (table: string, condition: string) =>
  `SELECT NULL AS name FROM ${table} WHERE studio_id = $1 AND ${condition}`;

const USES: { readonly [Kind in RemovableKind]: Uses } = {
  dances: [
    { words: 'levels', sql: named('levels', 'dance_id = $2') },
    { words: 'figures', sql: named('patterns', 'dance_id = $2') },
    { words: 'courses', sql: named('courses', `(${has('dances')} OR ${hasEntry('lessons', 'dance')})`) },
    { words: 'combinations', sql: named('combinations', "body ->> 'dance' = $2") },
    { words: 'elements', sql: named('elements', "body ->> 'dance' = $2") },
  ],
  levels: [
    { words: 'figures', sql: named('patterns', 'level_id = $2') },
    { words: 'courses', sql: named('courses', 'level_id = $2') },
  ],
  elements: [{ words: 'figures', sql: named('patterns', has('elements')) }],
  rooms: [{ words: 'classes', sql: `SELECT id AS name FROM sections WHERE studio_id = $1 AND room_id = $2` }],
  people: [
    {
      words: 'the staff of classes',
      sql: `SELECT id AS name FROM sections WHERE studio_id = $1 AND ${hasEntry('staff', 'person')}`,
    },
    { words: 'what was logged', sql: written('logs', "body ->> 'by' = $2") },
    { words: 'who was noted as here', sql: written('attendance', "body ->> 'by' = $2") },
    { words: 'what was noted', sql: written('notes', "body ->> 'by' = $2") },
    { words: 'marks', sql: written('marks', "body ->> 'by' = $2") },
    { words: 'versions of plans', sql: written('plans', "body ->> 'by' = $2") },
    { words: 'the history', sql: written('history', 'person_id = $2') },
  ],
  students: [
    {
      words: 'classes',
      sql: `SELECT id AS name FROM sections WHERE studio_id = $1 AND ${hasEntry('students', 'student')}`,
    },
    { words: 'who was here', sql: written('attendance', 'student_id = $2') },
    { words: 'marks', sql: written('marks', "(student_id = $2 OR body ->> 'with' = $2)") },
  ],
  patterns: [
    {
      words: 'courses',
      sql: named(
        'courses',
        `(${hasEntry('items', 'pattern')}
          OR body -> 'lessons' @> jsonb_build_array(jsonb_build_object('again', jsonb_build_array($2::text))))`,
      ),
    },
    {
      words: 'figures',
      sql: named(
        'patterns',
        `(${has('needs')} OR ${has('lookalikes')} OR ${hasEntry('made', 'pattern')}
          OR ${hasEntry('made', 'last')}
          OR body ->> 'variantOf' = $2 OR body ->> 'over' = $2)`,
      ),
    },
    { words: 'combinations', sql: named('combinations', "body::text LIKE '%\"' || $2 || '\"%'") },
    { words: 'versions of plans', sql: written('plans', hasEntry('placed', 'pattern')) },
    { words: 'what was logged', sql: written('logs', 'pattern_id = $2') },
    { words: 'checks', sql: written('checks', hasEntry('items', 'pattern')) },
    { words: 'marks', sql: written('marks', 'pattern_id = $2') },
  ],
  combinations: [],
  courses: [
    { words: 'combinations', sql: named('combinations', 'course_id = $2') },
    { words: 'classes', sql: `SELECT id AS name FROM sections WHERE studio_id = $1 AND course_id = $2` },
  ],
  sections: [
    { words: 'what was logged', sql: written('logs', 'section_id = $2') },
    { words: 'who was here', sql: written('attendance', 'section_id = $2') },
    { words: 'what was noted', sql: written('notes', 'section_id = $2') },
    { words: 'recaps', sql: written('recaps', 'section_id = $2') },
    { words: 'checks', sql: written('checks', 'section_id = $2') },
  ],
};

const SHOWN = 3;

/** Takes away what nothing needs. What is needed is refused, with the names of what needs it. */
export async function removeEntry(
  scope: StudioScope,
  kind: RemovableKind,
  id: string,
  person: string,
): Promise<{ removed: string }> {
  const stored = await documentStore(scope, kind).find(id);
  if (!stored) throw new HttpFault('not-found', `There is no "${id}" in this studio.`);
  if (kind === 'people') await requireDirectorBesides(scope, id);
  await refuseNeeded(scope, kind, id);
  await historyStore(scope, kind, id).add({
    kind: 'remove',
    what: 'Removed',
    person,
    before: { entry: stored.body },
    after: {},
    undoes: null,
  });
  await scope.select(`DELETE FROM ${kind} WHERE studio_id = $1 AND id = $2 RETURNING id`, [id]);
  await announce(scope, toldOf(kind, id));
  return { removed: id };
}

async function refuseNeeded(scope: StudioScope, kind: RemovableKind, id: string): Promise<void> {
  const uses: string[] = [];
  for (const { words, sql } of USES[kind]) {
    const rows = await scope.select<{ name: string | null }>(`${sql} LIMIT ${SHOWN + 1}`, [id]);
    const names = rows.flatMap(({ name }) => name ?? []).slice(0, SHOWN);
    if (rows.length > 0)
      uses.push(
        names.length === 0 ? words : `${words} (${names.join(', ')}${rows.length > SHOWN ? ' …' : ''})`,
      );
  }
  if (uses.length > 0)
    throw new HttpFault('conflict', `It is needed by ${uses.join(', ')}. Nothing was removed.`);
}

function toldOf(kind: RemovableKind, id: string) {
  switch (kind) {
    case 'dances':
    case 'levels':
    case 'elements':
    case 'patterns':
      return { topic: 'material', id } as const;
    case 'combinations':
      return { topic: 'combination', id } as const;
    case 'courses':
      return { topic: 'course', id } as const;
    case 'sections':
      return { topic: 'section', id } as const;
    case 'rooms':
    case 'people':
    case 'students':
      return { topic: 'studio', id } as const;
    default:
      return kind satisfies never;
  }
}
