import type { Dance } from '../model/document.ts';
import { modulo } from '../model/units.ts';
import type { Figure, FigureFault } from '../steps/figure.ts';
import { findHold } from '../steps/holds.ts';
import { type DanceRoutes, isDanced, routeSteps, type StandState } from './routes.ts';

const CORNER = -90;

/** What is to be said of one figure among the routes of its dance. */
export function checkRoute(figure: Figure, routes: DanceRoutes | undefined): FigureFault | undefined {
  return routes && isDanced(figure) ? routeFault(figure, routes) : undefined;
}

function routeFault(figure: Figure, { ways, back, steps: all }: DanceRoutes): FigureFault | undefined {
  const steps = routeSteps(figure);
  const { dance } = figure;
  const reached = steps.filter(({ from }) => ways.has(from));
  if (reached.length === 0) {
    const starts = [...new Set(steps.map(({ from }) => from))];
    const ends = [...new Set(all.filter(({ from }) => ways.has(from)).map(({ to }) => to)), ...ways.keys()];
    return hint(
      'never-reached',
      `nothing leads here from a basic: it begins ${inWords(starts, dance)}`,
      starts.some(start => ends.some(end => cornered(end) === start)),
      nearestOf(ends, starts, dance),
    );
  }
  const ends = [...new Set(reached.map(({ to }) => to))];
  if (ends.some(end => back.has(end))) return undefined;
  const starts = [...back.keys()];
  return hint(
    'no-way-back',
    `nothing leads back to a basic: it ends ${inWords(ends, dance)}`,
    ends.some(end => back.has(cornered(end))),
    nearestOf(ends, starts, dance),
  );
}

function hint(
  code: 'never-reached' | 'no-way-back',
  words: string,
  atCorner: boolean,
  opens: string | undefined,
): FigureFault {
  const more = [
    ...(opens ? [`a figure ${opens} would open it`] : []),
    ...(atCorner ? ['at a corner it goes'] : []),
  ];
  return { code, path: [], message: [words, ...more].join('; ') };
}

/** How a state is told: its hold, the leader's free foot and degrees to the line. */
function inWords(states: readonly StandState[], dance: Dance): string {
  return states
    .slice(0, 2)
    .map(state => stateInWords(state, dance))
    .join(' or ');
}

function stateInWords(state: StandState, dance: Dance): string {
  const [hold = '', feet = '', align = '0'] = state.split(' ');
  const [first = 'L'] = feet;
  const foot = `the ${feet.length > 1 ? 'leader’s ' : ''}${first === 'L' ? 'left' : 'right'} foot free`;
  const facing = ((Number(align) + 180) % 360) - 180;
  return [
    ...(hold ? [`in ${findHold(dance, hold)?.name ?? hold}`] : []),
    `with ${foot}`,
    ...(facing === 0 ? [] : [`at ${facing}° to the line`]),
  ].join(', ');
}

/** The pair of states that differ in fewest of hold, feet and facing: what leads from the one to the other is missing. */
function nearestOf(
  ends: readonly StandState[],
  starts: readonly StandState[],
  dance: Dance,
): string | undefined {
  let best: { readonly words: string; readonly apart: number } | undefined;
  for (const end of ends)
    for (const start of starts) {
      const [x, y] = [end.split(' '), start.split(' ')];
      const apart = x.filter((part, index) => part !== y[index]).length;
      if (apart > 0 && (!best || apart < best.apart))
        best = { apart, words: `from ${stateInWords(end, dance)} to ${stateInWords(start, dance)}` };
    }
  return best?.words;
}

/** The state after the line has turned at a corner. */
function cornered(state: StandState): StandState {
  const [hold, feet, align] = state.split(' ');
  return `${hold} ${feet} ${modulo(Number(align) + CORNER, 360)}`;
}
