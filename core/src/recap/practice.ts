// What goes home to practise: three things at most, the weakest of tonight first.
import type { EveningByLog } from '../evening/evening-by-log.ts';
import type { Library } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { NUMBER_WORDS } from '../model/number-words.ts';
import { TICKS_PER_BEAT, ticks } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { fitPhrase } from '../timing/phrase.ts';
import { namesOf, sentenceOf, withinSentence } from './words.ts';

const MOST = 3;
/** Slow enough to think: so much of the slowest music. */
const SLOW = 0.8;
const WHOLE_TEMPO = 4;
const MOST_REPEATS = 12;

/** How to practise what was begun, then what was shaky, then what is new. */
export function practiceLines(
  { fresh, begun, reviewed, logs, known }: EveningByLog,
  library: Library,
): readonly string[] {
  const isShaky = new Set(logs.flatMap(({ pattern, result }) => (result === 'shaky' ? [pattern] : [])));
  const weak = [...begun, ...reviewed.map(({ pattern }) => pattern).filter(id => isShaky.has(id))];
  const order = [...weak, ...fresh.filter(id => isShaky.has(id)), ...fresh.filter(id => !isShaky.has(id))];
  const had = new Set([...known, ...fresh, ...begun]);
  const drills = [...library.patterns.values()].filter(
    ({ id, kind, over }) => kind === 'drill' && over && had.has(id),
  );
  const chosen = order
    .filter((id, index) => order.indexOf(id) === index)
    .filter(id => !drills.some(drill => drill.id === id && order.includes(drill.over ?? '')))
    .slice(0, MOST);
  const isTold = new Set(fresh);
  const figures = chosen.flatMap(id => library.readings.get(id)?.figure ?? []);
  const repeats = new Set(figures.map(untilThePhrase));
  const isShared = figures.length > 1 && repeats.size === 1;
  const told = chosen.map(id => practiceOf(id, { library, drills, isTold: isTold.has(id), isShared }));
  const bare = chosen.filter((_, index) => told[index] === '');
  const lines = [...told.filter(Boolean), ...(bare.length === 0 ? [] : [`- ${namesOf(library, bare)}.`])];
  return lines.length === 0
    ? []
    : [
        ...howToPractise(
          figures.filter(({ parts }) => parts.length > 0),
          isShared,
        ),
        ...lines,
      ];
}

/** Once for all: which part, with whom, how fast, and how often where that is the same of all. */
function howToPractise(figures: readonly Figure[], isShared: boolean): readonly string[] {
  const [first] = figures;
  if (!first) return [];
  const tempo = first.pattern.tempo?.[0] ?? first.dance.tempo[0];
  const slow = tempo && Math.round((tempo.min * SLOW) / WHOLE_TEMPO) * WHOLE_TEMPO;
  const at = tempo ? `, at ${slow} beats a minute` : ', without music';
  const then = tempo ? `to music at ${tempo.min}` : 'to music';
  const how =
    first.dance.roles === 'pair'
      ? `Your own part alone first${at}; then with a partner, ${then}.`
      : `Slowly first${at}; then ${then}.`;
  const often = isShared ? untilThePhrase(first) : '';
  return [often === '' ? how : `${how} Each ${often}.`, ''];
}

interface Practised {
  readonly library: Library;
  readonly drills: readonly Pattern[];
  /** Its fault stands in the text already. */
  readonly isTold: boolean;
  /** How often is said of all at once. */
  readonly isShared: boolean;
}

/** A line; empty where nothing is to be said of it by itself. */
function practiceOf(id: string, { library, drills, isTold, isShared }: Practised): string {
  const pattern = library.patterns.get(id);
  const name = escapeMarkdown(pattern?.name ?? id);
  const drill = pattern?.grades ? undefined : drills.find(({ over }) => over === id);
  const grades = pattern?.grades ?? drill?.grades ?? [];
  if (grades.length > 0) {
    const steps = grades.map(withinSentence).join('; then ');
    return `- ${name}${drill ? ` with ${escapeMarkdown(drill.name)}` : ''}: ${steps}.`;
  }
  const figure = library.readings.get(id)?.figure;
  const often = figure && !isShared ? untilThePhrase(figure) : '';
  const fault = isTold ? '' : faultOf(pattern, often === '' ? 'watch this' : 'Watch this');
  const told = [often && `${often}.`, fault].filter(Boolean);
  return told.length === 0 ? '' : `- ${name}: ${told.join(' ')}`;
}

function untilThePhrase({ beats, dance }: Figure): string {
  if (beats === null || beats <= 0) return '';
  const { repeats } = fitPhrase(beats, ticks(dance.phrase * TICKS_PER_BEAT));
  if (repeats < 2 || repeats > MOST_REPEATS) return '';
  const often = repeats === 2 ? 'twice' : `${NUMBER_WORDS[repeats] ?? repeats} times`;
  return `${often} in a row, until it meets the phrase`;
}

function faultOf(pattern: Pattern | undefined, begins: string): string {
  const fault = pattern?.marks?.find(({ kind, text }) => kind === 'fault' && text !== '');
  if (!fault) return '';
  const cure = fault.cure ? ` ${sentenceOf(fault.cure)}` : '';
  return `${begins}: ${withinSentence(fault.text)}.${cure}`;
}
