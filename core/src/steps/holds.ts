import type { Dance, Hold, Pattern } from '../model/document.ts';
import { modulo } from '../model/units.ts';
import { type Figure, type FigureFault, findPart, partTurn } from './figure.ts';

export function findHold(dance: Dance, id: string): Hold | undefined {
  return dance.holds.find(hold => hold.id === id);
}

/** The holds a pattern can start from. */
export function entryHolds(pattern: Pattern): readonly string[] {
  return [...new Set(pattern.entry)];
}

/** The holds it can leave in when it was entered in `entry`. */
export function exitHolds(pattern: Pattern, entry: string): readonly string[] {
  const exit = pattern.exit ?? 'same';
  if (exit === 'same') return [entry];
  return typeof exit === 'string' ? [exit] : [...new Set(exit)];
}

/** All the holds that a pattern can leave in. */
export function allExitHolds(pattern: Pattern): readonly string[] {
  return [...new Set(entryHolds(pattern).flatMap(entry => exitHolds(pattern, entry)))];
}

/**
 * The facing after the figure must suit its exit: `rel` out = `rel` in + follower's turns - leader's turns
 * (mod 360), for each entry by some exit; skipped where a hold says no `rel`.
 */
export function checkTurnAgainstHold(figure: Figure): FigureFault[] {
  const lead = findPart(figure, 'lead');
  const follow = findPart(figure, 'follow');
  if (!lead || !follow) return [];
  const difference = partTurn(follow) - partTurn(lead);
  const relOf = (id: string) => findHold(figure.dance, id)?.rel;
  const faults: FigureFault[] = [];
  for (const entry of entryHolds(figure.pattern)) {
    const relIn = relOf(entry);
    if (relIn === undefined) continue;
    const relOut = modulo(relIn + difference, 360);
    const exits = exitHolds(figure.pattern, entry);
    const fits = exits.some(exit => {
      const rel = relOf(exit);
      return rel === undefined || modulo(rel, 360) === relOut;
    });
    if (!fits)
      faults.push({
        code: 'turn-against-hold',
        path: ['exit'],
        message:
          `from "${entry}" these turns leave the follower at ${relOut}° to the leader, ` +
          `but ${exits.map(exit => `"${exit}" is at ${modulo(relOf(exit) ?? 0, 360)}°`).join(', ')}`,
      });
  }
  return faults;
}
