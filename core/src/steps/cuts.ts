import type { CutAt } from '../model/document.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { danceActions, type Figure, type FigurePart, type FigureStep } from './figure.ts';
import { feetAgree } from './links.ts';
import { type FreeFoot, readWeight } from './weight.ts';

/** What stands at a cut: the hold and the free foot of every role, and the time on both sides of it. */
export interface Cut {
  readonly figure: Figure;
  /** Index of the first event of the tail, rests counted. */
  readonly event: number;
  /** Undefined where one dances alone. */
  readonly hold: string | undefined;
  readonly feet: readonly { readonly role: FigurePart['role']; readonly free: FreeFoot }[];
  /** Null without timing. */
  readonly headBeats: Ticks | null;
  readonly tailBeats: Ticks | null;
}

/** The cuts of a figure that lie inside it, in the order in which they are written. */
export function figureCuts(figure: Figure): readonly Cut[] {
  const events = figure.parts[0]?.rhythm.events.length ?? 0;
  return (figure.pattern.cuts ?? [])
    .filter(({ event }) => event > 0 && event < events)
    .map(cut => readCut(figure, cut));
}

function readCut(figure: Figure, { event, hold }: CutAt): Cut {
  const head = headTicks(figure, event);
  return {
    figure,
    event,
    hold,
    feet: figure.parts.map(part => ({ role: part.role, free: freeFootAt(figure, part, event) })),
    headBeats: head,
    tailBeats: head === null || figure.beats === null ? null : ticks(figure.beats - head),
  };
}

/** True when the tail of one cut joins the head of another: the same hold, and free feet that agree. */
export function canJoin(head: Cut, tail: Cut): boolean {
  return (
    head.figure.dance.id === tail.figure.dance.id &&
    head.hold === tail.hold &&
    head.feet.every(({ role, free }) => {
      const other = tail.feet.find(foot => foot.role === role);
      return other !== undefined && feetAgree(free, other.free);
    })
  );
}

/** The steps of a part that begin before an event. */
export function stepsBefore(part: FigurePart, event: number): readonly FigureStep[] {
  return part.steps.filter(({ time }, index) => (time?.event ?? index) < event);
}

/** The foot that is free when an event begins. */
export function freeFootAt(figure: Figure, part: FigurePart, event: number): FreeFoot {
  const actions = danceActions(figure.dance);
  const before = stepsBefore(part, event);
  if (before.length === 0) return part.start;
  const reading = readWeight(
    before.map(({ step }) => step),
    step => actions.get(step.action) ?? 'takes',
  );
  return reading.end === 'any' ? part.start : reading.end;
}

function headTicks(figure: Figure, event: number): Ticks | null {
  const rhythm = figure.parts[0]?.rhythm;
  const [first, cut] = [rhythm?.events[0]?.onset, rhythm?.events[event]?.onset];
  return typeof first === 'number' && typeof cut === 'number' ? ticks(cut - first) : null;
}
