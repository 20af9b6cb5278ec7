// What of a figure the class has danced already in another, in the house's count.
import type { Library } from '../library/library.ts';
import { compareFigures, rangesInWords, type SameRange } from '../likeness/compare.ts';
import type { Role, Studio } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { needsOf } from '../model/needs.ts';
import type { Figure, FigurePart } from '../steps/figure.ts';
import { entryHolds, findHold } from '../steps/holds.ts';
import { stepTurn } from '../steps/step.ts';
import { stepInWords } from '../steps/words.ts';
import { allOf } from './words.ts';

interface Shared {
  readonly other: Figure;
  /** Of each part of the figure told the indexes of the steps that are shared. */
  readonly steps: ReadonlyMap<Role, ReadonlySet<number>>;
  /** Those of them that turn otherwise. */
  readonly turning: ReadonlyMap<Role, ReadonlySet<number>>;
  /** Of all steps of the figure told. */
  readonly share: number;
}

const LEAST_SHARE = 0.5;

/**
 * In a sentence what a figure shares with the one of `known` (the newest last) that has most of its steps: aligned, up to a
 * difference in turn or length; of several the nearest, then the newest. Empty unless more than half of it is shared.
 */
export function likenessInWords(
  figure: Figure,
  known: readonly string[],
  { library, studio }: { readonly library: Library; readonly studio: Pick<Studio, 'roles'> },
): string {
  const others = [...new Set(known)].reverse().flatMap(id => {
    const other = library.readings.get(id)?.figure;
    return other && id !== figure.pattern.id && other.dance.id === figure.dance.id ? [other] : [];
  });
  const joined = joinedFrom(figure, others);
  if (joined.length > 1)
    return `It is ${joined.map(one => escapeMarkdown(one.pattern.name)).join(', then ')}.`;
  const found = mostShared(figure, nearestFirst(figure, others));
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

function isNear({ pattern }: Figure, other: Figure): boolean {
  return [...needsOf(pattern), ...(pattern.lookalikes ?? [])].includes(other.pattern.id);
}

/** The figures that a longer one is made of, whole and one after the other; none where it is not. */
function joinedFrom(figure: Figure, others: readonly Figure[]): readonly Figure[] {
  const own = danceSteps(figure);
  const pieces = nearestFirst(figure, others).map(other => ({ other, steps: danceSteps(other) }));
  const from = (at: number): readonly Figure[] | undefined => {
    if (at === own.length) return [];
    for (const { other, steps } of pieces) {
      if (
        steps.length === 0 ||
        steps.length === own.length ||
        !steps.every((step, index) => step === own[at + index])
      )
        continue;
      const rest = from(at + steps.length);
      if (rest) return [other, ...rest];
    }
    return undefined;
  };
  return own.length === 0 ? [] : (from(0) ?? []);
}

/** What everybody does in each event of a figure, and how long it is; empty for one without timing. */
function danceSteps({ parts, beats }: Figure): readonly string[] {
  const events = parts[0]?.rhythm.events ?? [];
  if (beats === null) return [];
  return events.map(({ length }, event) =>
    [
      length,
      ...parts.map(({ role, steps }) => {
        const step = steps.find(({ time }) => time?.event === event)?.step;
        return step ? `${role} ${stepInWords(step)}` : role;
      }),
    ].join(),
  );
}

/** Those that a figure needs or looks like, then those as long as it, then those in a hold that it begins in. */
function nearestFirst(figure: Figure, others: readonly Figure[]): readonly Figure[] {
  const own = entryHolds(figure.pattern);
  const distance = (other: Figure) =>
    Number(!isNear(figure, other)) * 4 +
    Number(other.beats !== figure.beats) * 2 +
    Number(!entryHolds(other.pattern).some(hold => own.includes(hold)));
  return others.toSorted((a, b) => distance(a) - distance(b));
}

function mostShared(figure: Figure, others: readonly Figure[]): Shared | undefined {
  let best: Shared | undefined;
  const count = figure.parts.reduce((sum, { steps }) => sum + steps.length, 0);
  for (const other of others) {
    const { roles } = compareFigures(figure, other);
    const indexesOf = (kinds: readonly string[]) =>
      new Map(
        figure.parts.map(({ role }) => {
          const pairs = roles[role]?.pairs ?? [];
          const own = pairs.flatMap(([index, , kind]) =>
            index !== null && kinds.includes(kind) ? [index] : [],
          );
          return [role, new Set(own)] as const;
        }),
      );
    const [steps, longer] = [indexesOf(['same', 'turn', 'length']), countOf(indexesOf(['length']))];
    const shared = countOf(steps);
    // At another pace throughout it is another figure.
    if (longer > shared / 2) continue;
    const share = count === 0 ? 0 : shared / count;
    const turning = indexesOf(['turn']);
    const isNearer = best?.share === share && countOf(turning) < countOf(best.turning);
    if (!best || share > best.share || isNearer) best = { other, steps, turning, share };
  }
  return best;
}

function countOf(steps: ReadonlyMap<Role, ReadonlySet<number>>): number {
  return [...steps.values()].reduce((sum, { size }) => sum + size, 0);
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
