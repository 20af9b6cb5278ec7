import { coupleHints, findWoundArms } from '../couple/check-couple.ts';
import { checkRoute } from '../couple/check-routes.ts';
import { readFigure } from '../couple/read-figure.ts';
import { type DanceRoutes, findRoutes, isDanced } from '../couple/routes.ts';
import { facingRepeats } from '../floor/closure.ts';
import type { Dance, Pattern, StudioDocument } from '../model/document.ts';
import { groupBy } from '../model/group-by.ts';
import { CHECK_CODES, type CheckCode, type Issue, issue, type Path, type Severity } from '../model/issue.ts';
import { modulo, TICKS_PER_BEAT } from '../model/units.ts';
import type { Figure, FigureFault, FigureReading } from '../steps/figure.ts';
import { checkTurnAgainstHold } from '../steps/holds.ts';
import { quickestStep, type StepKind } from '../steps/quickness.ts';
import { danceOn } from './dance-on.ts';
import type { JoinFinding } from './join-words.ts';
import { isOffered, type Library } from './library.ts';
import { saidHints, saidOtherwise } from './said.ts';

/** Something about one figure, with its place below the pattern. */
export interface FigureIssue {
  readonly code: CheckCode;
  readonly severity: Severity;
  readonly path: Path;
  readonly message: string;
}

/** What is wrong or worth a look in each figure, in the order of the patterns. */
export function checkFigures(document: StudioDocument, library: Library, told: Told = 'all'): Issue[] {
  const check = createFigureChecker(library, told);
  return (document.patterns ?? []).flatMap((pattern, index) => {
    const reading = library.readings.get(pattern.id);
    if (!reading || library.patterns.get(pattern.id) !== pattern) return [];
    return check(reading).map(({ code, path, message }) =>
      issue(code, ['patterns', index, ...path], message),
    );
  });
}

/** Why a figure cannot be danced or taught where it stands, without what is only worth a look. Linear in what is written. */
export function figureErrorsIn(
  pattern: Pattern,
  dance: Dance,
  library: Pick<Library, 'levels' | 'patterns'>,
): readonly FigureIssue[] {
  return [
    ...figureErrors(readFigure(pattern, dance)).map(
      ({ code, path, message }) => [code, path, message] as const,
    ),
    ...belowNeeds(pattern, library),
    ...outOfRange(pattern),
  ]
    .map(([code, path, message]) => ({ code, severity: CHECK_CODES[code], path, message }))
    .filter(({ severity }) => severity === 'error');
}

/** Errors alone cost what is written; what is worth a look is danced, with all that may follow. */
export type Told = 'all' | 'errors';

/** Checks one figure after another against the same library, which it may stand in or not. */
export function createFigureChecker(
  library: Library,
  told: Told = 'all',
): (reading: FigureReading) => readonly FigureIssue[] {
  const hintsOf = told === 'all' ? createHints(library) : () => [];
  return reading => {
    const { figure } = reading;
    const errors = figureErrors(reading);
    return [
      ...errors.map(({ code, path, message }) => [code, path, message] as const),
      ...belowNeeds(figure.pattern, library),
      ...outOfRange(figure.pattern),
      ...(errors.length === 0 ? hintsOf(figure) : []),
    ].map(([code, path, message]) => ({ code, severity: CHECK_CODES[code], path, message }));
  };
}

/** What is worth a look in figures without errors. */
function createHints(library: Library): (figure: Figure) => readonly Hint[] {
  const wholeBars = dancesInWholeBars(library);
  const routes = findDanceRoutes(library);
  const dancedOn = danceOn(library);
  return figure => {
    const isOnOffer = isOffered(figure.pattern);
    const ways = routes.get(figure.dance.id);
    const route = isOnOffer ? checkRoute(figure, ways) : undefined;
    const leadsHome = ways !== undefined && isOnOffer && isDanced(figure) && !route;
    return [
      ...coupleHints(figure).map(asHint),
      ...saidHints(figure).map(asHint),
      ...(wholeBars.has(figure.dance.id) ? offBar(figure) : []),
      ...(leadsHome ? [] : againstLine(figure)),
      ...tooFast(figure, library),
      ...(route ? [asHint(route)] : []),
      ...(isOnOffer ? afterIt(dancedOn.after(figure), library) : []),
    ];
  };
}

/** Why a figure cannot be danced; what two bodies do is looked at where the feet are right. */
function figureErrors({ figure, faults }: FigureReading): readonly FigureFault[] {
  if (faults.length > 0) return faults;
  return [...checkTurnAgainstHold(figure), ...findWoundArms(figure), ...saidOtherwise(figure)];
}

/** The routes of each dance that has a basic, through its figures on offer without errors. */
export function findDanceRoutes(library: Library): ReadonlyMap<string, DanceRoutes> {
  const sound = [...library.readings.values()].filter(
    reading => isOffered(reading.figure.pattern) && figureErrors(reading).length === 0,
  );
  const routes = new Map<string, DanceRoutes>();
  for (const [dance, readings] of groupBy(sound, ({ figure }) => figure.dance.id)) {
    const found = findRoutes(readings.map(({ figure }) => figure));
    if (found) routes.set(dance, found);
  }
  return routes;
}

const MOST_NAMED = 3;

/** What fails after a figure, once a code: the figures that it leads into, three by name. */
function afterIt(found: readonly JoinFinding[], library: Library): Hint[] {
  return [...groupBy(found, ({ code }) => code)].map(([code, findings]): Hint => {
    const message = findings[0]?.message ?? '';
    if (code === 'creeps') return [code, ['parts'], message];
    const names = findings.map(({ second }) => library.patterns.get(second)?.name ?? second);
    const more = names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : '';
    return [code, ['exit'], `into ${names.slice(0, MOST_NAMED).join(', ')}${more}: ${message}`];
  });
}

function asHint({ code, path, message }: FigureFault): Hint {
  return [code, path, message];
}

type Hint = readonly [CheckCode, Path, string];

/** The dances all of whose timed basics are whole bars. */
function dancesInWholeBars(library: Library): ReadonlySet<string> {
  const whole = new Map<string, boolean>();
  for (const { figure } of library.readings.values())
    if (figure.pattern.kind === 'basic' && figure.beats !== null)
      whole.set(figure.dance.id, (whole.get(figure.dance.id) ?? true) && fillsBars(figure, 1));
  return new Set([...whole].flatMap(([dance, isWhole]) => (isWhole ? [dance] : [])));
}

function fillsBars({ beats, dance }: Figure, part: number): boolean {
  return beats === null || modulo(beats, dance.beatsPerBar * TICKS_PER_BEAT * part) === 0;
}

/** Half a bar is danced in twos. */
const HALF_BAR = 0.5;

function offBar(figure: Figure): Hint[] {
  if (fillsBars(figure, HALF_BAR)) return [];
  const beats = (figure.beats ?? 0) / TICKS_PER_BEAT;
  return [['beats-off-bar', ['rhythm'], `${beats} beats do not fill bars of ${figure.dance.beatsPerBar}`]];
}

/** A figure that nothing turns back to the line, and that does not say how it is set to it. */
function againstLine(figure: Figure): Hint[] {
  const repeats = figure.dance.floor === 'line' ? facingRepeats(figure) : 1;
  if (repeats === 1 || figure.pattern.align !== undefined) return [];
  const path = figure.pattern.turn === undefined ? ['parts'] : ['turn'];
  return [['turn-against-line', path, `faces along the line again only after ${repeats} times`]];
}

function tooFast(figure: Figure, library: Library): Hint[] {
  const { pattern, dance } = figure;
  const level = pattern.level === undefined ? undefined : library.levels.get(pattern.level);
  const tempos = pattern.tempo?.length ? pattern.tempo : dance.tempo;
  const slowest = Math.min(...tempos.map(({ min }) => min));
  if (!level || !Number.isFinite(slowest)) return [];
  const quickest = quickestStep(figure, slowest, level.shortest);
  if (!quickest || quickest.ms >= quickest.limit) return [];
  const { kind, ms, limit } = quickest;
  return [
    [
      'too-fast',
      ['rhythm'],
      `${STEP_KINDS[kind]} lasts ${Math.round(ms)} ms at ${slowest} beats a minute; ${level.name} allows ${limit} ms`,
    ],
  ];
}

const STEP_KINDS: Readonly<Record<StepKind, string>> = {
  travels: 'the shortest step',
  triple: 'the shortest part of a triple',
  sound: 'the shortest tap',
};

const SLOWEST = 20;
const FASTEST = 400;
const MOST_BEATS = 512;

/** Numbers that nobody means: a slip of the keys, told where it is written with what would be taken. */
function outOfRange({ tempo = [], rank = 0, minutes = 1, beats }: Pattern): Hint[] {
  const bands = tempo.flatMap(({ min, max }, index): Hint[] => {
    if (min > max)
      return [
        ['out-of-range', ['tempo', index], `runs backwards; write it from slow to fast: ${max} to ${min}`],
      ];
    if (min >= SLOWEST && max <= FASTEST) return [];
    return [['out-of-range', ['tempo', index], `a tempo lies from ${SLOWEST} to ${FASTEST} beats a minute`]];
  });
  const other: (Hint | false)[] = [
    rank < 0 && ['out-of-range', ['rank'], 'a rank counts from 0'],
    minutes === 0 && ['out-of-range', ['minutes'], 'takes no time; write its minutes, or leave it empty'],
    Number(beats) > MOST_BEATS && [
      'out-of-range',
      ['beats'],
      `has more than ${MOST_BEATS} beats; a whole song is danced figure by figure`,
    ],
  ];
  return [...bands, ...other.filter(hint => hint !== false)];
}

function belowNeeds(pattern: Pattern, library: Pick<Library, 'levels' | 'patterns'>): Hint[] {
  const level = library.levels.get(pattern.level ?? '');
  return (pattern.needs ?? []).flatMap((id, index): Hint[] => {
    const need = library.patterns.get(id);
    const needLevel = library.levels.get(need?.level ?? '');
    if (!level || !needLevel || level.dance !== needLevel.dance || level.order >= needLevel.order) return [];
    const message = `needs "${id}" of the higher level ${needLevel.name}; it is in ${level.name}`;
    return [['needs-level', ['needs', index], message]];
  });
}
