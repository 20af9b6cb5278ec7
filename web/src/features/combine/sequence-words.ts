import {
  type Attention,
  type Combination,
  type Dance,
  NUMBER_WORDS,
  printBeats,
  TICKS_PER_BEAT,
  type Ticks,
  ticks,
  type Walk,
} from '@map-step/core';

export function inWords(count: number): string {
  return NUMBER_WORDS[count] ?? String(count);
}

/** `six eights`, `three thirty-twos`; undefined where the beats do not fill whole phrases. */
export function phrasesInWords(beats: Ticks, { phrase }: Pick<Dance, 'phrase'>): string | undefined {
  const count = beats / (phrase * TICKS_PER_BEAT);
  if (!Number.isInteger(count)) return undefined;
  const names: Readonly<Record<number, string>> = { 6: 'six', 8: 'eight', 16: 'sixteen', 32: 'thirty-two' };
  const name = names[phrase] ?? `phrase of ${phrase}`;
  return `${inWords(count)} ${name}${count === 1 ? '' : name === 'six' ? 'es' : 's'}`;
}

/** What the whole is, in a sentence: how long, of how many figures, and how it ends. */
export function wholeInWords(
  { rows, beats, closes }: Walk,
  { end }: Pick<Combination, 'end'>,
  dance: Dance,
): string {
  const phrases = phrasesInWords(beats, dance);
  const over = beats % (dance.phrase * TICKS_PER_BEAT);
  const length = phrases ?? `${printBeats(beats)} beats, ${printBeats(ticks(over))} over a whole phrase`;
  const figures = `${inWords(rows.length)} ${rows.length === 1 ? 'figure' : 'figures'}`;
  return `${capital(length)}, ${figures}. ${ENDS[end][closes ? 'closes' : 'open']}`;
}

const ENDS = {
  same: {
    closes: 'It ends as it began: it goes round and round.',
    open: 'It does not end as it began: it cannot go round yet.',
  },
  opposite: {
    closes: 'It ends facing the other way, and is back after the second round.',
    open: 'It does not end facing the other way as it should.',
  },
  free: { closes: 'It ends as it began.', open: 'It ends elsewhere than it began.' },
} as const satisfies Record<Combination['end'], unknown>;

/** How much longer or shorter, and what that does to the phrase. */
export function longerInWords(longer: Ticks, closes: boolean): string {
  const length =
    longer === 0
      ? 'as long'
      : `${printBeats(ticks(Math.abs(longer)))} ${Math.abs(longer) === TICKS_PER_BEAT ? 'beat' : 'beats'} ${longer > 0 ? 'longer' : 'shorter'}`;
  return closes ? length : `${length}, ends elsewhere`;
}

/** `Rise: up, lower, after “down”`; what only the figure before had ends. */
export function attentionInWords({ values, before }: Attention): string {
  if (values.length === 0) return `“${before}” ends here`;
  return `${values.join(', ')}${before === undefined ? '' : `, after “${before}”`}`;
}

/** As a sentence begins. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
