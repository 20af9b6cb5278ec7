/** A text that stands in a pattern for itself. */
export function escapePattern(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');
}

/** Finds a name where it stands by itself, in whatever script and whichever case: “Bo” is not in “Both”. */
export function wholeWords(name: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{M}\\p{N}])${escapePattern(name)}(?![\\p{L}\\p{M}\\p{N}])`, 'giu');
}

/** True where a text has a name as whole words. */
export function hasWholeWords(text: string, name: string): boolean {
  return wholeWords(name).test(text);
}
