import type { Pattern, Role } from '../model/document.ts';
import { modulo } from '../model/units.ts';
import { writtenSteps } from './edit.ts';
import { type Figure, type FigureFault, findPart, partTurn, readWrittenFigure } from './figure.ts';
import { entryHolds, findHold } from './holds.ts';

export interface Mend {
  /** What it does, as an order: `step with the right foot`. */
  readonly words: string;
  readonly pattern: Pattern;
}

/** The change that takes a fault of feet, steps or turns away, where there is one that leaves fewer faults. */
export function findStepMend(figure: Figure, fault: Pick<FigureFault, 'code' | 'path'>): Mend | undefined {
  switch (fault.code) {
    case 'foot-carries-weight':
    case 'foot-is-free':
      return mendFoot(figure, fault.path[1] as Role, Number(fault.path[2]));
    case 'step-count':
      return mendCount(figure, fault.path[1] as Role);
    case 'turn-against-hold':
      return mendExit(figure);
    default:
      return undefined;
  }
}

/** The other foot in this step alone, or from it on: whichever leaves fewer faults. */
function mendFoot(figure: Figure, role: Role, index: number): Mend | undefined {
  const steps = writtenSteps(figure, role);
  const foot = steps[index]?.charAt(0);
  if (foot !== 'L' && foot !== 'R') return undefined;
  const swapped = (until: number) =>
    steps.map((step, at) => (at >= index && at < until ? otherFoot(step) : step));
  const here = withSteps(figure, role, swapped(index + 1));
  const onwards = withSteps(figure, role, swapped(steps.length));
  const name = foot === 'L' ? 'right' : 'left';
  return faultsOf(figure, onwards) < faultsOf(figure, here)
    ? { words: `step with the ${name} foot, and change feet from here on`, pattern: onwards }
    : { words: `step with the ${name} foot`, pattern: here };
}

function otherFoot(step: string): string {
  return step.replace(/^[LR]/, foot => (foot === 'L' ? 'R' : 'L'));
}

function mendCount(figure: Figure, role: Role): Mend | undefined {
  const part = findPart(figure, role);
  const wanted = part?.rhythm.events.filter(({ rest }) => !rest).length ?? 0;
  const steps = writtenSteps(figure, role);
  const extra = steps.length - wanted;
  if (extra <= 0 || wanted === 0) return undefined;
  const words = extra === 1 ? 'take the last step away' : `take the last ${extra} steps away`;
  return { words, pattern: withSteps(figure, role, steps.slice(0, wanted)) };
}

/** A hold in which the partners end as they stand to each other after these turns. */
function mendExit(figure: Figure): Mend | undefined {
  const [lead, follow] = [findPart(figure, 'lead'), findPart(figure, 'follow')];
  const rel = findHold(figure.dance, entryHolds(figure.pattern)[0] ?? '')?.rel;
  if (!lead || !follow || rel === undefined) return undefined;
  const out = modulo(rel + partTurn(follow) - partTurn(lead), 360);
  const hold = figure.dance.holds.find(one => one.rel !== undefined && modulo(one.rel, 360) === out);
  return hold && { words: `end in ${hold.name}`, pattern: { ...figure.pattern, exit: hold.id } };
}

function withSteps(figure: Figure, role: Role, steps: readonly string[]): Pattern {
  return {
    ...figure.pattern,
    parts: { ...figure.pattern.parts, [role]: steps.join(', ') } as Pattern['parts'] & object,
  };
}

function faultsOf({ dance }: Figure, pattern: Pattern): number {
  return readWrittenFigure(pattern, dance).faults.length;
}
