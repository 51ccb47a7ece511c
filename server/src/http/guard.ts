import { isIPv6 } from 'node:net';
import type { RequestHandler } from 'express';
import { AppError } from '../errors.js';

/** Names of this very machine. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/** The name in a Host header, without its port; empty for what is none. */
export function hostName(header: string | undefined): string {
  const m = /^(\[[0-9a-f:.]+\]|[^:/?#@\s]+)(?::\d{1,5})?$/i.exec(header ?? '');
  return m ? m[1].toLowerCase() : '';
}

/** Whether an address to listen on reaches this machine only. */
export const isLoopback = (address: string): boolean => address === 'localhost' || address === '::1' || /^127(\.\d{1,3}){3}$/.test(address);

/** A path as the router may take it: letters large or small, written out or as signs. */
function plainPath(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

const reads = (method: string): boolean => method === 'GET' || method === 'HEAD';

/**
 * Keeps other pages out. A name that is not this machine's own may be anybody's, turned here (DNS rebinding): refused. A
 * request that another site's page makes is refused too, but for opening the application by a link.
 * @param named further names that this server is reached by
 */
export function guard(named: readonly string[] = []): RequestHandler {
  const allowed = new Set([...LOOPBACK, ...named.map((n) => n.toLowerCase()).map((n) => (isIPv6(n) ? `[${n}]` : n))]);
  return (request, _response, next) => {
    const { host, origin } = request.headers;
    if (!allowed.has(hostName(host)))
      throw new AppError(
        421,
        'host',
        'Host',
        [...allowed].join(', '),
        `Pozzo does not answer to the name "${(host ?? '').slice(0, 80)}". Open it by the address it prints.`,
      );
    const site = request.headers['sec-fetch-site'];
    const opensPage = reads(request.method) && !/^\/api(\/|$)/i.test(plainPath(request.path)) && request.headers['sec-fetch-mode'] === 'navigate';
    const foreignSite = site !== undefined && site !== 'same-origin' && site !== 'none';
    const foreignOrigin =
      origin !== undefined && (!/^https?:\/\//.test(origin) || origin.replace(/^https?:\/\//, '').toLowerCase() !== (host ?? '').toLowerCase());
    if ((foreignSite && !opensPage) || foreignOrigin)
      throw new AppError(403, 'foreign', 'Origin', 'the application itself', 'Another page may not ask this server for anything.');
    next();
  };
}

/** Writes carry JSON and say so: what a form of another page can send is never one. A DELETE has nothing to carry. */
export const demandJson: RequestHandler = (request, _response, next) => {
  if (reads(request.method) || request.method === 'DELETE' || request.method === 'OPTIONS') return next();
  if (!/^application\/json\s*(;\s*charset=utf-?8\s*)?$/i.test(request.headers['content-type'] ?? ''))
    throw new AppError(415, 'content-type', 'Content-Type', 'application/json', 'A write must be JSON, and say so in its Content-Type.');
  next();
};
