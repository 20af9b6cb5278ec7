// Reads a pattern of the document into a figure: its rhythm, each role's steps on their events and the weight.

import type { Dance, NaturalPart, Pattern, Role, WeightClass } from '../model/document.ts';
import { parseBeats } from '../model/fraction.ts';
import type { CheckCode } from '../model/issue.ts';
import type { Result } from '../model/result.ts';
import { ACTIONS, type Action } from '../model/step-words.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { type TimedStep, timedSteps } from '../timing/calls.ts';
import type { CountTerms } from '../timing/renderings.ts';
import { parseRhythm, type Rhythm } from '../timing/rhythm.ts';
import type { RhythmFault } from '../timing/rhythm-tokens.ts';
import { isNaturalPart, naturalness, naturalStep } from './mirror.ts';
import { parseStep, type Step, splitPart, stepTurn } from './step.ts';
import { type FreeFoot, readWeight } from './weight.ts';

export interface FigureStep {
  /** Null where the text could not be read. */
  readonly step: Step | null;
  readonly time: TimedStep | null;
  /** For the follower: how the step comes from the leader's of the same index. */
  readonly natural: NaturalPart | 'own' | null;
}

/** The follower's part that is found from the leader's and the holds. */
export const KEEP = 'keep';

export interface FigurePart {
  readonly role: Role;
  /** Set when the part was not written but taken from the leader's. */
  readonly derived: NaturalPart | typeof KEEP | null;
  readonly rhythm: Rhythm;
  readonly steps: readonly FigureStep[];
  readonly start: FreeFoot;
  readonly end: FreeFoot;
}

export interface Figure {
  readonly pattern: Pattern;
  readonly dance: Dance;
  /** Ticks; null where nothing is timed. */
  readonly beats: Ticks | null;
  readonly parts: readonly FigurePart[];
  /** What the events of the first part are called, where another school than the figure is written for is the house's. */
  readonly houseCounts?: readonly string[];
}

export interface FigureFault {
  readonly code: CheckCode;
  /** Below the pattern. */
  readonly path: readonly (string | number)[];
  readonly message: string;
}

export interface FigureReading {
  readonly figure: Figure;
  readonly faults: readonly FigureFault[];
}

/** Finds the follower's steps that keep the couple together, from a figure with its leader's part alone. */
export type KeepSteps = (figure: Figure) => {
  readonly steps: readonly (Step | null)[];
  readonly faults: readonly FigureFault[];
};

/** The actions that a dance knows: everybody's and its own. */
export function danceActions(dance: Dance): ReadonlyMap<Action, WeightClass> {
  const known = actionsOf.get(dance) ?? allActions(dance);
  actionsOf.set(dance, known);
  return known;
}

/** Asked for with every step: put together once a dance. */
const actionsOf = new WeakMap<Dance, ReadonlyMap<Action, WeightClass>>();

function allActions({ actions = [] }: Dance): ReadonlyMap<Action, WeightClass> {
  if (actions.length === 0) return ACTIONS;
  return new Map([...ACTIONS, ...actions.map(({ id, weight }) => [id, weight] as const)]);
}

/** A dance's length of `slow` or `quick`; the reader of documents has refused what is not one. */
export function danceBeats(dance: Dance, name: 'slow' | 'quick'): Ticks {
  const parsed = parseBeats(dance[name]);
  return parsed.ok ? parsed.value : ticks(0);
}

/**
 * Reads a figure as far as it can be read and collects every fault on the way; `keep` finds a follower's part that is
 * not written. Linear in its steps.
 */
export function readWrittenFigure(
  pattern: Pattern,
  dance: Dance,
  keep: KeepSteps = keepNothing,
): FigureReading {
  const faults: FigureFault[] = [];
  const written = writtenParts(pattern, dance, faults);
  const actions = danceActions(dance);
  const parts: FigurePart[] = [];
  for (const [role, text] of written) {
    const lead = parts.find(part => part.role === 'lead');
    parts.push(readPart({ role, text, lead, pattern, dance, actions, faults, keep }));
  }
  const rhythmBeats = parts.find(part => part.rhythm.beats !== null)?.rhythm.beats ?? null;
  checkSameBeats(parts, faults);
  const house = schoolsOf(pattern, dance).find(({ school }) => school === dance.school);
  return {
    figure: { pattern, dance, beats: rhythmBeats, parts, ...(house && { houseCounts: house.labels }) },
    faults,
  };
}

/** A school's names for the events of a figure. */
export interface SchoolCounts {
  readonly school: string;
  readonly labels: readonly string[];
}

/** The counts that schools besides the written one have for the events of a figure; those that cannot be read are left out. */
export function schoolsOf(pattern: Pattern, dance: Dance): readonly SchoolCounts[] {
  return (pattern.otherCounts ?? []).flatMap(other => {
    const read = otherRhythm(other, pattern, dance);
    return read.ok ? [{ school: other.school, labels: read.value.events.map(({ label }) => label) }] : [];
  });
}

/** Another school's count of a figure, with beats of its own, in the cycle of the figure or else of the dance. */
export function otherRhythm(
  { rhythm, beats }: NonNullable<Pattern['otherCounts']>[number],
  { cycle, split }: Pick<Pattern, 'cycle' | 'split'>,
  dance: Dance,
): Result<Rhythm, RhythmFault> {
  const terms = { ...(split && { split }), ...(beats !== undefined && { beats }) };
  const inOwn = parsePatternRhythm(rhythm, cycle === undefined ? terms : { ...terms, cycle }, dance, 0);
  if (inOwn.ok || cycle === undefined) return inOwn;
  const inDances = parsePatternRhythm(rhythm, terms, dance, 0);
  return inDances.ok ? inDances : inOwn;
}

/** The part of a role; undefined where the figure has none, as a quality without steps. */
export function findPart(figure: Figure, role: Role): FigurePart | undefined {
  return figure.parts.find(part => part.role === role);
}

/** How the beats of a figure are split and counted: its own way, or its dance's. */
export function countTerms({ split, cycle }: Pick<Pattern, 'split' | 'cycle'>, dance: Dance): CountTerms {
  return { split: split ?? dance.split, cycle: cycle ?? dance.countCycle };
}

/** Degrees that the dancer of a part turns, in sum. */
export function partTurn(part: FigurePart): number {
  return part.steps.reduce((sum, { step }) => sum + (step ? stepTurn(step) : 0), 0);
}

/** What the couple (or solo dancer) faces differently at the end. */
export function figureTurn(figure: Figure): number {
  if (figure.dance.roles === 'pair' && figure.pattern.turn !== undefined) return figure.pattern.turn;
  const part = figure.parts[0];
  return part ? partTurn(part) : 0;
}

function writtenParts(pattern: Pattern, dance: Dance, faults: FigureFault[]): (readonly [Role, string])[] {
  const { parts } = pattern;
  if (!parts) return [];
  if (dance.roles === 'solo' && 'solo' in parts) return [['solo', parts.solo]];
  if (dance.roles === 'pair' && 'lead' in parts)
    return [
      ['lead', parts.lead],
      ['follow', parts.follow],
    ];
  faults.push({
    code: 'wrong-roles',
    path: ['parts'],
    message:
      dance.roles === 'solo'
        ? `${dance.name} is danced solo: write one part, "solo"`
        : `${dance.name} is danced in pairs: write the parts "lead" and "follow"`,
  });
  return [];
}

function keepNothing(): ReturnType<KeepSteps> {
  return { steps: [], faults: [] };
}

interface PartReading {
  readonly role: Role;
  readonly text: string;
  readonly lead: FigurePart | undefined;
  readonly pattern: Pattern;
  readonly dance: Dance;
  readonly actions: ReadonlyMap<Action, WeightClass>;
  readonly faults: FigureFault[];
  readonly keep: KeepSteps;
}

function readPart(reading: PartReading): FigurePart {
  const { role, text, lead, actions, faults } = reading;
  const plain = text.trim();
  const derived = role === 'follow' && (isNaturalPart(plain) || plain === KEEP) ? plain : null;
  const steps = derived && lead ? derivedSteps(reading, lead, derived) : readSteps(reading, role);
  const rhythm = readPartRhythm(reading, steps.length);
  const times = timedSteps(rhythm);
  const isToldAtLead = derived !== null && typeof reading.pattern.rhythm === 'string';
  if (times.length !== steps.length && rhythm !== UNREAD_RHYTHM && !isToldAtLead)
    faults.push({
      code: 'step-count',
      path: ['parts', role],
      message: `the rhythm has ${times.length} steps, this part has ${steps.length}`,
    });
  const weight = readWeight(steps, step => actions.get(step.action) ?? 'takes');
  if (!derived)
    for (const { step, code, message } of weight.faults)
      faults.push({ code, path: ['parts', role, step], message });
  return {
    role,
    derived,
    rhythm,
    start: weight.start,
    end: weight.end,
    steps: steps.map((step, index) => {
      const leadStep = lead?.steps[index]?.step;
      const natural = role === 'follow' && step ? (leadStep ? naturalness(leadStep, step) : 'own') : null;
      return { step, time: times[index] ?? null, natural };
    }),
  };
}

function derivedSteps(
  { pattern, dance, faults, keep }: PartReading,
  lead: FigurePart,
  by: NaturalPart | typeof KEEP,
): readonly (Step | null)[] {
  if (by !== KEEP) return lead.steps.map(({ step }) => step && naturalStep(step, by));
  const kept = keep({ pattern, dance, beats: lead.rhythm.beats, parts: [lead] });
  faults.push(...kept.faults);
  return kept.steps;
}

function readSteps({ text, actions, faults }: PartReading, role: Role): (Step | null)[] {
  return splitPart(text).map((stepText, index) => {
    const parsed = parseStep(stepText, actions);
    if (parsed.ok) return parsed.value;
    faults.push({ ...parsed.fault, path: ['parts', role, index] });
    return null;
  });
}

const UNREAD_RHYTHM: Rhythm = { notation: 'free', beats: null, events: [] };

function readPartRhythm({ role, pattern, dance, faults }: PartReading, freeSteps: number): Rhythm {
  const written = pattern.rhythm;
  if (written === undefined) return { ...UNREAD_RHYTHM, events: freeEvents(freeSteps) };
  if (typeof written !== 'string' && role === 'solo') {
    faults.push({ code: 'wrong-roles', path: ['rhythm'], message: 'a solo figure has one rhythm' });
    return UNREAD_RHYTHM;
  }
  const ownRhythm = typeof written !== 'string';
  const text = ownRhythm ? written[role as 'lead' | 'follow'] : written;
  const parsed = parsePatternRhythm(text, pattern, dance, freeSteps);
  if (parsed.ok) return parsed.value;
  const isRepeat = !ownRhythm && role === 'follow';
  const { of, position, message } = parsed.fault;
  const path = of === 'beats' ? ['beats'] : ownRhythm ? ['rhythm', role] : ['rhythm'];
  const where = of === 'beats' || text.trim() === '' ? '' : `sign ${position + 1}: `;
  if (!isRepeat) faults.push({ code: 'rhythm', path, message: `${where}${message}` });
  return UNREAD_RHYTHM;
}

/** A rhythm in the terms of its pattern and dance: their slow, quick, split, cycle and beats. */
function parsePatternRhythm(
  text: string,
  pattern: Pick<Pattern, 'beats' | 'split' | 'cycle'>,
  dance: Dance,
  freeSteps: number,
): Result<Rhythm, RhythmFault> {
  const beats = pattern.beats === undefined ? undefined : parseBeats(pattern.beats);
  if (beats && !beats.ok) return { ok: false, fault: { of: 'beats', position: 0, message: beats.fault } };
  return parseRhythm(text, {
    slow: danceBeats(dance, 'slow'),
    quick: danceBeats(dance, 'quick'),
    ...countTerms(pattern, dance),
    freeSteps,
    ...(beats && { beats: beats.value }),
  });
}

function freeEvents(steps: number): Rhythm['events'] {
  return Array.from({ length: steps }, (_, i) => ({
    label: String(i + 1),
    rest: false,
    onset: null,
    length: null,
  }));
}

function checkSameBeats(parts: readonly FigurePart[], faults: FigureFault[]): void {
  const [first, second] = parts.filter(part => part.rhythm !== UNREAD_RHYTHM);
  if (first && second && first.rhythm.beats !== second.rhythm.beats)
    faults.push({
      code: 'rhythm',
      path: ['rhythm', second.role],
      message: 'both roles need rhythms of the same beats',
    });
}
