import { figureName, type Library } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import { needsOf } from '../model/needs.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import { dropItem, placeItems } from '../plan/course-changes.ts';
import { findProblemFaults } from '../plan/validate.ts';
import { type Finding, findingsOf } from './findings.ts';
import {
  levelChains,
  type ProgrammeSource,
  requiredBy,
  type TaughtLevel,
  withTaught,
} from './level-chain.ts';

/** A change of what levels teach: a figure into another level, or out of, or into, the one of the finding. */
export interface LevelMend {
  readonly move?: { readonly pattern: string; readonly level: string };
  readonly drop?: string;
  readonly add?: string;
}

export interface ProgrammeLevel {
  readonly level: string;
  /** That its figures and their elements take. */
  readonly minutes: number;
  /** How many figures it teaches. */
  readonly items: number;
  /** What these need and it does not teach. */
  readonly requires: readonly string[];
  readonly gives: readonly string[];
}

/** What a mend does to a level: the minutes that its figures and their elements take, before and after. */
export interface MendCost {
  readonly level: string;
  readonly before: number;
  readonly after: number;
}

export interface Programme {
  readonly findings: readonly (Omit<Finding, 'toward'> & {
    readonly mend?: LevelMend;
    /** Of each level that the mend changes. */
    readonly costs?: readonly MendCost[];
  })[];
  readonly levels: readonly ProgrammeLevel[];
}

/**
 * The levels of all dances with what each teaches and needs, and what hurts in them. A mend is only told when after it the
 * finding is gone and neither a gap, a figure that is stuck nor a broken rule of a course has come; each is tried.
 */
export function readProgramme(library: Library, source: ProgrammeSource): Programme {
  const chains = levelChains(library, source);
  const asked = askedByLevel(source);
  return {
    findings: [...chains].flatMap(([dance, chain]) => {
      const found = findingsOf(library, dance, chain, asked);
      return found.map(finding => {
        const mend = mendsOf(library, chain, finding).find(one =>
          isMended(library, { dance, chain, asked, found }, finding, one),
        );
        const { toward: _, ...shown } = finding;
        return { ...shown, ...(mend && { mend, costs: costsOf(library, chain, finding.level, mend) }) };
      });
    }),
    levels: told(library, chains),
  };
}

/** What each level teaches and needs, without a look at what hurts: quickly. */
export function readLevels(library: Library, source: ProgrammeSource): readonly ProgrammeLevel[] {
  return told(library, levelChains(library, source));
}

function told(library: Library, chains: ReturnType<typeof levelChains>): readonly ProgrammeLevel[] {
  return [...chains.values()].flat().map(level => ({
    level: level.level.id,
    minutes: level.minutes / 10,
    items: level.teaches.length,
    requires: requiredBy(library, level),
    gives: level.teaches,
  }));
}

/** A mend as it is proposed: `Teach Wrap in Hustle 2`. `level`: that of the finding. */
export function mendInWords(library: Library, { move, drop, add }: LevelMend, level: string): string {
  const name = (id: string) => figureName(library, id);
  const levelName = (id: string) => library.levels.get(id)?.name ?? id;
  if (move) return `Move ${name(move.pattern)} to ${levelName(move.level)}`;
  return drop === undefined
    ? `Teach ${name(add ?? '')} in ${levelName(level)}`
    : `Leave ${name(drop)} out of ${levelName(level)}`;
}

/** A course of a level as a mend would have it; `at`: the level of the finding. Others stay as they are. */
export function takeMend(course: Course, { move, drop, add }: LevelMend, at: string): Course {
  const isAt = course.level === at;
  const out = isAt ? (drop ?? move?.pattern) : undefined;
  const into = isAt ? add : move?.level === course.level ? move?.pattern : undefined;
  const without = out === undefined ? course : dropItem(placeItems(course, { [out]: null }), out);
  if (into === undefined || without.items.some(({ pattern }) => pattern === into)) return without;
  return { ...without, items: [...without.items, { pattern: into, value: 'should' }] };
}

function costsOf(
  library: Library,
  chain: readonly TaughtLevel[],
  at: string,
  mend: LevelMend,
): readonly MendCost[] {
  return mended(library, chain, at, mend).flatMap((level, index) => {
    const before = chain[index];
    return before && before !== level
      ? [{ level: level.level.id, before: before.minutes / 10, after: level.minutes / 10 }]
      : [];
  });
}

/** What the checks of the classes of each level ask. */
function askedByLevel({ checks = [], sections = [], courses = [] }: ProgrammeSource) {
  const asked = new Map<string, Set<string>>();
  for (const { section: id, items } of checks) {
    const section = sections.find(one => one.id === id);
    const level = courses.find(course => course.id === section?.course)?.level ?? '';
    const own = asked.get(level) ?? new Set();
    asked.set(level, own);
    for (const { pattern } of items) own.add(pattern);
  }
  return asked;
}

/** The changes that might mend a finding, the smallest first. */
function mendsOf(
  library: Library,
  chain: readonly TaughtLevel[],
  { code, level, pattern, toward }: Finding,
): readonly LevelMend[] {
  const at = chain.findIndex(one => one.level.id === level);
  const own = chain[at];
  const above = chain[at + 1]?.level.id;
  const before = chain[at - 1]?.level.id;
  const move = (id: string, to: string | undefined): LevelMend[] =>
    to === undefined ? [] : [{ move: { pattern: id, level: to } }];
  switch (code) {
    case 'gap':
      return pattern !== undefined && library.patterns.has(pattern) ? [{ add: pattern }] : [];
    case 'twice':
      return pattern === undefined ? [] : [{ drop: pattern }];
    case 'heavy':
      return (own?.teaches ?? []).toReversed().flatMap(id => move(id, above));
    case 'out-of-order':
      return pattern === undefined ? [] : move(pattern, toward === 'above' ? above : before);
    case 'stuck':
      return pattern === undefined
        ? []
        : [...move(pattern, above), ...addable(library, chain, at).map(add => ({ add }))];
    case 'unused':
    case 'gate-unused':
      return [];
    default:
      return code satisfies never;
  }
}

/** Figures up to a level that no level up to it teaches, and that need nothing it does not teach. */
function addable(library: Library, chain: readonly TaughtLevel[], at: number): readonly string[] {
  const upTo = chain.slice(0, at + 1);
  const taught = new Set(upTo.flatMap(({ teaches }) => teaches));
  const levels = new Set(upTo.map(({ level }) => level.id));
  return [...library.patterns.values()].flatMap(pattern =>
    levels.has(pattern.level ?? '') &&
    !taught.has(pattern.id) &&
    !pattern.retired &&
    needsOf(pattern).every(id => taught.has(id))
      ? [pattern.id]
      : [],
  );
}

interface Tried {
  readonly dance: string;
  readonly chain: readonly TaughtLevel[];
  readonly asked: ReadonlyMap<string, ReadonlySet<string>>;
  readonly found: readonly Finding[];
}

function isMended(
  library: Library,
  { dance, chain, asked, found }: Tried,
  finding: Finding,
  mend: LevelMend,
): boolean {
  const after = mended(library, chain, finding.level, mend);
  const key = ({ code, level, pattern }: Finding) => `${code} ${level} ${pattern}`;
  const had = new Set(found.map(key));
  const now = findingsOf(library, dance, after, asked);
  const isWorse = now.some(one => (one.code === 'gap' || one.code === 'stuck') && !had.has(key(one)));
  return (
    !isWorse &&
    !now.some(one => key(one) === key(finding)) &&
    after.every(level => keepsRules(library, level))
  );
}

/** A chain in which a change is made. */
function mended(
  library: Library,
  chain: readonly TaughtLevel[],
  at: string,
  { move, drop, add }: LevelMend,
): readonly TaughtLevel[] {
  return chain.map(level => {
    const { id } = level.level;
    const out = id === at ? [drop, move?.pattern] : [];
    const into = [id === at ? add : undefined, move?.level === id ? move.pattern : undefined];
    const come = into.filter(one => one !== undefined && !level.teaches.includes(one)) as string[];
    const teaches = [...level.teaches.filter(one => !out.includes(one)), ...come];
    const isSame = teaches.length === level.teaches.length && come.length === 0;
    return isSame ? level : withTaught(library, level, teaches);
  });
}

/** True where each course of a level could still be planned by its rules. */
function keepsRules(library: Library, { courses, teaches }: TaughtLevel): boolean {
  return courses.every(course => {
    const own = course.items.filter(({ pattern }) => teaches.includes(pattern));
    const come = courses.length === 1 ? teaches.filter(id => !own.some(({ pattern }) => pattern === id)) : [];
    const items = [...own, ...come.map(pattern => ({ pattern, value: 'should' as const }))];
    const built = buildPlanProblem(library, { ...course, items });
    return built.ok && findProblemFaults(built.value).length === 0;
  });
}
