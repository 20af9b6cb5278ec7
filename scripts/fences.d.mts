interface Rule {
  readonly includes: readonly string[];
  readonly linter: { readonly rules: { readonly style: { readonly noRestrictedImports: Restriction } } };
}
interface Restriction {
  readonly options: { readonly patterns: readonly { readonly group: readonly string[] }[] };
}
/** By the folder in which they lie, folder → the folders beside it that it may import. */
export const FENCES: Readonly<Record<string, Readonly<Record<string, string>>>>;
export function fenceRules(): readonly Rule[];
export function withFences<Settings>(settings: Settings): Settings;
