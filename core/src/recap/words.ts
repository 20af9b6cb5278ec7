// How a recap puts words together.
import { figureName, type Library } from '../library/library.ts';
import { weekdayInWords } from '../model/days.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';

const AND = new Intl.ListFormat('en-GB');

/** `A, B and C`; `A, B and C, and D` where one has an “and” of its own, `A; B, C; and D` where one has a comma. */
export function allOf(words: readonly string[]): string {
  const last = words.at(-1) ?? '';
  if (words.length < 2) return last;
  const before = words.slice(0, -1);
  const hasComma = (word: string) => word.replace(/\([^)]*\)/g, '').includes(',');
  if (words.some(hasComma)) return `${before.join('; ')}; and ${last}`;
  return words.some(word => word.includes(' and ')) ? `${before.join(', ')}, and ${last}` : AND.format(words);
}

/** A text from outside as a sentence of its own: escaped, with a full stop where it has no end. */
export function sentenceOf(text: string): string {
  return ended(escapeMarkdown(text));
}

/** A text from outside as the end of a sentence that has begun: `Usual fault: too wide.` */
export function restOfSentence(text: string): string {
  return ended(withinSentence(text));
}

function ended(words: string): string {
  return /[.!?…]$/.test(words) ? words : `${words}.`;
}

/** As it stands within a sentence: its first letter small, unless it is a name or a word all in capitals. */
export function withinSentence(text: string): string {
  const words = escapeMarkdown(text).replace(/\.$/, '');
  return /^[A-Z][a-z’]/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
}

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' });
const DAY_MS = 86_400_000;
const WEEKS = ['', '', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

/** `Monday, 16 March`, of a date as `2026-03-16`. */
export function dateInWords(date: string): string {
  const day = Date.parse(date);
  return `${weekdayInWords(date)}, ${new Date(day).getUTCDate()} ${MONTH.format(day)}`;
}

/** `next Monday, 16 March`; `on Monday, 30 March, in three weeks`. Both are dates as `2026-03-09`. */
export function dayInWords(date: string, from: string): string {
  const [day, before] = [Date.parse(date), Date.parse(from)];
  const words = dateInWords(date);
  const weeks = (day - before) / DAY_MS / 7;
  if (weeks === 1) return `next ${words}`;
  const isWhole = Number.isInteger(weeks) && weeks > 1;
  return isWhole ? `on ${words}, in ${WEEKS[weeks] ?? weeks} weeks` : `on ${words}`;
}

/** The names of some figures, escaped: `A, B and C`. */
export function namesOf(library: Library, ids: readonly string[]): string {
  return allOf(ids.map(id => escapeMarkdown(figureName(library, id))));
}
