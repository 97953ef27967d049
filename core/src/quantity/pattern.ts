/**
 * Letters of the scripts that lines and labels are read in: Latin, Greek and Cyrillic. A class of all of Unicode's
 * letters takes about a millisecond to be compiled where the case is ignored, and the readers have over a hundred.
 */
const LETTERS = 'a-z\\u00aa\\u00b5\\u00ba\\u00c0-\\u00d6\\u00d8-\\u00f6\\u00f8-\\u024f\\u0370-\\u03ff\\u0400-\\u052f';

const made = new Map<string, RegExp>();

/**
 * A pattern, made once, in which `\p{L}` stands for a letter of these scripts and `\P{L}` for anything else.
 * @param flags must hold i and u
 */
export function pattern(source: string | RegExp, flags = typeof source === 'string' ? 'iu' : source.flags): RegExp {
  const text = typeof source === 'string' ? source : source.source;
  const key = `${flags}/${text}`;
  const known = made.get(key);
  if (known) return known;
  const parts = text.split(/(\\.|[[\]])/);
  let inClass = false;
  let read = '';
  for (let i = 0; i < parts.length; i++) {
    const part = parts[i] as string;
    const isLetter = (part === '\\p' || part === '\\P') && (parts[i + 1] ?? '').startsWith('{L}');
    if (isLetter) {
      read += part === '\\P' ? `[^${LETTERS}]` : inClass ? LETTERS : `[${LETTERS}]`;
      parts[i + 1] = (parts[i + 1] as string).slice(3);
      continue;
    }
    if (part === '[') inClass = true;
    if (part === ']') inClass = false;
    read += part;
  }
  const expression = new RegExp(read, flags);
  made.set(key, expression);
  return expression;
}
