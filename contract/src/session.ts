import { isTimeZone } from '@map-step/core';
import { z } from 'zod';
import type { StaffRole } from './routes.ts';

const password = z.string().min(10, 'a password has at least 10 characters').max(200);
const email = z.email('expected an e-mail address').max(200);

export const signInBody = z.strictObject({ email, password: z.string().max(200) });
export const demoSignInBody = z.strictObject({ person: z.string().max(64) });
export const setupBody = z.strictObject({
  studio: z.string().trim().min(1).max(200),
  name: z.string().trim().min(1).max(200),
  email,
  password,
  timezone: z.string().max(64).refine(isTimeZone, 'expected a time zone such as Europe/London'),
});

export interface SignedInPerson {
  readonly id: string;
  readonly name: string;
  readonly role: StaffRole;
  readonly studio: string;
}

export interface SessionAnswer {
  readonly person: SignedInPerson | null;
  /** Sent back with every change. */
  readonly csrf: string | null;
  /** The studio of the demo, with the people to sign in as with one click; null on any other server. */
  readonly demo: {
    readonly studio: string;
    readonly people: readonly Omit<SignedInPerson, 'studio'>[];
  } | null;
  /** True on a server that has no studio yet. */
  readonly empty: boolean;
  /** YYYY-MM-DD on the server's clock, in the studio's time zone. */
  readonly today: string;
}

export type SignInBody = z.infer<typeof signInBody>;
export type SetupBody = z.infer<typeof setupBody>;
