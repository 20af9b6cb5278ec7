/** Something under somebody's hands that is not saved yet. */
export interface Draft<Body> {
  /** What stood when the writing began, or was saved last; null for something new. */
  readonly base: Body | null;
  readonly now: Body;
  /** The last change in words. */
  readonly what: string;
  /** Earlier and later states of this writing, the nearest last. */
  readonly past: readonly Body[];
  readonly future: readonly Body[];
}
