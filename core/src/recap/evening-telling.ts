// The evening in a few sentences, as the text begins.
import { standingNotes, standingPrepared } from '../class/standing.ts';
import type { EveningByLog } from '../evening/evening-by-log.ts';
import { elementsOf, type TaughtElement } from '../likeness/taught-elements.ts';
import type { Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { withArticle } from '../steps/words.ts';
import { namesSomebody } from './offered-notes.ts';
import type { RecapSource } from './recap-source.ts';
import { allOf, namesOf, restOfSentence, sentenceOf, withinSentence } from './words.ts';

/** What an evening brought that is not mere repetition, sorted by how it is told. */
export interface Brought {
  readonly news: readonly string[];
  /** Begun in a lesson before, and danced now. */
  readonly finished: readonly string[];
  /** Begun in a lesson before, and not at its end; drills that come again. */
  readonly goneOn: readonly string[];
  readonly started: readonly string[];
}

/** Sorts what is new: an evening before may have touched it, or had its pieces. */
export function broughtBy(
  { fresh, begun, known, touched }: EveningByLog,
  { library }: Pick<RecapSource, 'library'>,
): Brought {
  const before = new Set([...touched, ...known]);
  const isDrill = (id: string) => library.patterns.get(id)?.kind === 'drill';
  return {
    news: fresh.filter(id => !before.has(id)),
    finished: fresh.filter(id => before.has(id) && !isDrill(id)),
    goneOn: [...fresh.filter(id => before.has(id) && isDrill(id)), ...begun.filter(id => before.has(id))],
    started: begun.filter(id => !before.has(id)),
  };
}

/** What the evening was about, what was finished, gone on with, gone over again and begun, to which music, and what besides. */
export function eveningInWords(source: RecapSource, evening: EveningByLog): string {
  const { library } = source;
  const { news, finished, goneOn, started } = broughtBy(evening, source);
  const again = evening.reviewed.map(({ pattern }) => pattern);
  const told = [
    [news, (names: string) => `Tonight was about ${names}.`],
    [finished, (names: string, we: string) => `${we} finished ${names}.`],
    [goneOn, (names: string, we: string) => `${we} went on with ${names}.`],
    [started, (names: string, we: string) => `${we === 'We' ? 'We also' : we} began ${names}.`],
  ] as const;
  const isFirst = told.findIndex(([ids]) => ids.length > 0);
  const sentences = told.map(([ids, say], index) =>
    ids.length === 0 ? '' : say(namesOf(library, ids), index === isFirst ? 'Tonight we' : 'We'),
  );
  const repeated =
    again.length === 0
      ? ''
      : isFirst >= 0
        ? `We went over ${namesOf(library, again)} again.`
        : `Tonight we danced what we know: ${namesOf(library, again)}.`;
  return [
    ...[...sentences, repeated].filter(Boolean),
    ...preparedSentences(source),
    ...musicSentences(source),
    ...elseSentences(source),
  ].join(' ');
}

/** What was taught ahead of next time. */
function preparedSentences({ logs, lesson, course, library, studio }: RecapSource): readonly string[] {
  const elements = elementsOf(
    library,
    course.items.map(({ pattern }) => pattern),
  );
  const tried = standingPrepared(logs).filter(log => log.lesson === lesson && log.result !== 'not-reached');
  const names = tried.map(({ element }) => elementInWords(elements.get(element), element, studio));
  return names.length === 0 ? [] : [`For next time we also tried ${allOf(names)}.`];
}

const OF_A_ROLE = /^(leader|follower|dancer) (turns )?(.*)$/i;

/** An element as it is tried by itself: `the hold **Basket**`, `how the leader turns a quarter left`. */
function elementInWords(element: TaughtElement | undefined, id: string, { roles }: Pick<Studio, 'roles'>) {
  const name = withinSentence(element?.name ?? id);
  if (element?.strand === 'hold')
    return `the hold **${escapeMarkdown(element.name).replace(/ hold$/i, '')}**`;
  const [, who = '', turns, what] = OF_A_ROLE.exec(name) ?? [];
  const says = { leader: roles?.lead, follower: roles?.follow, dancer: undefined }[who.toLowerCase()];
  const dancer = (says ?? who).toLowerCase();
  if (!what) return name;
  return turns ? `how the ${dancer} turns ${withArticle(what)}` : `the ${dancer}’s ${what}`;
}

/** At which tempo it was danced to music. */
function musicSentences({ notes = [], lesson }: RecapSource): readonly string[] {
  const tempos = standingNotes(notes).flatMap(note =>
    note.lesson === lesson && note.kind === 'song' && note.tempo ? [note.tempo] : [],
  );
  const each = [...new Set(tempos)].sort((a, b) => a - b).map(String);
  return each.length === 0 ? [] : [`We danced to music at ${allOf(each)} beats a minute.`];
}

/** What else was done, in the words of who noted it; for students without those that name one of them. */
function elseSentences({ notes = [], lesson, audience, students = [] }: RecapSource): readonly string[] {
  return standingNotes(notes)
    .filter(note => note.lesson === lesson && note.kind === 'else')
    .filter(({ text }) => audience === 'staff' || !namesSomebody(text, students))
    .map(({ text }) =>
      DONE.test(text) ? `We ${restOfSentence(text)}` : `Something else: ${sentenceOf(text)}`,
    );
}

/** A note that begins with what was done: `Walked it in a circle`. */
const DONE = /^(?:[A-Z][a-z]*[^e\W]ed|Did|Made|Went|Took|Had|Ran|Sang|Sat|Stood|Saw|Gave|Led)\s/;
