// What the moments of a figure are called: by the house's school, by others, as a teacher says it.

import { eventCount } from '../timing/renderings.ts';
import type { Rhythm } from '../timing/rhythm.ts';
import { countTerms, type Figure, type FigurePart, type SchoolCounts, schoolsOf } from './figure.ts';

/** The counts of other schools than the house's for the events of a figure; those that cannot be read are left out. */
export function otherSchools({ pattern, dance, parts, houseCounts }: Figure): readonly SchoolCounts[] {
  const others = schoolsOf(pattern, dance).filter(({ school }) => school !== dance.school);
  const written = parts[0]?.rhythm.events.map(({ label }) => label);
  return houseCounts && written ? [{ school: ANOTHER_SCHOOL, labels: written }, ...others] : others;
}

/** The school that a figure is written for, where it is not the house's. */
const ANOTHER_SCHOOL = 'Another school';

/** The count of a step of a part, as a teacher says it. */
export function stepCount(figure: Figure, { rhythm, steps }: FigurePart, step: number): string {
  return countOf(figure, rhythm, steps[step]?.time?.event ?? step);
}

/** The count of an event of a figure as the house says it, by its school where that has as many. */
export function countOf(figure: Figure, rhythm: Rhythm, event: number): string {
  return (
    houseCount(figure, rhythm, event) ?? eventCount(rhythm, event, countTerms(figure.pattern, figure.dance))
  );
}

/** What an event is called: as the house's school counts it, else as the rhythm is written, slows and quicks too. */
export function labelOf(figure: Figure, rhythm: Rhythm, event: number): string {
  return houseCount(figure, rhythm, event) ?? rhythm.events[event]?.label ?? '';
}

function houseCount({ houseCounts }: Figure, { events }: Rhythm, event: number): string | undefined {
  return houseCounts?.length === events.length ? houseCounts[event] : undefined;
}

/** The count on which something hangs that is written down for an event, as a teacher says it. */
export function markCount(figure: Figure, event: number): string {
  const rhythm = figure.parts[0]?.rhythm;
  return rhythm ? countOf(figure, rhythm, event) : String(event + 1);
}
