// What happens in a class is added to its stream: of each kind the rules of what it may name.
import type { SentEvent, SignedInPerson, StoredAnswer } from '@map-step/contract';
import { type ClassEvent, type ClassEventKind, type EntryOf, type Section, signEvent } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import { appendEntries, type ListedEntry } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { Deps } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { getSection, requireStudents } from './rights.ts';
import { newestEvent } from './since.ts';

/** Who writes, and by which clock. */
export interface Writing {
  readonly deps: Deps;
  readonly who: SignedInPerson;
}

type EventOf<Kind extends ClassEventKind> = Extract<ClassEvent, { readonly kind: Kind }>;

interface KindRules<Kind extends ClassEventKind> {
  /** What is told to those who look at the class. */
  readonly topic: 'section' | 'check';
  /** Refuses events that name what is not there. */
  check(scope: StudioScope, section: Section, events: readonly EventOf<Kind>[]): Promise<void> | void;
}

const RULES: { readonly [Kind in ClassEventKind]: KindRules<Kind> } = {
  log: { topic: 'section', check: requireFigures },
  present: {
    topic: 'section',
    check: (_, section, events) =>
      requireStudents(
        section,
        events.map(({ entry }) => entry.student),
      ),
  },
  note: { topic: 'section', check: () => undefined },
  mark: { topic: 'check', check: requireAsked },
};

/** Stores events of a class once each, however often they are sent; all of them, or nothing. */
export async function appendEvents(
  scope: StudioScope,
  { deps, who }: Writing,
  id: string,
  sent: readonly SentEvent[],
): Promise<StoredAnswer> {
  requireThisYear(
    sent.map(({ entry }) => entry),
    deps.now(),
  );
  await takeTurn(scope, id);
  const section = await getSection(scope, id);
  const events = sent.map(event => signEvent(event, { section: id, by: who.id }));
  const topics = new Set<'section' | 'check'>();
  for (const kind of Object.keys(RULES) as ClassEventKind[])
    if (await checkKind(scope, section, kind, events)) topics.add(RULES[kind].topic);
  await appendEntries(scope, events.map(listedOf));
  const seq = await newestEvent(scope, id);
  for (const topic of topics) await announce(scope, { topic, id, seq });
  return { stored: events.map(({ entry }) => entry.id) };
}

/** Events of one class are numbered in the order in which they are committed: whoever knows one has seen all before it. */
async function takeTurn(scope: StudioScope, section: string): Promise<void> {
  await scope.select('SELECT pg_advisory_xact_lock(hashtextextended($1::text || $2, 0))', [section]);
}

function listedOf(event: ClassEvent): ListedEntry {
  switch (event.kind) {
    case 'log':
      return { list: 'logs', entry: event.entry };
    case 'present':
      return { list: 'attendance', entry: event.entry };
    case 'note':
      return { list: 'notes', entry: event.entry };
    case 'mark':
      return { list: 'marks', entry: { ...event.entry, check: event.check } };
    default:
      return event satisfies never;
  }
}

/** Holds the events of a kind to its rules; false when there are none. */
async function checkKind<Kind extends ClassEventKind>(
  scope: StudioScope,
  section: Section,
  kind: Kind,
  events: readonly ClassEvent[],
): Promise<boolean> {
  const ofKind = events.filter((event): event is EventOf<Kind> => event.kind === kind);
  if (ofKind.length === 0) return false;
  const rules: KindRules<Kind> = RULES[kind];
  await rules.check(scope, section, ofKind);
  return true;
}

const YEAR_MS = 366 * 86_400_000;

/** What happens in a class happens now, or did not long ago: a clock that is years off is not believed. */
function requireThisYear(entries: readonly { readonly at: string }[], now: Date): void {
  const odd = entries.find(({ at }) => Math.abs(Date.parse(at) - now.getTime()) > YEAR_MS);
  if (odd)
    throw new HttpFault(
      'bad-request',
      `${odd.at} is more than a year from now. Set the clock of this device right and try again.`,
    );
}

async function requireFigures(
  scope: StudioScope,
  _: Section,
  logs: readonly { readonly entry: EntryOf<'log'> }[],
): Promise<void> {
  const figures = logs.flatMap(({ entry }) => entry.pattern ?? []);
  const rows = await scope.select<{ id: string }>(
    'SELECT id FROM patterns WHERE studio_id = $1 AND id = ANY($2)',
    [figures],
  );
  const there = new Set(rows.map(({ id }) => id));
  const missing = figures.find(figure => !there.has(figure));
  if (missing !== undefined) throw new HttpFault('bad-request', `There is no figure "${missing}".`);
}

/** Marks are of what their check asks, of students of its class. */
async function requireAsked(
  scope: StudioScope,
  section: Section,
  marks: readonly EventOf<'mark'>[],
): Promise<void> {
  requireStudents(
    section,
    marks.flatMap(({ entry }) => (entry.with ? [entry.student, entry.with] : [entry.student])),
  );
  const checks = await documentStore(scope, 'checks').listSome([...new Set(marks.map(({ check }) => check))]);
  const asked = new Set(
    checks
      .filter(check => check.section === section.id)
      .flatMap(({ id, items }) =>
        items.flatMap(({ pattern, layers }) => layers.map(layer => `${id} ${pattern} ${layer}`)),
      ),
  );
  const odd = marks.find(({ check, entry }) => !asked.has(`${check} ${entry.pattern} ${entry.layer}`));
  if (odd)
    throw new HttpFault(
      'bad-request',
      `This check does not ask for ${odd.entry.layer} of "${odd.entry.pattern}".`,
    );
}
