import { BlockList, isIP } from 'node:net';
import type { Request, RequestHandler } from 'express';
import helmet from 'helmet';
import { Problem } from './errors.ts';

/** What the page may load: everything from here, no script and no style inline, but what carries the answer's nonce. */
export const pageHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      'script-src': ["'self'"],
      'worker-src': ["'self'"],
      // The dialogs' library puts in one style element of its own; it carries the nonce of the page it is in.
      'style-src': ["'self'", (_request, response) => `'nonce-${(response as { nonce?: string }).nonce ?? 'none'}'`],
      'img-src': ["'self'", 'data:', 'blob:'],
      'font-src': ["'self'"],
      'connect-src': ["'self'"],
      'object-src': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'frame-ancestors': ["'none'"],
    },
  },
  strictTransportSecurity: false,
});

/** Nothing of the device is asked for: a photo of a label comes through the file field, not through these. */
const PERMISSIONS = [
  'camera',
  'microphone',
  'geolocation',
  'payment',
  'usb',
  'serial',
  'bluetooth',
  'midi',
  'display-capture',
];

const PERMISSIONS_POLICY = PERMISSIONS.map((name) => `${name}=()`).join(', ');

export const permissions: RequestHandler = (_request, response, next) => {
  response.setHeader('Permissions-Policy', PERMISSIONS_POLICY);
  next();
};

/** An answer of the API is never a page: whoever opens it as one gets nothing to run, to frame or to keep. */
export const apiHeaders: RequestHandler = (_request, response, next) => {
  response.setHeader('Content-Security-Policy', "default-src 'none'; frame-ancestors 'none'");
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  response.setHeader('Referrer-Policy', 'no-referrer');
  response.setHeader('Cache-Control', 'no-store');
  // An answer without words is told by it from that of a network's sign-in page.
  response.setHeader('X-Joulemetric', 'api');
  next();
};

/** Host headers found good that are remembered. */
const MOST_REMEMBERED = 100;
const LOOPBACK = new BlockList();
LOOPBACK.addSubnet('127.0.0.0', 8, 'ipv4');
LOOPBACK.addAddress('::1', 'ipv6');

/**
 * Refuses a name that is not this server's. Otherwise a page of elsewhere could let its own name point to loopback
 * and read every job as if it were ours (DNS rebinding).
 */
export function knownHost(hosts: readonly string[]): RequestHandler {
  const known = new Set(['localhost', ...hosts]);
  /** Headers found good: a browser sends the same one each time. */
  const good = new Set<string>();
  const isKnown = (header: string): boolean => {
    const name = hostName(header);
    if (name === null || !(known.has(name) || isLoopback(name))) return false;
    if (good.size < MOST_REMEMBERED) good.add(header);
    return true;
  };
  return (request, _response, next) => {
    const header = request.headers.host ?? '';
    if (good.has(header) || isKnown(header)) return next();
    throw new Problem(
      'foreign-host',
      'This server answers to loopback names and to those in JOULEMETRIC_HOSTS; add the name that you use there.',
    );
  };
}

/** Refuses a request that names two hosts: whoever stands before this server may have gone by the other. */
export const oneHost: RequestHandler = (request, _response, next) => {
  const named = request.rawHeaders.filter((text, i) => i % 2 === 0 && text.toLowerCase() === 'host');
  if (named.length <= 1) return next();
  throw new Problem('malformed-request', 'A request names one Host.');
};

/** The name of a Host header without its port, in small letters; null when it is none. */
function hostName(header: string): string | null {
  const match = /^(\[[0-9a-f:.]+\]|[^:[\]/@\s]+)(?::\d{1,5})?$/i.exec(header);
  return match?.[1]?.replace(/^\[|\]$/g, '').toLowerCase() ?? null;
}

function isLoopback(name: string): boolean {
  const version = isIP(name);
  return version !== 0 && LOOPBACK.check(name, version === 6 ? 'ipv6' : 'ipv4');
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A change must come from this page (or from no page at all, such as a script of the firm's own). */
export const ownOrigin: RequestHandler = (request, _response, next) => {
  if (READS.has(request.method) || comesFromHere(request)) return next();
  throw new Problem('foreign-request', 'Changes are taken from Joulemetric’s own page only.');
};

function comesFromHere(request: Request): boolean {
  const site = request.get('Sec-Fetch-Site');
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false;
  const origin = request.get('Origin');
  if (origin === undefined) return true;
  return URL.canParse(origin) && new URL(origin).host === request.headers.host?.toLowerCase();
}
