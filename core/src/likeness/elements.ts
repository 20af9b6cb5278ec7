import type { Element, Pattern, Role, Strand } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { PLAINEST_ACTIONS } from '../model/step-words.ts';
import { modulo, type Tenths, TICKS_PER_BEAT, tenthsOfMinutes } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds, exitHolds, findHold } from '../steps/holds.ts';
import { turnInWords } from '../steps/words.ts';

/** What must be learned once and is then free. */
export interface DerivedElement {
  readonly id: string;
  readonly name: string;
  readonly strand: Strand;
  readonly minutes: Tenths;
}

/** Published default minutes of derived elements. */
const ELEMENT_MINUTES = { hold: 4, rhythm: 3, action: 2, turn: 3, turnPer180: 1, change: 2 } as const;

const LONG_BEATS = 2;

/**
 * The elements of a figure: its holds, rhythm cells, actions beyond the plainest, turns and changes of hold,
 * then the director's own. An element of the studio, or of the figure's dance, with a derived id overrides its name and
 * minutes.
 */
export function figureElements(
  figure: Figure,
  studioElements: ReadonlyMap<string, Element>,
): readonly DerivedElement[] {
  const known = knownElements.get(studioElements) ?? new WeakMap<Figure, readonly DerivedElement[]>();
  knownElements.set(studioElements, known);
  const found = known.get(figure) ?? deriveElements(figure, studioElements);
  known.set(figure, found);
  return found;
}

/** A course is planned anew with every change that is tried, and its figures stay. */
const knownElements = new WeakMap<ReadonlyMap<string, Element>, WeakMap<Figure, readonly DerivedElement[]>>();

function deriveElements(
  figure: Figure,
  studioElements: ReadonlyMap<string, Element>,
): readonly DerivedElement[] {
  const found = [
    ...holdElements(figure),
    ...rhythmElements(figure),
    ...stepElements(figure),
    ...changeElements(figure),
    ...ownElements(figure.pattern, studioElements),
  ];
  const byId = new Map(found.map(element => [element.id, override(element, figure, studioElements)]));
  return [...byId.values()];
}

function override(
  element: DerivedElement,
  { dance }: Figure,
  studio: ReadonlyMap<string, Element>,
): DerivedElement {
  const own = studio.get(element.id);
  return own && (own.dance ?? dance.id) === dance.id
    ? { id: own.id, name: own.name, strand: own.strand, minutes: tenthsOfMinutes(own.minutes) }
    : element;
}

/** A hold that is like another shares its element. */
function sharedHold(figure: Figure, id: string): string {
  return findHold(figure.dance, id)?.like ?? id;
}

function holdName(figure: Figure, id: string): string {
  return findHold(figure.dance, id)?.name ?? id;
}

/** "Closed" is said as "Closed hold"; "Closed hold" as it is. */
function holdInWords(name: string): string {
  return /\bhold$/i.test(name) ? name : `${name} hold`;
}

function holdElements(figure: Figure): DerivedElement[] {
  const { pattern } = figure;
  const entries = entryHolds(pattern);
  const inside = (pattern.holds ?? []).map(({ hold }) => hold);
  const ids = [...entries, ...inside, ...entries.flatMap(entry => exitHolds(pattern, entry))];
  return ids.map(id => ({
    id: `hold-${sharedHold(figure, id)}`,
    name: holdInWords(holdName(figure, id)),
    strand: 'hold',
    minutes: tenthsOfMinutes(ELEMENT_MINUTES.hold),
  }));
}

function rhythmElements(figure: Figure): DerivedElement[] {
  if (figure.pattern.rhythm === undefined) return [];
  const cells = new Set<string>();
  for (const { rhythm } of figure.parts) {
    if (rhythm.beats === null) cells.add('free');
    for (const { onset, length, rest } of rhythm.events) {
      if (onset === null || length === null) continue;
      const split = splitCell(modulo(onset, TICKS_PER_BEAT));
      if (split) cells.add(split);
      if (onset === rhythm.events[0]?.onset && split && onset < firstBeat(rhythm.events)) cells.add('pickup');
      if (rest) cells.add('rest');
      if (length > LONG_BEATS * TICKS_PER_BEAT) cells.add('long');
    }
  }
  return [...cells].map(cell => ({
    id: `rhythm-${cell}`,
    name: RHYTHM_CELL_NAMES[cell] ?? cell,
    strand: 'rhythm',
    minutes: tenthsOfMinutes(ELEMENT_MINUTES.rhythm),
  }));
}

const RHYTHM_CELL_NAMES: Readonly<Record<string, string>> = {
  'split-half': 'split beat (½ ½)',
  'split-swung': 'swung beat (⅔ ⅓)',
  'split-quarter': 'split beat (¾ ¼)',
  pickup: 'pick-up before the count',
  rest: 'rest',
  long: 'long step',
  free: 'no set timing',
};

/** Which split a step inside a beat makes, by its ticks after the beat. */
function splitCell(afterBeat: number): string | undefined {
  if (afterBeat === 0) return undefined;
  if (afterBeat === 24) return 'split-half';
  return afterBeat % 16 === 0 ? 'split-swung' : 'split-quarter';
}

function firstBeat(events: readonly { onset: number | null }[]): number {
  return events.find(({ onset }) => onset !== null && modulo(onset, TICKS_PER_BEAT) === 0)?.onset ?? 0;
}

function stepElements(figure: Figure): DerivedElement[] {
  return figure.parts.flatMap(({ role, steps }) =>
    steps.flatMap(({ step }) => {
      if (!step) return [];
      const turns = [step.turnBefore, step.turnAfter].filter(turn => turn !== 0);
      const action = PLAINEST_ACTIONS.has(step.action) ? [] : [actionElement(role, step.action)];
      return [...action, ...turns.map(turn => turnElement(role, turn))];
    }),
  );
}

const DANCERS: Readonly<Record<Role, string>> = { lead: 'leader', follow: 'follower', solo: 'dancer' };

function actionElement(role: Role, action: string): DerivedElement {
  return {
    id: `action-${role}-${action}`,
    name: `${DANCERS[role]} ${action}`,
    strand: 'footwork',
    minutes: tenthsOfMinutes(ELEMENT_MINUTES.action),
  };
}

function turnElement(role: Role, turn: number): DerivedElement {
  const size = Math.abs(turn);
  return {
    id: `turn-${role}-${turn > 0 ? 'l' : 'r'}${size}`,
    name: `${DANCERS[role]} turns ${turnInWords(turn)}`,
    strand: 'turn',
    minutes: tenthsOfMinutes(ELEMENT_MINUTES.turn + ELEMENT_MINUTES.turnPer180 * Math.floor(size / 180)),
  };
}

function changeElements(figure: Figure): DerivedElement[] {
  const { pattern } = figure;
  const inside = (pattern.holds ?? []).map(({ hold }) => hold);
  return entryHolds(pattern).flatMap(entry =>
    exitHolds(pattern, entry).flatMap(exit => {
      const stations = [entry, ...inside, exit];
      return stations.slice(1).flatMap((to, index) => {
        const from = entryAt(stations, index);
        const [fromShared, toShared] = [sharedHold(figure, from), sharedHold(figure, to)];
        if (fromShared === toShared) return [];
        return [
          {
            id: `change-${fromShared}-${toShared}`,
            name: `${holdName(figure, from)} to ${holdName(figure, to)}`,
            strand: 'hold',
            minutes: tenthsOfMinutes(ELEMENT_MINUTES.change),
          } as const,
        ];
      });
    }),
  );
}

function ownElements(pattern: Pattern, studio: ReadonlyMap<string, Element>): DerivedElement[] {
  return (pattern.elements ?? []).flatMap(id => {
    const own = studio.get(id);
    return own ? [{ id, name: own.name, strand: own.strand, minutes: tenthsOfMinutes(own.minutes) }] : [];
  });
}
