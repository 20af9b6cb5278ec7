// What goes home to practise: three things at most, the weakest of tonight first.
import type { EveningByLog } from '../evening/evening-by-log.ts';
import type { Library } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { NUMBER_WORDS } from '../model/number-words.ts';
import { TICKS_PER_BEAT, ticks } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { fitPhrase } from '../timing/phrase.ts';
import { allOf, namesOf, restOfSentence, sentenceOf, withinSentence } from './words.ts';

const MOST = 3;
/** Slow enough to think: so much of the slowest music. */
const SLOW = 0.8;
const WHOLE_TEMPO = 4;
const MOST_REPEATS = 12;

/** What goes home: begun, then shaky, then new; a drill is told with the figure that it serves, where that goes home too. */
export function practised(
  { fresh, begun, reviewed, logs }: EveningByLog,
  library: Library,
): readonly string[] {
  const isShaky = new Set(logs.flatMap(({ pattern, result }) => (result === 'shaky' ? [pattern] : [])));
  const weak = [...begun, ...reviewed.map(({ pattern }) => pattern).filter(id => isShaky.has(id))];
  const order = [...weak, ...fresh.filter(id => isShaky.has(id)), ...fresh.filter(id => !isShaky.has(id))];
  const isOver = (id: string) => order.includes(library.patterns.get(id)?.over ?? '');
  return order.filter((id, index) => order.indexOf(id) === index && !isOver(id)).slice(0, MOST);
}

/** How to practise these: in one paragraph where nothing is said of one alone, else a line for each. */
export function practiceLines(
  chosen: readonly string[],
  { fresh, begun, known }: Pick<EveningByLog, 'fresh' | 'begun' | 'known'>,
  library: Library,
): readonly string[] {
  const had = new Set([...known, ...fresh, ...begun]);
  const drills = [...library.patterns.values()].filter(({ id, kind }) => kind === 'drill' && had.has(id));
  // The fault of what is new stands in the text already.
  const each = chosen.map(id => practiceOf(id, library, drills, fresh.includes(id)));
  const danced = each.filter(({ figure }) => figure !== undefined);
  const how = howToPractise(danced[0]?.figure);
  const timed = danced.filter(({ often }) => often !== '');
  const isShared = new Set(timed.map(({ often }) => often)).size === 1;
  const often = isShared ? (timed[0]?.often ?? '') : '';
  const [first] = each;
  const isPlain = each.every(one => one.grades === '' && (one.fault === '' || each.length === 1));
  if (first?.figure && isPlain) {
    const fault = first.fault === '' ? '' : ` Watch this: ${first.fault}`;
    return [`${whatHowOften(each, often)}: ${how.charAt(0).toLowerCase()}${how.slice(1)}${fault}`];
  }
  const whose = timed.length > 1 ? 'Each figure' : (timed[0]?.name ?? '');
  const row = timed.length === 0 ? '' : ` ${whose} ${`${often} in a row`.trim()} until it meets the phrase.`;
  const lines = each.map(one => lineOf(one, isShared ? '' : one.often));
  const bare = chosen.filter(
    (_, index) => lines[index] === '' && (timed.length > 1 || each[index] !== timed[0]),
  );
  return [
    ...(how === '' ? [] : [`${how}${row}`, '']),
    ...lines.filter(Boolean),
    ...(bare.length === 0 ? [] : [`- ${namesOf(library, bare)}.`]),
  ];
}

/** `A and B, each twice in a row, until it meets the phrase`; of some that differ each with its own number. */
function whatHowOften(each: readonly Practice[], shared: string): string {
  const timed = each.filter(({ often }) => often !== '');
  if (timed.length === 0) return allOf(each.map(({ name }) => name));
  if (shared !== '' && timed.length === each.length) {
    const row = `${shared} in a row, until it meets the phrase`;
    return `${allOf(each.map(({ name }) => name))}, ${each.length > 1 ? 'each ' : ''}${row}`;
  }
  const names = each.map(({ name, often }) => {
    if (often === '') return name;
    return `${name} (${often} in a row${timed.length === 1 ? ', until it meets the phrase' : ''})`;
  });
  return `${allOf(names)}${timed.length > 1 ? ', until each meets the phrase' : ''}`;
}

/** Once for all: which part, with whom, and how fast. */
function howToPractise(first: Figure | undefined): string {
  if (!first) return '';
  const tempo = first.pattern.tempo?.[0] ?? first.dance.tempo[0];
  const slow = tempo && Math.round((tempo.min * SLOW) / WHOLE_TEMPO) * WHOLE_TEMPO;
  const at = tempo ? `, at ${slow} beats a minute` : ', without music';
  const then = tempo ? `to music at ${tempo.min}` : 'to music';
  return first.dance.roles === 'pair'
    ? `Your own part alone first${at}; then with a partner, ${then}.`
    : `Slowly first${at}; then ${then}.`;
}

/** What is said of one of them; each empty where it is nothing. */
interface Practice {
  readonly name: string;
  readonly figure: Figure | undefined;
  readonly drill: string;
  readonly grades: string;
  readonly often: string;
  readonly fault: string;
}

function practiceOf(id: string, library: Library, drills: readonly Pattern[], isTold: boolean): Practice {
  const pattern = library.patterns.get(id);
  const drill = pattern?.grades ? undefined : drills.find(({ over }) => over === id);
  const figure = library.readings.get(id)?.figure;
  const fault = isTold
    ? undefined
    : pattern?.marks?.find(({ kind, text }) => kind === 'fault' && text !== '');
  return {
    name: escapeMarkdown(pattern?.name ?? id),
    figure: figure && figure.parts.length > 0 ? figure : undefined,
    drill: drill ? escapeMarkdown(drill.name) : '',
    grades: (pattern?.grades ?? drill?.grades ?? []).map(withinSentence).join('; then '),
    often: figure ? timesToThePhrase(figure) : '',
    fault: fault
      ? [restOfSentence(fault.text), fault.cure && sentenceOf(fault.cure)].filter(Boolean).join(' ')
      : '',
  };
}

function lineOf({ name, drill, grades, fault }: Practice, often: string): string {
  if (grades !== '') return `- ${name}${drill ? ` with ${drill}` : ''}: ${grades}.`;
  const told = [often && `${often}.`, fault && `${often === '' ? 'watch' : 'Watch'} this: ${fault}`];
  return often === '' && fault === '' ? '' : `- ${name}: ${told.filter(Boolean).join(' ')}`;
}

/** `eight times`; empty where once is enough, or too often would be needed. */
function timesToThePhrase({ beats, dance }: Figure): string {
  if (beats === null || beats <= 0) return '';
  const { repeats } = fitPhrase(beats, ticks(dance.phrase * TICKS_PER_BEAT));
  if (repeats < 2 || repeats > MOST_REPEATS) return '';
  return repeats === 2 ? 'twice' : `${NUMBER_WORDS[repeats] ?? repeats} times`;
}
