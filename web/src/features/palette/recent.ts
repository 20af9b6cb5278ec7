// What this person went to by the palette last, kept in this browser.
const MOST = 12;

const keyOf = (owner: string) => `map-step-recent/${owner}`;

/** The newest first. */
export function readRecent(owner: string): readonly string[] {
  const text = localStorage.getItem(keyOf(owner));
  const kept: unknown = text === null ? [] : JSON.parse(text);
  return Array.isArray(kept) ? kept.filter(key => typeof key === 'string') : [];
}

export function keepRecent(owner: string, key: string): void {
  const next = [key, ...readRecent(owner).filter(other => other !== key)].slice(0, MOST);
  localStorage.setItem(keyOf(owner), JSON.stringify(next));
}
