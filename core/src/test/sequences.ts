import { type Library, openLibrary } from '../library/library.ts';
import type { Dance, Floor, Pattern } from '../model/document.ts';
import { ticks } from '../model/units.ts';
import type { CombineRequest } from '../sequences/request.ts';

/** A dance of holds with one hand in one hand, face to face. */
export function handDance(floor: Floor, holds: readonly string[]): Dance {
  return {
    ...{ id: 'jetty', name: 'Jetty', roles: 'pair', beatsPerBar: 4, countCycle: 8, slow: 2, quick: 1 },
    ...{ split: 'straight', phrase: 8, tempo: [], floor },
    holds: holds.map(id => ({ id, name: id.toUpperCase(), contact: 'hand', rel: 180 })),
  };
}

/** `a>b L place, R fwd | R place, L back` is danced from hold a to hold b; the follower's part may be left out. */
export function jettyFigure(id: string, text: string, more: Partial<Pattern> = {}): Pattern {
  const [, entry = '', exit = '', lead = '', follow] = /^(\S+)>(\S+) ([^|]*)(?:\|(.*))?$/.exec(text) ?? [];
  const steps = lead.split(',').length;
  return {
    ...{ id, dance: 'jetty', name: id.toUpperCase(), kind: 'pattern' },
    rhythm: Array.from({ length: steps }, (_, beat) => beat + 1).join(' '),
    parts: { lead: lead.trim(), follow: follow?.trim() ?? 'opposite' },
    entry: entry.split('/'),
    exit: exit.includes('/') ? exit.split('/') : exit,
    ...more,
  };
}

export function jettyLibrary(
  figures: Readonly<Record<string, string>>,
  { floor = 'spot', holds = ['a', 'b', 'c'] }: { floor?: Floor; holds?: readonly string[] } = {},
): Library {
  const patterns = Object.entries(figures).map(([id, text]) => jettyFigure(id, text));
  return openLibrary({ dances: [handDance(floor, holds)], patterns });
}

/** Of all figures of a library, from hold a on the leader's left foot and back. */
export function jettyRequest(
  library: Library,
  beats: number,
  more: Partial<CombineRequest> = {},
): CombineRequest {
  return {
    ...{ dance: 'jetty', use: [...library.patterns.keys()], beats: ticks(beats * 48), end: 'same' },
    start: { hold: 'a', feet: { lead: 'L', follow: 'R' }, facing: 0 },
    ...{ must: [], choices: [], maxInRow: 99, count: 1 },
    ...more,
  };
}
