import net from 'node:net';
import os from 'node:os';
import type { RequestHandler } from 'express';
import { Problem } from './problem';

/** The name in a Host header: without the port and the brackets of an IPv6 address. */
function nameOf(host: string): string {
  return host
    .replace(/:\d*$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();
}

/**
 * Answers only to names that are the server's own: its addresses, this machine's name, and what SLATE_HOSTS
 * adds. A page elsewhere could point a name of its own here, and would then be of the same origin
 * (DNS rebinding).
 */
export function ownHosts(added: readonly string[]): RequestHandler {
  const machine = os.hostname().toLowerCase();
  const names = new Set([
    'localhost',
    machine,
    `${machine}.local`,
    ...added.map((name) => name.toLowerCase()),
  ]);
  return (request, _response, next) => {
    const name = nameOf(request.headers.host ?? '');
    if (net.isIP(name) === 0 && !names.has(name))
      throw new Problem(
        421,
        'Not this server’s name',
        `This server does not answer to the name ${name || '(none)'}. Whoever looks after it can add the name to SLATE_HOSTS.`,
      );
    next();
  };
}
