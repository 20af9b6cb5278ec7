declare const unit: unique symbol;
type Unit<Name extends string> = number & { readonly [unit]: Name };

/** Time inside a figure: 48 ticks a beat, so halves, thirds, quarters and their halves are whole. */
export type Ticks = Unit<'ticks'>;
/** Lesson time: tenths of a minute. */
export type Tenths = Unit<'tenths'>;

export const TICKS_PER_BEAT = 48;

/** Thrown when a caller breaks a contract of the core; never by what a user types. */
export class CoreError extends Error {
  override readonly name = 'CoreError';
}

/** Whole ticks. Throws `CoreError` for a fraction of a tick. */
export function ticks(value: number): Ticks {
  return whole(value, 'ticks') as Ticks;
}

/** Whole tenths of a minute. Throws `CoreError` for a fraction of a tenth. */
export function tenths(value: number): Tenths {
  return whole(value, 'tenths') as Tenths;
}

/** Minutes, with at most one decimal place, in tenths. */
export function tenthsOfMinutes(minutes: number): Tenths {
  return tenths(roundHalfUp(minutes * 10));
}

/** The nearest whole number, halves upwards; a billionth forgives binary fractions such as 0.15 * 10. */
export function roundHalfUp(value: number): number {
  return Math.floor(value + 0.5 + 1e-9);
}

/** Metres as people read them, without a sign: `0.3 m`; to a tenth, halves upwards. */
export function printMetres(metres: number): string {
  return `${(roundHalfUp(Math.abs(metres) * 10) / 10).toFixed(1)} m`;
}

/** The remainder that is never negative. */
export function modulo(value: number, divisor: number): number {
  return ((value % divisor) + divisor) % divisor;
}

function whole(value: number, name: string): number {
  if (!Number.isSafeInteger(value)) throw new CoreError(`${value} is not a whole number of ${name}`);
  return value;
}
