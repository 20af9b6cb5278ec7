// How a figure is counted, as the house counts.
import type { Studio } from '../model/document.ts';
import { countOf, labelOf } from '../steps/counts.ts';
import { danceBeats, type Figure } from '../steps/figure.ts';
import { actionInWords } from '../steps/words.ts';
import { CALLED, numberedCall, slowQuickCall } from '../timing/calls.ts';
import type { Rhythm } from '../timing/rhythm.ts';

/** The figure as the house counts it; in numbers where it has no other way. */
export function countedBy(figure: Figure, counting: Studio['counting']): string {
  const { pattern, dance, parts } = figure;
  const [first] = parts;
  if (!first) return '';
  const counts = first.rhythm.events.map((_, event) => countOf(figure, first.rhythm, event));
  const withRests = (said: readonly string[]) => {
    const steps = said.values();
    return first.rhythm.events.map(({ rest }, event) =>
      rest ? `(${counts[event]})` : (steps.next().value ?? counts[event] ?? ''),
    );
  };
  const numbers = () => withRests(counts.filter((_, event) => !first.rhythm.events[event]?.rest)).join(' ');
  switch (counting) {
    case 'slow-quick': {
      const calls = slowQuickCall(first.rhythm, danceBeats(dance, 'slow'), danceBeats(dance, 'quick'));
      return calls.every(call => call !== null) ? calls.join(' ') : numbers();
    }
    case 'numbered':
      return [1, 2].map(repeat => withRests(numberedCall(first.rhythm, repeat)).join(' ')).join(', ');
    case 'call':
      return pattern.call?.every(word => word !== null) ? pattern.call.join(' ') : numbers();
    case 'words': {
      const words = first.steps.map(({ step, time }) => {
        const count = time ? first.rhythm.events[time.event]?.label : undefined;
        return step && `${PICK_UPS[count ?? ''] ?? ''}${actionInWords(step.action)}`;
      });
      return words.every(word => word !== null) ? withRests(words).join(', ') : numbers();
    }
    case 'numbers':
    case undefined:
      return numbers();
    default:
      return counting satisfies never;
  }
}

/** How a part of a beat is said before a word. */
const PICK_UPS: Readonly<Record<string, string>> = { '&': 'and ', a: 'a ', e: 'e ' };

/** Slows and quicks beside the numbers, of a rhythm that is written so. */
export function alsoCalled({ parts: [first] }: Figure, counting: Studio['counting']): string {
  const labels = first?.rhythm.events.map(({ label }) => CALLED[label] ?? '') ?? [''];
  const isSaid = (counting ?? 'numbers') === 'numbers' && labels.every(Boolean);
  return isSaid ? ` (${labels.join(', ')})` : '';
}

/** The count of an event as the house says it. */
export function countAs(
  figure: Figure,
  rhythm: Rhythm,
  event: number,
  { counting }: Pick<Studio, 'counting'>,
): string {
  return counting === 'slow-quick' ? labelOf(figure, rhythm, event) : countOf(figure, rhythm, event);
}
