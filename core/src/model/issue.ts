/** What `check` finds, by code: errors make a figure unusable, hints are worth a look. */
export const CHECK_CODES = {
  rhythm: 'error',
  'step-count': 'error',
  'unknown-action': 'error',
  'bad-step': 'error',
  'duplicate-id': 'error',
  'wrong-roles': 'error',
  'foot-carries-weight': 'error',
  'foot-is-free': 'error',
  'turn-against-hold': 'error',
  'unknown-id': 'error',
  'unknown-hold': 'error',
  'arms-wound': 'error',
  'out-of-range': 'error',
  'needs-cycle': 'error',
  'made-cycle': 'error',
  'variant-cycle': 'error',
  'needs-level': 'error',
  'counts-differ': 'error',
  'turn-differs': 'error',
  'beats-off-bar': 'hint',
  'turn-against-line': 'hint',
  apart: 'hint',
  'wrong-side': 'hint',
  collide: 'hint',
  drifts: 'hint',
  'join-collide': 'hint',
  'join-apart': 'hint',
  'join-wrong-side': 'hint',
  creeps: 'hint',
  'arm-behind': 'hint',
  'toe-not-heel': 'hint',
  'mark-beyond': 'hint',
  'caution-twice': 'hint',
  'caution-missing': 'hint',
  'too-fast': 'hint',
  'never-reached': 'hint',
  'no-way-back': 'hint',
} as const satisfies Record<string, 'error' | 'hint'>;

export type CheckCode = keyof typeof CHECK_CODES;
export type Severity = (typeof CHECK_CODES)[CheckCode];

export interface Issue {
  readonly severity: Severity;
  readonly code: CheckCode;
  /** A JSON pointer into the document; a step inside a part by its index. */
  readonly at: string;
  readonly message: string;
}

export type Path = readonly (string | number)[];

export function issue(code: CheckCode, path: Path, message: string): Issue {
  return { severity: CHECK_CODES[code], code, at: pointer(path), message };
}

/** A JSON pointer (RFC 6901). */
export function pointer(path: Path): string {
  return path.map(part => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
}
