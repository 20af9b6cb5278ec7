// How a figure is danced besides its steps.
import type { Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { groupBy } from '../model/group-by.ts';
import type { Figure } from '../steps/figure.ts';
import { type FigureTrack, tracksInOrder } from '../steps/tracks.ts';
import type { Rhythm } from '../timing/rhythm.ts';
import { countAs } from './counted.ts';
import { allOf } from './words.ts';

/** A sentence for each track: `Rise and fall: down, up, up, lower.`; of one with gaps each word with its counts. */
export function tracksInWords(figure: Figure, studio: Studio): string {
  const rhythm = figure.parts[0]?.rhythm;
  return rhythm
    ? tracksInOrder(figure.dance, figure.pattern)
        .map(one => trackInWords(one, event => countWithin(figure, rhythm, event, studio), studio))
        .filter(Boolean)
        .join(' ')
    : '';
}

function trackInWords(
  { quality, track }: FigureTrack,
  countOf: (event: number) => string,
  { roles }: Studio,
): string {
  const { role, values } = track;
  const names = { lead: 'leader', follow: 'follower', solo: undefined, ...roles };
  const who = role && names[role] ? `, for the ${names[role].toLowerCase()}` : '';
  const events = values.flatMap((value, event) => (value === null ? [] : [event]));
  const word = (event: number) => escapeMarkdown(values[event] ?? '');
  const byWord = groupBy(events, word);
  if (byWord.size === 0) return '';
  const isWhole = events.length === values.length;
  const said = isWhole
    ? byWord.size === 1
      ? `always ${word(0)}`
      : events.map(word).join(', ')
    : [...byWord].map(([words, at]) => `${words} on ${allOf(at.map(countOf))}`).join('; ');
  return `${escapeMarkdown(quality.name)}${who}: ${said}.`;
}

/** A count by which one moment is meant: of several that are said alike with the beat that comes after. */
function countWithin(figure: Figure, rhythm: Rhythm, event: number, studio: Studio): string {
  const count = (index: number) => countAs(figure, rhythm, index, studio);
  const isOne = rhythm.events.filter((_, index) => count(index) === count(event)).length === 1;
  return isOne || event === rhythm.events.length - 1
    ? count(event)
    : `${count(event)} before ${count(event + 1)}`;
}
