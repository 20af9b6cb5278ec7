import { readFigure } from '../couple/read-figure.ts';
import type { Pattern } from '../model/document.ts';
import type { CheckCode } from '../model/issue.ts';
import { stepCount } from '../steps/counts.ts';
import { putSteps } from '../steps/edit.ts';
import { danceActions, type Figure, type FigurePart } from '../steps/figure.ts';
import type { Mend } from '../steps/mend.ts';
import { printStep, type Step } from '../steps/step.ts';
import { createFigureChecker, type FigureIssue } from './check-figures.ts';
import type { Library } from './library.ts';

const OF_JOINS: ReadonlySet<CheckCode> = new Set(['join-collide', 'join-apart', 'join-wrong-side', 'creeps']);
/** A longer figure is looked over by eye. */
const MOST_STEPS = 16;

/**
 * One step, whole or small, after which a figure joins what follows it, or keeps its place over and over; undefined where no
 * single one does. Each is tried against the whole library, the last steps first.
 */
export function findJoinMend(
  library: Library,
  figure: Figure,
  { code }: Pick<FigureIssue, 'code'>,
): Mend | undefined {
  if (!OF_JOINS.has(code) || figure.parts.some(({ steps }) => steps.length > MOST_STEPS)) return undefined;
  const check = createFigureChecker(library);
  const issuesOf = (pattern: Pattern) => check(readFigure(pattern, figure.dance));
  const before = issuesOf(figure.pattern).length;
  const isMended = (pattern: Pattern) => {
    const after = issuesOf(pattern);
    return after.length < before && after.every(issue => issue.code !== code);
  };
  return [...figure.parts]
    .reverse()
    .flatMap(part => part.steps.map((_, index) => resized(figure, part, index)).reverse())
    .find(mend => mend !== undefined && isMended(mend.pattern));
}

/** A figure with one step of a part small instead of whole, or whole instead of small. */
function resized(figure: Figure, part: FigurePart, index: number): Mend | undefined {
  const { role } = part;
  const step = part.steps[index]?.step;
  if (!step || !travels(figure, step)) return undefined;
  const isSmall = step.qualifiers.includes('small');
  const qualifiers = isSmall
    ? step.qualifiers.filter(word => word !== 'small')
    : [...step.qualifiers, 'small' as const];
  const who = role === 'follow' ? 'the follower' : 'the leader';
  return {
    words: `let ${who} take a ${isSmall ? 'whole' : 'small'} step at ${stepCount(figure, part, index)}`,
    pattern: putSteps(figure, role, index, [printStep({ ...step, qualifiers })]),
  };
}

const STAND: ReadonlySet<string> = new Set(['close', 'place', 'replace', 'land']);

function travels({ dance }: Figure, { action }: Step): boolean {
  return danceActions(dance).get(action) === 'takes' && !STAND.has(action);
}
