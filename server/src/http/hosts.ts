import type { RequestHandler } from 'express';
import { HttpFault } from '../faults/http-fault.ts';

const OWN_MACHINE = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Answers only under the names that this server has: those of its own machine and those it was told. A page of
 * another site, or one that reaches this server under a name of its own, gets nothing.
 */
export function knownHosts(hosts: readonly string[]): RequestHandler {
  const known = new Set([...OWN_MACHINE, ...hosts]);
  return (request, _response, next) => {
    // What a proxy says it was asked for is believed in addition, never instead: a page can say it too.
    if (![hostOf(request.headers.host), request.hostname].every(name => known.has(name?.toLowerCase() ?? '')))
      throw new HttpFault(
        'wrong-host',
        'This server does not go by that name. Whoever runs it adds the name to MAPSTEP_HOSTS.',
      );
    const origin = request.get('origin');
    if (origin !== undefined && !isOwnPage(origin, request.host, hosts))
      throw new HttpFault('wrong-host', 'This request comes from a page of another site.');
    next();
  };
}

/** The name in a `Host` header, without its port. */
function hostOf(header: string | undefined): string | undefined {
  return header?.replace(/:\d+$/, '');
}

function isOwnPage(origin: string, host: string | undefined, hosts: readonly string[]): boolean {
  if (!URL.canParse(origin)) return false;
  const page = new URL(origin);
  return page.host === host || hosts.includes(page.hostname);
}
