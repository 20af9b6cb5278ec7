// What is said of a figure besides its steps, held against them: its turn, other counts, marks and tracks.
import type { Pattern, PatternMark } from '../model/document.ts';
import { modulo } from '../model/units.ts';
import { type Figure, type FigureFault, otherRhythm, partTurn } from '../steps/figure.ts';
import { turnInWords } from '../steps/words.ts';

/** Errors: a turn that the steps do not make, and another school's count of other lengths. */
export function saidOtherwise(figure: Figure): FigureFault[] {
  return [...turnDiffers(figure), ...countsDiffer(figure)];
}

/** Worth a look: a heel that is down already, marks and tracks that no count has, a caution that stands twice. */
export function saidHints(figure: Figure): FigureFault[] {
  return [...toesNotHeels(figure), ...marksBeyond(figure), ...cautionsTwice(figure.pattern.marks ?? [])];
}

/** A couple faces as the leader does, or half-way between both where they end facing each other otherwise than they began. */
function turnDiffers({ pattern, dance, parts }: Figure): FigureFault[] {
  const { turn } = pattern;
  const [first, follow] = parts.map(partTurn);
  if (turn === undefined || first === undefined || dance.roles === 'solo') return [];
  const steps = parts[0]?.steps.some(({ step }) => step) ?? false;
  const isOpened = follow !== undefined && modulo(follow - first, 360) !== 0;
  const faces = [first, ...(isOpened ? [(first + follow) / 2] : [])];
  if (!steps || faces.some(degrees => modulo(degrees - turn, 360) === 0)) return [];
  const words = (degrees: number) => (degrees === 0 ? 'nothing' : turnInWords(degrees));
  const message = `says that it turns ${words(turn)}; the steps turn ${words(first)}: write ${first}`;
  return [{ code: 'turn-differs', path: ['turn'], message }];
}

function countsDiffer({ pattern, dance, parts }: Figure): FigureFault[] {
  const own = parts[0]?.rhythm.events;
  if (!own) return [];
  return (pattern.otherCounts ?? []).flatMap((other, index): FigureFault[] => {
    const path = ['otherCounts', index];
    const read = otherRhythm(other, pattern, dance);
    if (!read.ok) {
      const { position, message } = read.fault;
      return [{ code: 'rhythm', path, message: `sign ${position + 1}: ${message}` }];
    }
    const { events } = read.value;
    const differs = (words: string): FigureFault[] => [{ code: 'counts-differ', path, message: words }];
    if (events.length !== own.length)
      return differs(`${other.school} counts ${events.length} events, the figure has ${own.length}`);
    const at = events.findIndex(
      ({ length, rest }, event) => length !== own[event]?.length || rest !== own[event]?.rest,
    );
    if (at < 0) return [];
    return differs(
      `the same steps at other times: ${own[at]?.label} lasts otherwise than ${events[at]?.label} of ${other.school}; write the figure’s own lengths`,
    );
  });
}

/** After a step on the heel it is the toe that drops. */
function toesNotHeels({ parts }: Figure): FigureFault[] {
  return parts.flatMap(({ role, steps, derived }) => {
    if (derived) return [];
    const onHeel = { L: false, R: false };
    return steps.flatMap(({ step }, index): FigureFault[] => {
      if (!step) return [];
      const feet = step.foot === 'B' ? (['L', 'R'] as const) : [step.foot];
      const isTold = step.action === 'heel-drop' && feet.some(foot => onHeel[foot]);
      for (const foot of feet) onHeel[foot] = step.qualifiers.includes('heel') || step.action === 'heel';
      const message = 'the heel is down already: after a step on the heel it is the toe that drops';
      return isTold ? [{ code: 'toe-not-heel', path: ['parts', role, index], message }] : [];
    });
  });
}

function marksBeyond({ pattern, parts }: Figure): FigureFault[] {
  const eventsOf = (role: string | undefined) =>
    (parts.find(part => part.role === role) ?? parts[0])?.rhythm.events.length ?? 0;
  const beyond = (kind: keyof Pattern, at: readonly { event?: number; role?: string }[] = []) =>
    at.flatMap(({ event, role }, index): FigureFault[] => {
      const events = eventsOf(role);
      if (event === undefined || event < events || events === 0) return [];
      return [
        {
          code: 'mark-beyond',
          path: [kind, index, 'event'],
          message: `lies beyond the last of ${events} counts`,
        },
      ];
    });
  const tracks = (pattern.tracks ?? []).flatMap(({ role, values }, index): FigureFault[] => {
    const events = eventsOf(role);
    if (values.length === events || events === 0) return [];
    const message = `has ${values.length} values for ${events} counts; leave a count empty where nothing is said`;
    return [{ code: 'mark-beyond', path: ['tracks', index, 'values'], message }];
  });
  return [
    ...beyond('marks', pattern.marks),
    ...beyond('holds', pattern.holds),
    ...beyond('cuts', pattern.cuts),
    ...tracks,
  ];
}

/** The same code at the same place, or in the same words. */
function cautionsTwice(marks: readonly PatternMark[]): FigureFault[] {
  const seen = new Set<string>();
  return marks.flatMap(({ kind, code, event, role, text }, index): FigureFault[] => {
    if (kind !== 'caution') return [];
    const keys = [`${code ?? ''} at ${event} ${role}`, `${code ?? ''} in ${text}`];
    const isTwice = keys.some((key, at) => seen.has(key) && (at === 1 || code !== undefined));
    for (const key of keys) seen.add(key);
    return isTwice
      ? [
          {
            code: 'caution-twice',
            path: ['marks', index],
            message: `the caution “${code ?? text}” stands twice`,
          },
        ]
      : [];
  });
}
