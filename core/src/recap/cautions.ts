import type { Pattern, Studio } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { groupBy } from '../model/group-by.ts';
import { allOf, sentenceOf } from './words.ts';

/** The usual wording of each caution; a studio may put its own in its place. */
export const CAUTIONS: Readonly<Record<string, string>> = {
  dip: 'Dips: own balance first; the supported partner carries their own weight. Ask before, never by surprise, never on a crowded floor or after drinking.',
  lean: 'Leans: own balance first; nobody hangs on a neck, and there is always a way to say no.',
  'arm-turn':
    'Arm turns: no arm goes behind the line of its owner’s own hip or back; every grip can let go at once.',
  wrap: 'Wraps: no hand is hooked behind the partner while turning; keep the arms low and the hands open.',
  spin: 'Spins: clear space for elbows, a smooth sole, knees that give, no more than two full turns the same way before a basic.',
  'close-hold': 'Close hold: ask first; an open form is always offered.',
  grip: 'Hands connect and do not squeeze; thumbs stay free.',
  neck: 'Nobody holds or hangs on a neck.',
  heels: 'Heels change the balance: try it in flat shoes first.',
  space: 'Look before you move: keep the floor around you clear.',
  strength: 'Distance and depth by each person’s strength, not by the picture.',
};

export const CAUTION_NOTICE =
  'Usual cautions, not medical or legal advice: the venue’s rules, local codes and licensed professionals come first.';

/** What stands beside every caution: what it is not, and where the rules of the house stand. */
export function cautionNotice(localRules: string | null | undefined): string {
  return localRules ? `${CAUTION_NOTICE} ${localRules}` : CAUTION_NOTICE;
}

/** The cautions of a figure in words, each once: the studio's wording before the usual one. */
export function cautionsOf(pattern: Pattern, studio: Pick<Studio, 'cautions'>): readonly string[] {
  return [...new Set(cautionsWithCodes(pattern, studio).map(({ text }) => text))];
}

/** The same, each with its code; null for one in the figure's own words. */
export function cautionsWithCodes(
  { marks = [] }: Pattern,
  studio: Pick<Studio, 'cautions'>,
): readonly { readonly code: string | null; readonly text: string }[] {
  return marks.flatMap(({ kind, code, text }) => {
    if (kind !== 'caution') return [];
    const words = text || (code ? (ownEntry(studio.cautions, code) ?? ownEntry(CAUTIONS, code) ?? code) : '');
    return words ? [{ code: code ?? null, text: words }] : [];
  });
}

/** The cautions of some figures as they stand at the end of a text: each once, with the figures it belongs to, then the notice. */
export function cautionLines(
  patterns: readonly Pattern[],
  {
    studio,
    localRules,
  }: { readonly studio: Pick<Studio, 'cautions'>; readonly localRules?: string | undefined },
): readonly string[] {
  const byText = new Map<string, string[]>();
  for (const pattern of patterns)
    for (const text of cautionsOf(pattern, studio))
      byText.set(text, [...(byText.get(text) ?? []), escapeMarkdown(pattern.name)]);
  if (byText.size === 0) return [];
  const byNames = groupBy([...byText.keys()], text => allOf(byText.get(text) ?? []));
  const told = [...byNames].map(([names, texts]) => `**${names}.** ${texts.map(sentenceOf).join(' ')}`);
  return [told.join(' '), '', `*${cautionNotice(localRules)}*`];
}
