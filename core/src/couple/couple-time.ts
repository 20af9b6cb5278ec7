// The figure of a couple as one line of time: what both do at each moment, and which hold is in force.
import type { Hold } from '../model/document.ts';
import type { Path } from '../model/issue.ts';
import { type Figure, type FigurePart, type FigureStep, findPart } from '../steps/figure.ts';
import { entryHolds, exitHolds, findHold } from '../steps/holds.ts';

/** A moment at which an event of one of the roles begins. */
export interface Moment {
  /** The leader's event of which it is a part, rests counted. */
  readonly event: number;
  readonly endsEvent: boolean;
  /** Null where the role does not step. */
  readonly lead: FigureStep | null;
  readonly follow: FigureStep | null;
  /** The steps that come next in both parts. */
  readonly leadNext: FigureStep | null;
  readonly followNext: FigureStep | null;
  /** Index of the follower's step, or of the last one before a rest. */
  readonly followIndex: number;
}

/** A hold that the couple is in from the end of an event on; -1 for the one that it comes in. */
export interface HoldPoint {
  readonly hold: Hold;
  readonly event: number;
  /** Below the pattern. */
  readonly path: Path;
}

/** A way through the figure: the hold it is entered in and what it changes to, the exit last. */
export type HoldLine = readonly [HoldPoint, ...HoldPoint[]];

export interface Couple {
  readonly figure: Figure;
  readonly lead: FigurePart;
  readonly follow: FigurePart;
  readonly moments: readonly Moment[];
  readonly lastEvent: number;
}

/** The couple of a figure; undefined where it is danced alone, or one of the parts has no steps. */
export function readCouple(figure: Figure): Couple | undefined {
  const known = couples.get(figure) ?? { couple: putTogether(figure) };
  couples.set(figure, known);
  return known.couple;
}

/** Every check of a figure asks for its couple: put together once. */
const couples = new WeakMap<Figure, { readonly couple: Couple | undefined }>();

function putTogether(figure: Figure): Couple | undefined {
  const lead = findPart(figure, 'lead');
  const follow = findPart(figure, 'follow');
  if (!lead || !follow || lead.steps.length === 0 || follow.steps.length === 0) return undefined;
  const moments = momentsOf(lead, follow);
  return { figure, lead, follow, moments, lastEvent: moments.at(-1)?.event ?? 0 };
}

/** So many ways through a figure are danced; a figure that has more is refused where it is written. */
const MOST_LINES = 100;

/**
 * Every entry of a figure with the lines to each of its exits, a hundred lines in all; holds that the dance does not have
 * are left out.
 */
export function holdLines({
  figure: { pattern, dance },
  lastEvent,
}: Pick<Couple, 'figure' | 'lastEvent'>): readonly (readonly HoldLine[])[] {
  let left = MOST_LINES;
  const between = (pattern.holds ?? [])
    .map(({ event, hold }, index) => ({ event, hold: findHold(dance, hold), path: ['holds', index] }))
    .flatMap(({ event, hold, path }): HoldPoint[] => (hold ? [{ event, hold, path }] : []))
    .sort((a, b) => a.event - b.event);
  return entryHolds(pattern).flatMap((id, index) => {
    const entry = findHold(dance, id);
    if (!entry) return [];
    const lines = exitHolds(pattern, id).flatMap((exitId): HoldLine[] => {
      const exit = findHold(dance, exitId);
      const first: HoldPoint = { hold: entry, event: -1, path: ['entry', index] };
      if (!exit || left === 0) return [];
      left -= 1;
      return [[first, ...between, { hold: exit, event: lastEvent, path: ['exit'] }]];
    });
    return lines.length > 0 ? [lines] : [];
  });
}

function momentsOf(lead: FigurePart, follow: FigurePart): readonly Moment[] {
  const isTimed = lead.rhythm.beats !== null && follow.rhythm.beats !== null;
  const [leadClock, followClock] = [clockOf(lead, isTimed), clockOf(follow, isTimed)];
  const times = [...new Set([...leadClock.times, ...followClock.times])].sort((a, b) => a - b);
  const begun = times.map(time => ({ lead: leadClock.at(time), follow: followClock.at(time) }));
  return begun.map((at, index): Moment => {
    const event = Math.max(0, at.lead.event);
    return {
      event,
      endsEvent: Math.max(0, begun[index + 1]?.lead.event ?? -1) !== event || index === begun.length - 1,
      lead: lead.steps[at.lead.begins] ?? null,
      follow: follow.steps[at.follow.begins] ?? null,
      leadNext: lead.steps[at.lead.begins + 1] ?? null,
      followNext: follow.steps[at.follow.begins + 1] ?? null,
      followIndex: Math.max(0, at.follow.steps - 1),
    };
  });
}

/** What a part is at when it is asked at times that rise: its event, the step that begins there, how many have begun. */
function clockOf({ rhythm, steps }: FigurePart, isTimed: boolean) {
  const times = rhythm.events.map(({ onset }, event) => (isTimed ? (onset ?? event) : event));
  const stepOf = new Map(steps.map((step, index) => [eventOf(step, index), index] as const).reverse());
  const events = steps.map(eventOf);
  let event = -1;
  let begun = 0;
  return {
    times,
    at(time: number) {
      while (event + 1 < times.length && (times[event + 1] ?? 0) <= time) event += 1;
      while (begun < events.length && (events[begun] ?? 0) <= event) begun += 1;
      const begins = times[event] === time ? (stepOf.get(event) ?? -1) : -1;
      return { event, begins, steps: begun };
    },
  };
}

function eventOf({ time }: FigureStep, index: number): number {
  return time?.event ?? index;
}
