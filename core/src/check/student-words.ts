// What a student reads of a check: in words, never in numbers, with what to practise.
import { figureName, type Library } from '../library/library.ts';
import type { Check, Layer } from '../model/document.ts';
import type { Readiness } from './readiness.ts';

export interface StudentWordsSource {
  readonly library: Library;
  readonly course: string;
  readonly kind: Check['kind'];
  readonly told: Readiness;
  /** How they stood in the half-way check, when there was one. */
  readonly before?: Readiness | undefined;
}

const LAYER_WORDS: Readonly<Record<Layer, string>> = {
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
  const layers = new Map<string, Layer[]>();
  for (const { pattern, layer } of told.missing) layers.set(pattern, [...(layers.get(pattern) ?? []), layer]);
  const practise = [...layers].slice(0, MOST);
  const name = (id: string) => figureName(library, id);
  const gained = told.passed.filter(id => before && !before.passed.includes(id));
  const lines = [
    `# ${course}, ${KIND_WORDS[kind]}`,
    '',
    verdict(told.result, kind, layers.size),
    ...section(
      'Practise this',
      practise.flatMap(([id, missing]) => practiceLines(library, id, missing)),
    ),
    ...section(
      'This you can do',
      told.passed.map(id => `- ${name(id)}`),
    ),
    ...(before && before.result !== 'unseen' && gained.length > 0
      ? section('New since half-way', [`${LIST.format(gained.map(name))}.`])
      : []),
  ];
  return `${lines.join('\n')}\n`;
}

function verdict(
  result: Exclude<Readiness['result'], 'unseen'>,
  kind: Check['kind'],
  missing: number,
): string {
  switch (result) {
    case 'ready':
      return kind === 'final'
        ? '**You are ready for the next level.**'
        : '**You are on your way to the next level.**';
    case 'nearly':
      return `**You are nearly there: ${missing === 1 ? 'one figure is' : 'two figures are'} still missing.**`;
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

function section(title: string, lines: readonly string[]): string[] {
  return lines.length === 0 ? [] : ['', `## ${title}`, '', ...lines];
}
