// What of a figure the class has danced already in another, in the house's count.
import type { Library } from '../library/library.ts';
import { rangesInWords, type SameRange } from '../likeness/compare.ts';
import {
  figuresBeside,
  isNear,
  joinedFrom,
  LEAST_SHARE,
  mostShared,
  type Shared,
} from '../likeness/most-shared.ts';
import type { Role, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import type { Figure, FigurePart } from '../steps/figure.ts';
import { entryHolds, findHold } from '../steps/holds.ts';
import { stepTurn } from '../steps/step.ts';
import { allOf } from './words.ts';

/**
 * In a sentence what a figure shares with the one of `known` (the newest last) that has most of its steps: aligned, up to a
 * difference in turn or length; of several the nearest, then the newest. Empty unless more than half of it is shared.
 */
export function likenessInWords(
  figure: Figure,
  known: readonly string[],
  { library, studio }: { readonly library: Library; readonly studio: Pick<Studio, 'roles'> },
): string {
  const others = figuresBeside(figure, known, library);
  const joined = joinedFrom(figure, others);
  if (joined.length > 1)
    return `It is ${joined.map(one => escapeMarkdown(one.pattern.name)).join(', then ')}.`;
  const found = mostShared(figure, others);
  if (!found || found.share <= LEAST_SHARE) return '';
  const name = escapeMarkdown(found.other.pattern.name);
  const roles = { lead: 'leader', follow: 'follower', solo: 'dancer', ...studio.roles };
  const [first] = figure.parts;
  if (!first) return '';
  if (found.share === 1) return sameSteps(figure, first, found, name, role => roles[role].toLowerCase());
  const [same, fresh] = ranges(figure, first, found);
  const told = same.reduce((sum, { from, to }) => sum + to - from + 1, 0);
  if (told > LEAST_SHARE * first.steps.length && fresh.length > 0) {
    const news = rangesInWords(figure, first, fresh);
    const isOne = fresh.length === 1 && fresh[0]?.from === fresh[0]?.to;
    return `You know ${allOf(rangesInWords(figure, first, same))} from ${name}; ${allOf(news)} ${isOne ? 'is' : 'are'} new.`;
  }
  const whole = figure.parts.find(
    ({ role, steps }) => found.steps.get(role)?.size === steps.length && found.turning.get(role)?.size === 0,
  );
  return whole ? `The ${roles[whole.role].toLowerCase()}’s part is that of ${name}.` : '';
}

/** `The same steps as Wrap, from **Close**; the follower’s turn on 2–3 is new.` */
function sameSteps(
  figure: Figure,
  first: FigurePart,
  { other, turning }: Shared,
  name: string,
  nameOf: (role: Role) => string,
): string {
  const turned = runs([...first.steps.keys()].filter(index => isAt(figure, first, turning, index)));
  const counts = allOf(rangesInWords(figure, first, turned));
  const turners = figure.parts.filter(({ role, steps }) =>
    steps.some(({ step }, index) => step && stepTurn(step) !== 0 && turning.get(role)?.has(index)),
  );
  const same = `The same steps as ${name}${fromHold(figure, other)}`;
  const [turner] = turners;
  if (turned.length === 0) return `${same}.`;
  // That a turn is not there only helps beside what it looks like.
  if (!turner) return isNear(figure, other) ? `${same}, without the turn on ${counts}.` : '';
  const isOne = turners.length === 1 && figure.parts.length > 1;
  return `${same}; the ${isOne ? `${nameOf(turner.role)}’s ` : ''}turn on ${counts} is new.`;
}

/** The steps of a part that are the same in every role at that count, and those that are new, if only by their turn. */
function ranges(
  figure: Figure,
  first: FigurePart,
  { steps, turning }: Shared,
): readonly [readonly SameRange[], readonly SameRange[]] {
  const others = stepsBesides(figure, steps);
  const isNew = (index: number) => isAt(figure, first, others, index) || isAt(figure, first, turning, index);
  const all = [...first.steps.keys()];
  return [runs(all.filter(index => !isNew(index))), runs(all.filter(isNew))];
}

/** True where one of some steps is danced, in any role, at the count of a step of the first. */
function isAt(
  figure: Figure,
  first: FigurePart,
  steps: ReadonlyMap<Role, ReadonlySet<number>>,
  index: number,
): boolean {
  const event = first.steps[index]?.time?.event;
  return figure.parts.some(part => {
    const own = part.steps.findIndex(({ time }) => time?.event === event);
    return steps.get(part.role)?.has(own) === true;
  });
}

/** The steps of each part that are not among some. */
function stepsBesides(
  { parts }: Figure,
  steps: ReadonlyMap<Role, ReadonlySet<number>>,
): ReadonlyMap<Role, ReadonlySet<number>> {
  return new Map(
    parts.map(part => {
      const others = [...part.steps.keys()].filter(index => steps.get(part.role)?.has(index) !== true);
      return [part.role, new Set(others)];
    }),
  );
}

function runs(indexes: readonly number[]): readonly SameRange[] {
  const found: SameRange[] = [];
  for (const index of indexes) {
    const last = found.at(-1);
    if (last && last.to === index - 1) found[found.length - 1] = { ...last, to: index };
    else found.push({ from: index, to: index });
  }
  return found;
}

/** Where the same steps are danced from another hold. */
function fromHold(figure: Figure, other: Figure): string {
  const [own, theirs] = [entryHolds(figure.pattern), entryHolds(other.pattern)];
  if (own.length === 0 || own.some(hold => theirs.includes(hold))) return '';
  const names = own.map(id => `**${escapeMarkdown(findHold(figure.dance, id)?.name ?? id)}**`);
  return `, from ${names.join(' or ')}`;
}
