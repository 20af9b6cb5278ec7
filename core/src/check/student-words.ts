// What a student reads of a check: in words, never in numbers, with what to practise.
import { figureName, type Library } from '../library/library.ts';
import type { Check, Layer } from '../model/document.ts';
import { groupBy } from '../model/group-by.ts';
import { movedSince, type Readiness } from './readiness.ts';

export interface StudentWordsSource {
  readonly library: Library;
  readonly course: string;
  readonly kind: Check['kind'];
  readonly told: Readiness;
  /** How they stood in the half-way check, when there was one. */
  readonly before?: Readiness | undefined;
}

/** What is looked at, to whoever danced it. */
export const LAYER_WORDS: Readonly<Record<Layer, string>> = {
  steps: 'the steps',
  timing: 'the timing',
  partner: 'dancing it with a partner',
  technique: 'how it is done',
  tempo: 'keeping it at speed, with music',
};

const KIND_WORDS = { 'half-way': 'half-way check', final: 'final check' } as const;
/** Nobody practises more than this at once. */
const MOST = 4;
const LIST = new Intl.ListFormat('en');

/** The words for a student as Markdown; undefined where too little was marked to say anything. */
export function studentWords(source: StudentWordsSource): string | undefined {
  const { library, course, kind, told, before } = source;
  if (told.result === 'unseen') return undefined;
  const practise = practiseFirst(told);
  const names = (ids: readonly string[]) => ids.map(id => figureName(library, id));
  const later = told.open.filter(id => !practise.some(([practised]) => practised === id));
  const { gained, lost } =
    before && before.result !== 'unseen' ? movedSince(before, told) : { gained: [], lost: [] };
  const lines = [
    `# ${course}, ${KIND_WORDS[kind]}`,
    '',
    verdict(told.result, kind, told.enough),
    ...section(
      'Practise this',
      practise.flatMap(([id, missing]) => practiceLines(library, id, missing)),
    ),
    ...listed(told.result === 'ready' ? 'Not yet, and not needed for it' : 'After that', names(later)),
    ...section(
      'This you can do',
      names(told.passed).map(name => `- ${name}`),
    ),
    ...listed('New since half-way', names(gained)),
    ...listed('No longer there since half-way', names(lost)),
  ];
  return `${lines.join('\n')}\n`;
}

/** What somebody practises first, a figure a line: “Wrap: the steps and the timing”. */
export function missingInWords(told: Readiness, nameOf: (figure: string) => string): readonly string[] {
  return practiseFirst(told).map(
    ([id, layers]) => `${nameOf(id)}: ${LIST.format(layers.map(layer => LAYER_WORDS[layer]))}`,
  );
}

/** Of what is missing the figures that would do, with their layers; where more is missing the first ones. */
function practiseFirst({ missing, enough }: Readiness): readonly (readonly [string, readonly Layer[]])[] {
  const byFigure = groupBy(missing, ({ pattern }) => pattern);
  return [...byFigure]
    .map(([id, failed]) => [id, failed.map(({ layer }) => layer)] as const)
    .slice(0, enough || MOST);
}

/** What a check says of somebody, to them. */
export function verdict(
  result: Exclude<Readiness['result'], 'unseen'>,
  kind: Check['kind'],
  enough: number,
): string {
  switch (result) {
    case 'ready':
      return kind === 'final'
        ? '**You are ready for the next level.**'
        : '**You are on your way to the next level.**';
    case 'nearly':
      return `**You are nearly there: ${enough === 1 ? 'one figure' : 'two figures'} more will do.**`;
    case 'repeat':
      return kind === 'final'
        ? '**Take this level once more: then it will sit.**'
        : '**There is still work to do, and time for it.**';
    default:
      return result satisfies never;
  }
}

function practiceLines(library: Library, id: string, missing: readonly Layer[]): string[] {
  const marks = library.patterns.get(id)?.marks ?? [];
  const cue = marks.find(({ kind }) => kind === 'cue')?.text;
  const fault = marks.find(({ kind }) => kind === 'fault');
  return [
    `- **${figureName(library, id)}**: ${LIST.format(missing.map(layer => LAYER_WORDS[layer]))}.`,
    ...(cue ? [`  Think of: “${cue}”`] : []),
    ...(fault ? [`  Watch for: ${fault.text}${fault.cure ? ` ${fault.cure}` : ''}`] : []),
  ];
}

function listed(title: string, names: readonly string[]): string[] {
  return names.length === 0 ? [] : section(title, [`${LIST.format(names)}.`]);
}

function section(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}
