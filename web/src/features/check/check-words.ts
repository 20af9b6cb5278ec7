import { figureName, type Layer, type Library, type Mark, type Readiness } from '@map-step/core';

export const LAYER_WORDS: Readonly<Record<Layer, string>> = {
  steps: 'steps',
  timing: 'timing',
  partner: 'partner',
  technique: 'technique',
  tempo: 'at speed',
};

export const MARK_WORDS: Readonly<Record<Mark['mark'], string>> = {
  0: 'not yet',
  1: 'with prompting',
  2: 'unprompted',
  3: 'reliable with any partner',
};

/** Where there is little room: the glyph stands above them. */
export const SHORT_MARK_WORDS: Readonly<Record<Mark['mark'], string>> = {
  0: 'not yet',
  1: 'prompted',
  2: 'by self',
  3: 'reliable',
};

export const MARKS = [0, 1, 2, 3] as const satisfies readonly Mark['mark'][];

export const RESULT_WORDS: Readonly<Record<Readiness['result'], string>> = {
  ready: 'Ready',
  nearly: 'Nearly',
  repeat: 'Repeat',
  unseen: 'Not seen yet',
};

export const KIND_WORDS = { 'half-way': 'Half-way check', final: 'Final check' } as const;

const SHOWN = 4;
const LIST = new Intl.ListFormat('en');

/** “Wrap (timing and partner), Left turn (steps)”. */
export function missingInWords(missing: Readiness['missing'], library: Library): string {
  const layers = new Map<string, string[]>();
  for (const { pattern, layer } of missing)
    layers.set(pattern, [...(layers.get(pattern) ?? []), LAYER_WORDS[layer]]);
  const all = [...layers].map(
    ([pattern, words]) => `${figureName(library, pattern)} (${LIST.format(words)})`,
  );
  const more = all.length - SHOWN;
  return more > 1 ? `${all.slice(0, SHOWN).join(', ')}, and ${more} figures more` : all.join(', ');
}

export function shareInWords(part: number, of: number): string {
  return `${part} of ${of}`;
}
