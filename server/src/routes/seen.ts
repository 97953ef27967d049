import type { Request } from 'express';
import { Problem } from '../errors.ts';

/** The version in `If-Match: "7"`; null when nothing is said. */
export function versionFrom(request: Request): number | null {
  const match = request.get('If-Match');
  if (match === undefined) return null;
  const version = /^"?(\d{1,9})"?$/.exec(match)?.[1];
  return version === undefined ? required() : Number(version);
}

/** The version in `If-Match: "7"`, or `none` of `If-None-Match: *`: the thing is to be made. */
export function seenFrom(request: Request): number | 'none' {
  if (request.get('If-Match') === undefined && request.get('If-None-Match')?.trim() === '*') return 'none';
  return versionFrom(request) ?? required();
}

function required(): never {
  throw new Problem(
    'version-required',
    'Send If-Match with the version you edited, such as If-Match: "7", or If-None-Match: * to make it.',
  );
}
