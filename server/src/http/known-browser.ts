// Browsers in which somebody has signed in before: they are counted apart from the address they come from, so that
// whoever guesses there does not keep the owner out.
import { createHmac } from 'node:crypto';
import { parse } from 'cookie';
import { sign, unsign } from 'cookie-signature';
import type { Request, Response } from 'express';

const KNOWN = 'map-step-known';
const YEAR_MS = 365 * 86_400_000;

/** Remembers by whose e-mail somebody has come in here; what is kept names nobody. */
export function rememberBrowser(response: Response, request: Request, email: string, secret: string): void {
  response.cookie(KNOWN, sign(nameOf(email, secret), secret), {
    httpOnly: true,
    sameSite: 'lax',
    secure: request.secure,
    path: '/api',
    maxAge: YEAR_MS,
  });
}

/** Whose browser it is, as a name that tells nothing; undefined for one that this server has not signed. */
export function findBrowser(request: Request, secret: string): string | undefined {
  return unsign(parse(request.headers.cookie ?? '')[KNOWN] ?? '', secret) || undefined;
}

export function isBrowserOf(request: Request, email: string, secret: string): boolean {
  return findBrowser(request, secret) === nameOf(email, secret);
}

function nameOf(email: string, secret: string): string {
  return createHmac('sha256', secret).update(`known ${email.toLowerCase()}`).digest('base64url');
}
