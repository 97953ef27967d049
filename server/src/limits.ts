import { isUtf8 } from 'node:buffer';
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { Problem } from './errors.ts';

/** Bytes of a JSON body. */
export const MOST_JSON_BYTES = 1_048_576;
/** Lists and objects inside one another in a body; a job goes 8 deep. */
const MOST_DEPTH = 30;
/** Refuses more requests a minute from one address than a busy firm behind one router makes; 0 = no limit. */
export function requestsPerMinute(limit: number): RequestHandler {
  if (limit === 0) return (_request, _response, next) => next();
  return rateLimit({
    windowMs: 60_000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // Whose X-Forwarded-For is believed is a setting: without it nobody's is, and that is no mistake.
    validate: { xForwardedForHeader: false },
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
 * Refuses a body that is not UTF-8, or whose lists and objects are nested far deeper than any job's before it is parsed: half a million
 * brackets would take the parser most of a second. One pass over the bytes, texts left out.
 */
export function refuseDeep(_request: unknown, _response: unknown, body: Buffer): void {
  if (!isUtf8(body)) throw refusal('The body is not UTF-8.');
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
      if (depth > MOST_DEPTH) throw refusal(`Lists and objects go at most ${MOST_DEPTH} deep inside one another.`);
    }
  }
}

/** A plain error: the body parser writes its own status onto what it is thrown. */
const refusal = (sentence: string) => Object.assign(new Error(sentence), { status: 400 });

/** Refuses a body whose sender names another character set than UTF-8: it would be read as other words. */
export const utf8Only: RequestHandler = (request, _response, next) => {
  const charset = /;\s*charset\s*=\s*"?([^";\s]+)/i.exec(request.get('Content-Type') ?? '')?.[1];
  if (charset === undefined || /^(utf-?8|us-ascii)$/i.test(charset)) return next();
  throw new Problem('unknown-charset', `Send text as UTF-8, not as ${charset.slice(0, 40)}.`);
};
