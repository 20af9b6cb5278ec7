/** Each version of the format with what makes the next one of it; what is no document at all is left as it is. */
const UPGRADES: ReadonlyMap<unknown, (document: Readonly<Record<string, unknown>>) => unknown> = new Map([
  // Every key of the first version means the same in the second, which only has more of them.
  ['mapstep/1', document => ({ ...document, format: 'mapstep/2' })],
  // A course that says nothing of `ahead` and `along` goes on without them.
  ['mapstep/2', document => ({ ...document, format: 'mapstep/3' })],
]);

/** A parsed file of any version as one of today's; changes nothing that is of today's already. */
export function upgradeDocument(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('format' in value)) return value;
  const upgrade = UPGRADES.get(value.format);
  return upgrade ? upgradeDocument(upgrade(value as Readonly<Record<string, unknown>>)) : value;
}
