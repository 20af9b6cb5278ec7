import { isTimeZone, personSchema } from '@map-step/core';
import { z } from 'zod';
import { list } from './entities.ts';

export const password = z.string().min(10, 'a password has at least 10 characters').max(200);
export const email = z.email('expected an e-mail address').max(200);

/** The last part of a studio's own address. */
export const slug = z.string().regex(/^[a-z0-9-]{1,64}$/);
export const staffRole = personSchema.shape.role;

export const signInBody = z.strictObject({
  email,
  password: z.string().max(200),
  /** The studio that is entered, for who belongs to several. */
  at: z.exactOptional(slug),
});
export const demoSignInBody = z.strictObject({ person: z.string().max(64) });
export const setupBody = z.strictObject({
  studio: z.string().trim().min(1).max(200),
  name: z.string().trim().min(1).max(200),
  email,
  password,
  timezone: z.string().max(64).refine(isTimeZone, 'expected a time zone such as Europe/London'),
  /** Where studios are made by invitation. */
  invitation: z.exactOptional(z.string().max(64)),
});

const signedInPerson = z.strictObject({ ...personSchema.shape, studio: z.guid() });
export type SignedInPerson = z.output<typeof signedInPerson>;
export type StaffRole = SignedInPerson['role'];

export const sessionAnswer = z.strictObject({
  person: signedInPerson.nullable(),
  /** Sent back with every change. */
  csrf: z.string().nullable(),
  /** The studio of the demo, with the people to sign in as with one click; null on any other server. */
  demo: z.strictObject({ studio: z.string(), people: list(personSchema) }).nullable(),
  /** True on a server that has no studio yet. */
  empty: z.boolean(),
  /** Who may make one more studio here. */
  founding: z.enum(['open', 'invitation', 'closed']),
  /** YYYY-MM-DD on the server's clock, in the studio's time zone. */
  today: z.iso.date(),
});
export type SessionAnswer = z.output<typeof sessionAnswer>;

export type SignInBody = z.infer<typeof signInBody>;
export type SetupBody = z.infer<typeof setupBody>;
