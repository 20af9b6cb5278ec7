// Changes of a figure's parts as a teacher makes them, step by step. Each answers a new pattern.
import type { Dance, NaturalPart, Parts, Pattern, Role } from '../model/document.ts';
import { danceActions, type Figure, findPart, KEEP } from './figure.ts';
import { isFrame } from './hold-shape.ts';
import { findHold } from './holds.ts';
import { NATURAL_PARTS, naturalStep } from './mirror.ts';
import { parseStep, printStep, type Step, splitPart } from './step.ts';
import { type FreeFoot, readWeight } from './weight.ts';

/** The roles of a dance, in the order in which they are written. */
export function rolesOf(dance: Dance): readonly Role[] {
  return dance.roles === 'solo' ? ['solo'] : ['lead', 'follow'];
}

/** The part that comes naturally with a figure's first hold: opposite face to face, else the mirror image. */
export function naturalPartOf({ pattern, dance }: Pick<Figure, 'pattern' | 'dance'>): NaturalPart {
  const rel = findHold(dance, pattern.entry?.[0] ?? '')?.rel ?? 180;
  return Math.abs(rel) > 90 ? 'opposite' : 'image';
}

/** The steps of a role as they are written, or would be where they are taken from the leader's. */
export function writtenSteps(figure: Figure, role: Role): readonly string[] {
  const part = findPart(figure, role);
  if (part?.derived) return part.steps.map(({ step }) => (step ? printStep(step) : ''));
  return splitPart(partText(figure.pattern.parts, role) ?? '');
}

/**
 * Puts steps in place of those from `index` on, one for one; at the end they are added. A follower's part that
 * was natural becomes the follower's own, and natural again when all of it comes from the leader's.
 */
export function putSteps(figure: Figure, role: Role, index: number, steps: readonly string[]): Pattern {
  const before = writtenSteps(figure, role);
  const at = Math.min(index, before.length);
  return writeSteps(figure, role, [...before.slice(0, at), ...steps, ...before.slice(at + steps.length)]);
}

/** Takes one step away; those after it move up. */
export function removeStep(figure: Figure, role: Role, index: number): Pattern {
  return writeSteps(figure, role, writtenSteps(figure, role).toSpliced(index, 1));
}

/** Makes one of the follower's steps natural again, by the part that comes with the hold. */
export function makeStepNatural(figure: Figure, index: number): Pattern {
  const lead = findPart(figure, 'lead')?.steps[index]?.step;
  if (!lead) return figure.pattern;
  return putSteps(figure, 'follow', index, [printStep(naturalStep(lead, naturalPartOf(figure)))]);
}

/** Takes the follower's whole part from the leader's, as the image of it or so that the hold is kept. */
export function makePartNatural(figure: Figure, by: NaturalPart | typeof KEEP): Pattern {
  return { ...figure.pattern, parts: { lead: partText(figure.pattern.parts, 'lead') ?? '', follow: by } };
}

/** The foot that is free where a step of a role begins. */
export function freeFootBefore(figure: Figure, role: Role, index: number): FreeFoot {
  const actions = danceActions(figure.dance);
  const weightOf = (step: Step) => actions.get(step.action) ?? 'takes';
  const steps = writtenSteps(figure, role)
    .slice(0, index)
    .map(text => {
      const step = parseStep(text, actions);
      return step.ok ? step.value : null;
    });
  if (steps.length > 0) return readWeight(steps, weightOf).end;
  if (role !== 'follow') return 'any';
  const lead = findPart(figure, 'lead')?.start;
  return lead === 'L' ? 'R' : lead === 'R' ? 'L' : 'any';
}

/** The follower's part that a new figure begins with: in a frame the one that keeps it, else as the hold has it. */
function defaultPartOf(figure: Figure): NaturalPart | typeof KEEP {
  const hold = findHold(figure.dance, figure.pattern.entry?.[0] ?? '');
  return hold && isFrame(hold) ? KEEP : naturalPartOf(figure);
}

function writeSteps(figure: Figure, role: Role, steps: readonly string[]): Pattern {
  const text = steps.join(', ');
  const { pattern } = figure;
  if (role === 'solo') return { ...pattern, parts: { solo: text } };
  if (role === 'lead')
    return {
      ...pattern,
      parts: { lead: text, follow: partText(pattern.parts, 'follow') ?? defaultPartOf(figure) },
    };
  const lead = partText(pattern.parts, 'lead') ?? '';
  return { ...pattern, parts: { lead, follow: naturalName(figure, text) ?? text } };
}

/** The natural part that a follower's part is, word for word; the one of the hold first. */
function naturalName(figure: Figure, text: string): NaturalPart | undefined {
  const lead = findPart(figure, 'lead');
  if (!lead || lead.steps.length === 0) return undefined;
  const candidates = [naturalPartOf(figure), ...NATURAL_PARTS];
  return candidates.find(
    by => lead.steps.map(({ step }) => (step ? printStep(naturalStep(step, by)) : '')).join(', ') === text,
  );
}

function partText(parts: Parts | undefined, role: Role): string | undefined {
  return (parts as Partial<Record<Role, string>> | undefined)?.[role];
}
