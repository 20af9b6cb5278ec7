// A figure written from its pieces: whole figures or counts of them, so many times, the last one changed, on the other
// side or mirrored. Linear in the steps.
import type { Dance, MadePiece, NaturalPart, Pattern, Role } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { failure, type Result, success } from '../model/result.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { countTerms, type Figure, type FigurePart, figureTurn } from '../steps/figure.ts';
import { NATURAL_PARTS, naturalStep } from '../steps/mirror.ts';
import { printStep, type Step, stepTurn } from '../steps/step.ts';
import { writeCounts } from '../timing/renderings.ts';
import type { RhythmEvent } from '../timing/rhythm.ts';
import { eventsOf, holdsOf, type Stretch } from './made-holds.ts';

/** What pieces make of a figure. */
export type MadeFields = Pick<Pattern, 'rhythm' | 'beats' | 'parts' | 'entry' | 'exit' | 'holds' | 'turn'>;

export interface MadeFault {
  /** Index of the piece. */
  readonly piece: number;
  readonly message: string;
}

/** The figures that pieces name. */
export type FindFigure = (id: string) => Figure | undefined;

/** The runs that pieces stand for, in their order; every piece that cannot be danced is told. */
export function madeStretches(
  made: readonly MadePiece[],
  dance: Dance,
  find: FindFigure,
): Result<readonly Stretch[], readonly MadeFault[]> {
  const faults: MadeFault[] = [];
  const stretches = made.flatMap((piece, index) => {
    const own = pieceStretches(piece, index, dance, find);
    if (!own.ok) faults.push({ piece: index, message: own.fault });
    return own.ok ? own.value : [];
  });
  return faults.length > 0 ? failure(faults) : success(stretches);
}

/** Writes a figure from its pieces: the steps of both roles, the rhythm, the holds and the turn. */
export function writeMade(
  made: readonly MadePiece[],
  dance: Dance,
  find: FindFigure,
): Result<MadeFields, readonly MadeFault[]> {
  const stretches = madeStretches(made, dance, find);
  if (!stretches.ok) return stretches;
  const [first] = stretches.value;
  if (!first) return failure([{ piece: 0, message: 'a figure needs at least one piece' }]);
  const roles = first.figure.parts.map(({ role }) => role);
  const rhythms = roles.map(role => rhythmOf(stretches.value, role, dance));
  const odd = rhythms.find(rhythm => !rhythm.ok);
  if (odd && !odd.ok) return failure([odd.fault]);
  const holds = holdsOf(stretches.value);
  if (!holds.ok) return failure([{ piece: holds.fault.stretch.piece, message: holds.fault.message }]);
  const texts = rhythms.flatMap(rhythm => (rhythm.ok ? rhythm.value.text : []));
  const beats = rhythms.flatMap(rhythm => (rhythm.ok ? (rhythm.value.beats ?? []) : []))[0];
  const [lead = '', follow = lead] = texts;
  return success({
    rhythm: lead === follow ? lead : { lead, follow },
    ...(beats !== undefined && { beats: beatsText(beats) }),
    parts: partsOf(stretches.value, roles),
    ...holds.value,
    ...(dance.roles === 'pair' && { turn: sum(stretches.value, turnOf) }),
  });
}

function pieceStretches(
  piece: MadePiece,
  index: number,
  dance: Dance,
  find: FindFigure,
): Result<readonly Stretch[], string> {
  const { times = 1, from, to, side, last } = piece;
  const figure = find(piece.pattern);
  const ending = last === undefined ? undefined : find(last);
  for (const [id, one] of [
    [piece.pattern, figure],
    ...(last === undefined ? [] : [[last, ending] as const]),
  ] as const) {
    if (!one) return failure(`there is no figure “${id}”`);
    if (one.dance.id !== dance.id) return failure(`${one.pattern.name} is not a figure of ${dance.name}`);
    if (one.parts.length === 0) return failure(`${one.pattern.name} has no steps`);
  }
  if (!figure) return failure(`there is no figure “${piece.pattern}”`);
  const count = eventsOf(figure);
  const [begin, end] = [from ?? 0, to ?? count - 1];
  if (begin > end || end >= count)
    return failure(
      `${figure.pattern.name} has ${count} counts: there is nothing from ${begin + 1} to ${end + 1}`,
    );
  const form = side === 'other' ? 'other' : side === 'mirrored' ? 'mirrored' : 'plain';
  const alternates = begin === 0 && end === count - 1 && endsOnOtherFoot(figure);
  return success(
    Array.from({ length: times }, (_, time): Stretch => {
      if (ending && time === times - 1)
        return { figure: ending, from: 0, to: eventsOf(ending) - 1, form, piece: index };
      const isOther = alternates && time % 2 === 1;
      return { figure, from: begin, to: end, form: isOther ? otherForm(form) : form, piece: index };
    }),
  );
}

function otherForm(form: Stretch['form']): Stretch['form'] {
  return form === 'plain' ? 'other' : 'plain';
}

function endsOnOtherFoot({ parts }: Figure): boolean {
  return parts.every(({ start, end }) => (start === 'L' && end === 'R') || (start === 'R' && end === 'L'));
}

/** The events of a role in a stretch, and when they begin and end; null where nothing is timed. */
function timesOf(stretch: Stretch, role: Role) {
  const part = partOf(stretch, role);
  const lead = stretch.figure.parts[0]?.rhythm.events ?? [];
  const begin = lead[stretch.from]?.onset ?? null;
  const after = lead[stretch.to + 1]?.onset;
  const whole = (lead[0]?.onset ?? 0) + (stretch.figure.beats ?? 0);
  const end = begin === null ? null : (after ?? whole);
  const isIn = ({ onset }: RhythmEvent, event: number) =>
    begin === null || end === null || onset === null
      ? event >= stretch.from && event <= stretch.to
      : onset >= begin && onset < end;
  return { begin, end, events: part?.rhythm.events.filter(isIn) ?? [] };
}

/** The rhythm of a role through all stretches, each beginning where the one before it ends. */
function rhythmOf(
  stretches: readonly Stretch[],
  role: Role,
  dance: Dance,
): Result<{ readonly text: string; readonly beats: Ticks | undefined }, MadeFault> {
  const timed = stretches.map(stretch => timesOf(stretch, role));
  if (timed.every(({ begin }) => begin === null))
    return success({
      text: `free:${timed.reduce((all, { events }) => all + events.length, 0)}`,
      beats: undefined,
    });
  const start = timed[0]?.begin ?? 0;
  let cursor: number = start;
  const events: RhythmEvent[] = [];
  for (const [index, { begin, end, events: own }] of timed.entries()) {
    if (begin === null || end === null) {
      const { figure, piece } = stretches[index] as Stretch;
      return failure({ piece, message: `${figure.pattern.name} has no set timing, the others have` });
    }
    for (const event of own) events.push({ ...event, onset: ticks((event.onset ?? 0) - begin + cursor) });
    cursor += end - begin;
  }
  const beats = ticks(cursor - start);
  const lengths = events.map((event, index) => ({
    ...event,
    length: ticks((events[index + 1]?.onset ?? start + beats) - (event.onset ?? 0)),
  }));
  const terms = countTerms({}, dance);
  const written = writeCounts({ notation: 'counts', beats, events: lengths }, terms);
  const piece = stretches[0]?.piece ?? 0;
  return written.ok
    ? success({ text: written.value, beats })
    : failure({ piece, message: `cannot be counted together: ${written.fault.message}` });
}

function partOf({ figure }: Stretch, role: Role): FigurePart | undefined {
  return figure.parts.find(part => part.role === role);
}

/** The steps of a role in a stretch, in its form. */
export function stretchSteps(stretch: Stretch, role: Role): readonly Step[] {
  const part = partOf(stretch, role);
  const { events } = timesOf(stretch, role);
  const asked = new Set(events);
  const steps = (part?.steps ?? []).flatMap(({ step, time }, index) => {
    const event = part?.rhythm.events[time?.event ?? index];
    return step && event && asked.has(event) ? [step] : [];
  });
  const by = formOf(stretch);
  return by ? steps.map(step => naturalStep(step, by)) : steps;
}

/** How a form comes from the figure as it is written: pairs keep their turns on the other side, mirrored they change. */
function formOf({ form, figure }: Stretch): NaturalPart | undefined {
  if (form === 'plain') return undefined;
  return form === 'mirrored' || figure.dance.roles === 'solo' ? 'image' : 'alike';
}

function partsOf(stretches: readonly Stretch[], roles: readonly Role[]): NonNullable<Pattern['parts']> {
  const steps = (role: Role) => stretches.flatMap(stretch => stretchSteps(stretch, role));
  const text = (role: Role) => steps(role).map(printStep).join(', ');
  if (roles.includes('solo')) return { solo: text('solo') };
  const [lead, follow] = [steps('lead'), text('follow')];
  const natural = NATURAL_PARTS.find(
    by => lead.map(step => printStep(naturalStep(step, by))).join(', ') === follow,
  );
  return { lead: text('lead'), follow: natural ?? follow };
}

/** Degrees that the couple turns in a stretch. */
function turnOf(stretch: Stretch): number {
  const { figure, from, to } = stretch;
  const isWhole = from === 0 && to === eventsOf(figure) - 1;
  const role = figure.parts[0]?.role ?? 'lead';
  const turn = isWhole
    ? figureTurn(figure)
    : sum(stretchSteps({ ...stretch, form: 'plain' }, role), stepTurn);
  return formOf(stretch) === 'image' ? 0 - turn : turn;
}

function sum<Entry>(entries: readonly Entry[], of: (entry: Entry) => number): number {
  return entries.reduce((all, entry) => all + of(entry), 0);
}

/** Beats as they are written: a whole number, or a fraction. */
function beatsText(beats: Ticks): number | string {
  const text = printBeats(beats);
  return /^\d+$/.test(text) ? Number(text) : text;
}
