import { z } from 'zod';
import { instant, list } from './entities.ts';
import { id } from './ids.ts';
import { email, password, staffRole } from './session.ts';

/** A link that is told once: the server keeps a hash of it. */
export const linkAnswer = z.strictObject({ token: z.string(), expires: instant });
export type LinkAnswer = z.output<typeof linkAnswer>;

/** How each person of the studio comes in. */
export const accountsAnswer = z.strictObject({
  accounts: list(
    z.strictObject({
      person: id,
      /** Null for who has no account. */
      email: z.string().nullable(),
      /** Until when a link that was given to them holds. */
      invited: instant.nullable(),
      /** Where they are signed in now. */
      sessions: z.int().min(0),
    }),
  ),
});
export type AccountsAnswer = z.output<typeof accountsAnswer>;
export const endedAnswer = z.strictObject({ ended: z.int().min(0) });

/** What a link that was given to somebody is for. */
export const invitationAnswer = z.strictObject({
  studio: z.string(),
  name: z.string(),
  role: staffRole,
  /** A person who has an account already sets a new password by it. */
  kind: z.enum(['invitation', 'new-password']),
  expires: instant,
});
export type InvitationAnswer = z.output<typeof invitationAnswer>;

/** Whoever has an account already gives its password; for a new password the e-mail is that of the account. */
export const acceptBody = z.strictObject({ email, password });

export const accountAnswer = z.strictObject({
  /** Null in the demo, where nobody has one. */
  email: z.string().nullable(),
  studios: list(z.strictObject({ studio: z.guid(), name: z.string(), role: staffRole, isHere: z.boolean() })),
  sessions: list(
    z.strictObject({
      id: z.string(),
      /** As people say it: "Chromium on Linux". */
      device: z.string(),
      since: instant.nullable(),
      isThis: z.boolean(),
    }),
  ),
});
export type AccountAnswer = z.output<typeof accountAnswer>;

export const passwordBody = z.strictObject({ old: z.string().max(200), fresh: password });
export const enterBody = z.strictObject({ studio: z.guid() });

/** A studio as its address tells it to somebody who is not signed in. */
export const addressAnswer = z.strictObject({ name: z.string() });
