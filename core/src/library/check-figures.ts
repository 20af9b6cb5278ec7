import { facingRepeats } from '../floor/closure.ts';
import type { Pattern, StudioDocument } from '../model/document.ts';
import { CHECK_CODES, type CheckCode, type Issue, issue, type Path, type Severity } from '../model/issue.ts';
import { modulo, TICKS_PER_BEAT } from '../model/units.ts';
import type { Figure, FigureReading } from '../steps/figure.ts';
import { allExitHolds, checkTurnAgainstHold, entryHolds, exitHolds } from '../steps/holds.ts';
import { shortestStepMs } from '../timing/tempo.ts';
import type { Library } from './library.ts';

const DEFAULT_SHORTEST_MS = 250;

/** Something about one figure, with its place below the pattern. */
export interface FigureIssue {
  readonly code: CheckCode;
  readonly severity: Severity;
  readonly path: Path;
  readonly message: string;
}

/** What is wrong or worth a look in each figure, in the order of the patterns. */
export function checkFigures(document: StudioDocument, library: Library): Issue[] {
  const check = createFigureChecker(library);
  return (document.patterns ?? []).flatMap((pattern, index) => {
    const reading = library.readings.get(pattern.id);
    if (!reading || library.patterns.get(pattern.id) !== pattern) return [];
    return check(reading).map(({ code, path, message }) =>
      issue(code, ['patterns', index, ...path], message),
    );
  });
}

/** Checks one figure after another against the same library, which it may stand in or not. */
export function createFigureChecker(library: Library): (reading: FigureReading) => readonly FigureIssue[] {
  const wholeBars = dancesInWholeBars(library);
  const waysBack = findWaysBack(library);
  return ({ figure, faults }) => {
    const errors = [...faults, ...(faults.length === 0 ? checkTurnAgainstHold(figure) : [])];
    const hints = [
      ...(wholeBars.has(figure.dance.id) ? offBar(figure) : []),
      ...againstLine(figure),
      ...tooFast(figure, library),
      ...noWayBack(figure.pattern, waysBack),
    ];
    return [
      ...errors.map(({ code, path, message }) => [code, path, message] as const),
      ...belowNeeds(figure.pattern, library),
      ...(errors.length === 0 ? hints : []),
    ].map(([code, path, message]) => ({ code, severity: CHECK_CODES[code], path, message }));
  };
}

type Hint = readonly [CheckCode, Path, string];

/** The dances all of whose timed basics are whole bars. */
function dancesInWholeBars(library: Library): ReadonlySet<string> {
  const whole = new Map<string, boolean>();
  for (const { figure } of library.readings.values())
    if (figure.pattern.kind === 'basic' && figure.beats !== null)
      whole.set(figure.dance.id, (whole.get(figure.dance.id) ?? true) && !isOffBar(figure));
  return new Set([...whole].flatMap(([dance, isWhole]) => (isWhole ? [dance] : [])));
}

function isOffBar(figure: Figure): boolean {
  return figure.beats !== null && modulo(figure.beats, figure.dance.beatsPerBar * TICKS_PER_BEAT) !== 0;
}

function offBar(figure: Figure): Hint[] {
  if (!isOffBar(figure)) return [];
  const beats = (figure.beats ?? 0) / TICKS_PER_BEAT;
  return [['beats-off-bar', ['rhythm'], `${beats} beats do not fill bars of ${figure.dance.beatsPerBar}`]];
}

function againstLine(figure: Figure): Hint[] {
  const repeats = figure.dance.floor === 'line' ? facingRepeats(figure) : 1;
  if (repeats === 1) return [];
  const path = figure.pattern.turn === undefined ? ['parts'] : ['turn'];
  return [['turn-against-line', path, `faces along the line again only after ${repeats} times`]];
}

function tooFast(figure: Figure, library: Library): Hint[] {
  const { pattern, dance } = figure;
  const level = pattern.level === undefined ? undefined : library.levels.get(pattern.level);
  const tempos = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  const slowest = Math.min(...tempos.map(({ min }) => min));
  if (!level || !Number.isFinite(slowest)) return [];
  const limit = level.shortest ?? DEFAULT_SHORTEST_MS;
  const rhythms = figure.parts.map(({ rhythm }) => rhythm);
  const fastest = shortestStepMs(rhythms, slowest);
  if (fastest === undefined || fastest >= limit) return [];
  return [
    [
      'too-fast',
      ['rhythm'],
      `the shortest step lasts ${Math.round(fastest)} ms at ${slowest} beats a minute; ${level.name} allows ${limit} ms`,
    ],
  ];
}

/** For each dance, the holds from which figures lead back to the entry of a basic; no entry without basics. */
function findWaysBack(library: Library): ReadonlyMap<string, ReadonlySet<string>> {
  const ways = new Map<string, Set<string>>();
  for (const { dance, kind, entry } of library.patterns.values())
    if (kind === 'basic') ways.set(dance, new Set([...(ways.get(dance) ?? []), ...(entry ?? [])]));
  for (const [dance, back] of ways) {
    const patterns = [...library.patterns.values()].filter(pattern => pattern.dance === dance);
    let grew = true;
    while (grew) {
      const before = back.size;
      for (const pattern of patterns)
        for (const entry of entryHolds(pattern))
          if (exitHolds(pattern, entry).some(exit => back.has(exit))) back.add(entry);
      grew = back.size > before;
    }
  }
  return ways;
}

function noWayBack(pattern: Pattern, waysBack: ReadonlyMap<string, ReadonlySet<string>>): Hint[] {
  const back = waysBack.get(pattern.dance);
  if (!back) return [];
  return allExitHolds(pattern)
    .filter(hold => !back.has(hold))
    .map(hold => ['no-way-back', ['exit'], `no figure leads from "${hold}" back to a basic`]);
}

function belowNeeds(pattern: Pattern, library: Library): Hint[] {
  const level = library.levels.get(pattern.level ?? '');
  return (pattern.needs ?? []).flatMap((id, index): Hint[] => {
    const need = library.patterns.get(id);
    const needLevel = library.levels.get(need?.level ?? '');
    if (!level || !needLevel || level.dance !== needLevel.dance || level.order >= needLevel.order) return [];
    const message = `needs "${id}" of the higher level ${needLevel.name}; it is in ${level.name}`;
    return [['needs-level', ['needs', index], message]];
  });
}
