// What a teacher types of the holds from a cell: `wrap`, `3 wrap, by the back`, `from open or near`, `to same`, `no`.
import type { Dance, HoldAt, Pattern, PatternMark } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import { labelOf } from './counts.ts';
import type { Figure } from './figure.ts';
import { nearestOf } from './step.ts';

const MOST_SUGGESTED = 6;
const NAMES_PARTED = /\s+or\s+/i;
const FROM = /^from\s+(.+)$/i;
const TO = /^to\s+(.+)$/i;
/** What stands before the hold that is being typed. */
const BEFORE_HOLD = /^(?:.*;\s*)?(?:\d\S*\s+)?(?:.*\bor\s+|from\s+|to\s+)?/i;
const NOT = /^(?:no|-)$/i;

/**
 * A figure with what was typed of its holds at an event: the hold from its end on, `, by the back` how the hands go there, `from`
 * the holds it starts in, `to` those it ends in, a count in front for another event, `no` to take the change away; several
 * with `;`. A fault says what would be taken.
 */
export function readTypedHold(text: string, figure: Figure, event: number): Result<Pattern, string> {
  let pattern = figure.pattern;
  for (const clause of text.split(';').flatMap(one => one.trim() || [])) {
    const next = readClause(clause, { ...figure, pattern }, event);
    if (!next.ok) return next;
    pattern = next.value;
  }
  return success(pattern);
}

/** The lines that a beginning can become: holds by name, with what stands before them. */
export function suggestHolds(typed: string, { dance }: Figure): readonly string[] {
  const [before = ''] = BEFORE_HOLD.exec(typed) ?? [];
  const begun = typed.slice(before.length);
  if (begun.includes(',')) return [];
  return holdsBegun(begun, dance)
    .slice(0, MOST_SUGGESTED)
    .map(({ name }) => `${before}${name}`);
}

function readClause(clause: string, figure: Figure, event: number): Result<Pattern, string> {
  const { pattern, dance } = figure;
  const from = FROM.exec(clause)?.[1];
  if (from !== undefined) {
    const entry = readHolds(from, dance);
    return entry.ok ? success({ ...pattern, entry: entry.value }) : entry;
  }
  const to = TO.exec(clause)?.[1];
  if (to !== undefined) return withExit(pattern, to, dance);
  const rhythm = figure.parts[0]?.rhythm;
  const labels = rhythm ? rhythm.events.map((_, index) => labelOf(figure, rhythm, index)) : [];
  const [, count, rest = ''] = /^(\S+)\s+(.+)$/.exec(clause) ?? [];
  const counted = count === undefined || !/^\d|^&/.test(count) ? -1 : labels.indexOf(count);
  if (count !== undefined && /^\d/.test(count) && counted < 0)
    return failure(`there is no count ${count}; this is counted ${labels.join(' ')}`);
  return changeAt(figure, counted < 0 ? clause : rest, counted < 0 ? event : counted);
}

/** The hold from the end of an event on; at the last one it is how the figure ends. */
function changeAt({ pattern, dance, parts }: Figure, text: string, event: number): Result<Pattern, string> {
  const [name = '', ...ways] = text.split(',').map(one => one.trim());
  const way = ways.join(', ');
  const others = (pattern.holds ?? []).filter(one => one.event !== event);
  const isLast = event >= (parts[0]?.rhythm.events.length ?? 0) - 1;
  if (NOT.test(name)) return success(withWay(withHolds(pattern, others), event, ''));
  if (name === '') return success(withWay(pattern, event, way));
  if (isLast) {
    const ended = withExit(pattern, name, dance);
    return ended.ok ? success(withWay(ended.value, event, way)) : ended;
  }
  const hold = readHold(name, dance);
  if (!hold.ok) return hold;
  const holds = [...others, { event, hold: hold.value }].sort((a, b) => a.event - b.event);
  return success(withWay(withHolds(pattern, holds), event, way));
}

function withExit(pattern: Pattern, text: string, dance: Dance): Result<Pattern, string> {
  if (/^(?:the )?same(?: hold)?$/i.test(text.trim())) return success({ ...pattern, exit: 'same' });
  const exits = readHolds(text, dance);
  if (!exits.ok) return exits;
  const [only, ...others] = exits.value;
  return success({ ...pattern, exit: others.length === 0 && only !== undefined ? only : exits.value });
}

function withHolds({ holds: _, ...rest }: Pattern, holds: readonly HoldAt[]): Pattern {
  return holds.length > 0 ? { ...rest, holds } : rest;
}

/** How the hands go at an event, in the teacher's words; none where nothing is said. */
function withWay({ marks = [], ...rest }: Pattern, event: number, text: string): Pattern {
  const others = marks.filter(mark => mark.kind !== 'hold' || mark.event !== event);
  const own: readonly PatternMark[] = text === '' ? [] : [{ event, kind: 'hold', text }];
  return others.length + own.length > 0 ? { ...rest, marks: [...others, ...own] } : rest;
}

function readHolds(text: string, dance: Dance): Result<readonly string[], string> {
  const ids: string[] = [];
  for (const name of text.split(NAMES_PARTED)) {
    const hold = readHold(name.trim(), dance);
    if (!hold.ok) return hold;
    ids.push(hold.value);
  }
  return success([...new Set(ids)]);
}

/** A hold by its name, its id, or how one of these begins. */
function readHold(name: string, dance: Dance): Result<string, string> {
  const begun = holdsBegun(name, dance);
  const exact = begun.find(hold => [hold.id, hold.name.toLowerCase()].includes(name.toLowerCase()));
  const [only, ...others] = exact ? [exact] : begun;
  if (only && others.length === 0) return success(only.id);
  const names = dance.holds.map(hold => hold.name);
  return failure(
    others.length > 0
      ? `“${name}” can be ${begun.map(hold => hold.name).join(', ')}: write more of it`
      : `“${name}” is no hold of ${dance.name}; it has ${nearestOf(name, names)}`,
  );
}

function holdsBegun(begun: string, { holds }: Dance) {
  const wanted = begun.trim().toLowerCase();
  return holds.filter(({ id, name }) => [id, name.toLowerCase()].some(word => word.startsWith(wanted)));
}
