// What can be typed in a cell of the step sheet: the step itself, the hold from there on, a caution, or what is said of the figure.
import {
  CAUTIONS,
  type Figure,
  failure,
  freeFootBefore,
  type Library,
  type Pattern,
  printStep,
  putSteps,
  type Result,
  readTypedHold,
  readTypedSteps,
  success,
  suggestHolds,
  suggestSteps,
  writtenSteps,
} from '@map-step/core';
import { readSaid, saidHint, suggestSaid } from '../figure/figure-said.ts';
import type { SheetPlace } from '../figure/sheet-place.ts';

export type CellLineKind = 'step' | 'hold' | 'caution' | 'said';

interface TypedLine {
  readonly pattern: Pattern;
  /** How many cells one goes on. */
  readonly cells: number;
}

export interface CellLine {
  /** What the change is called. */
  readonly what: string;
  /** What stands there already. */
  readonly stands: string;
  hintOf(typed: string): string | undefined;
  suggest(typed: string): readonly string[];
  /** The figure with it, or what would be taken instead. */
  read(text: string, figure: Figure): Result<TypedLine, string>;
  /** What cannot be read is kept as it was typed, where the sheet can show it. */
  readonly keepsFaults: boolean;
}

/** The line that is typed in a cell. */
export function cellLine(kind: CellLineKind, figure: Figure, place: SheetPlace, library: Library): CellLine {
  switch (kind) {
    case 'step':
      return stepLine(figure, place);
    case 'hold':
      return {
        what: 'Hold',
        stands: '',
        hintOf: () => 'the hold from here on, and how: wrap, by the back · from open · to wrap · 3 open · no',
        suggest: typed => suggestHolds(typed, figure),
        read: (text, now) => inPlace(readTypedHold(text, now, eventOf(now, place))),
        keepsFaults: false,
      };
    case 'caution':
      return {
        what: 'Caution',
        stands: '',
        hintOf: () => 'what can hurt here; it is told with the usual words',
        suggest: typed => cautionsBegun(typed),
        read: (text, now) => inPlace(withCaution(text, now.pattern)),
        keepsFaults: false,
      };
    case 'said': {
      const around = (now: Figure) => ({ library, figure: now.pattern, dance: now.dance });
      return {
        what: 'Name and place',
        stands: '',
        hintOf: typed =>
          saidHint(typed, around(figure)) ?? 'what is said of the figure: needs basic · rank 2',
        suggest: typed => suggestSaid(typed, around(figure)),
        read: (text, now) => inPlace(readSaid(text, around(now))),
        keepsFaults: false,
      };
    }
    default:
      return kind satisfies never;
  }
}

function stepLine(figure: Figure, { role, step }: SheetPlace): CellLine {
  const context = { dance: figure.dance, free: freeFootBefore(figure, role, step) };
  return {
    what: 'Steps',
    stands: writtenSteps(figure, role)[step] ?? '',
    hintOf: () => '+90 turns a quarter left, -90 right: before the action or after it',
    suggest: typed => {
      const before = typed.split(',').slice(0, -1);
      return suggestSteps(typed, context).map(last => [...before, last].join(', '));
    },
    read: (text, now) => {
      const steps = readTypedSteps(text, context);
      if (!steps.ok) return steps;
      const { value } = steps;
      return success({ pattern: putSteps(now, role, step, value.map(printStep)), cells: value.length });
    },
    keepsFaults: true,
  };
}

function inPlace(read: Result<Pattern, string>): Result<TypedLine, string> {
  return read.ok ? success({ pattern: read.value, cells: 0 }) : read;
}

/** The event of a place; beyond the last step it is the last one. */
function eventOf({ parts }: Figure, { role, step }: SheetPlace): number {
  const part = parts.find(one => one.role === role);
  return part?.steps[step]?.time?.event ?? (part?.rhythm.events.length ?? 1) - 1;
}

function cautionsBegun(typed: string): readonly string[] {
  const begun = typed.trim().toLowerCase();
  return Object.keys(CAUTIONS).filter(code => code.startsWith(begun));
}

function withCaution(text: string, { marks = [], ...rest }: Pattern): Result<Pattern, string> {
  const code = cautionsBegun(text)[0];
  if (code === undefined)
    return failure(`“${text}” is no caution; write ${Object.keys(CAUTIONS).join(', ')}`);
  const isThere = marks.some(mark => mark.kind === 'caution' && mark.code === code);
  return success({
    ...rest,
    marks: isThere ? marks : [...marks, { kind: 'caution', text: '', code }],
  });
}
