/** What a verb answers, and the exit code of its call. */
export interface Outcome {
  readonly value: unknown;
  readonly code: number;
}
