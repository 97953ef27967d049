import type { Server } from 'node:http';
import type { Socket } from 'node:net';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { Problem } from './errors.ts';

/** Bytes of a JSON body. */
export const MOST_JSON_BYTES = 1_048_576;
/** Lists and objects inside one another in a body; a job goes 8 deep. */
const MOST_DEPTH = 30;
/** Connections of one address at a time, and of all. */
const CONNECTIONS_EACH = 200;
const CONNECTIONS = 1000;
/** ms for the head of a request; without a byte of a body or an answer; for all of a request; between two. */
const HEAD_MS = 8000;
const IDLE_MS = 8000;
const REQUEST_MS = 120_000;
const KEEP_ALIVE_MS = 20_000;

/** Refuses more requests a minute from one address than a busy firm behind one router makes; 0 = no limit. */
export function requestsPerMinute(limit: number): RequestHandler {
  if (limit === 0) return (_request, _response, next) => next();
  return rateLimit({
    windowMs: 60_000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => {
      response.set('Retry-After', '10');
      throw new Problem('too-many-requests', `One address may make ${limit} requests a minute.`);
    },
  });
}

/** What a byte does to the depth: most do nothing, and are passed over with one look. */
const [OPENS, CLOSES, QUOTE, ESCAPE] = [1, 2, 3, 4] as const;
const DOES = new Uint8Array(256);
for (const [does, characters] of [
  [OPENS, '[{'],
  [CLOSES, ']}'],
  [QUOTE, '"'],
  [ESCAPE, '\\'],
] as const)
  for (const byte of Buffer.from(characters)) DOES[byte] = does;

/**
 * Refuses a body whose lists and objects are nested far deeper than any job's before it is parsed: half a million
 * brackets would take the parser most of a second. One pass over the bytes, texts left out.
 */
export function refuseDeep(_request: unknown, _response: unknown, body: Buffer): void {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < body.length; i++) {
    const does = DOES[body[i] as number];
    if (!does) continue;
    if (does === QUOTE) inText = !inText;
    else if (inText) {
      if (does === ESCAPE) i += 1;
    } else if (does === CLOSES) depth -= 1;
    else if (does === OPENS) {
      depth += 1;
      if (depth > MOST_DEPTH)
        // A plain error: the body parser writes its own status onto what it is thrown.
        throw Object.assign(new Error(`Lists and objects go at most ${MOST_DEPTH} deep inside one another.`), {
          status: 400,
        });
    }
  }
}

/** Ends what dawdles, and holds no more connections of one address than its share. */
export function limitConnections(server: Server, idleMs = IDLE_MS): void {
  server.headersTimeout = HEAD_MS;
  server.requestTimeout = REQUEST_MS;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.maxConnections = CONNECTIONS;
  server.setTimeout(idleMs, (socket) => {
    socket.write('HTTP/1.1 408 Request Timeout\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
    socket.destroySoon();
  });
  const open = new Map<string, number>();
  server.on('connection', (socket: Socket) => {
    const address = socket.remoteAddress ?? '';
    const held = (open.get(address) ?? 0) + 1;
    open.set(address, held);
    socket.once('close', () => {
      const left = (open.get(address) ?? 1) - 1;
      if (left > 0) open.set(address, left);
      else open.delete(address);
    });
    if (held > CONNECTIONS_EACH) socket.destroy();
  });
}
