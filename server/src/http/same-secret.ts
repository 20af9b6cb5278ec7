import { timingSafeEqual } from 'node:crypto';

/** Compares what was given with what is right in a time that tells nothing; bytes, since a letter may be several. */
export function isSameSecret(given: string, right: string): boolean {
  const [one, other] = [Buffer.from(given), Buffer.from(right)];
  return one.length === other.length && timingSafeEqual(one, other);
}
