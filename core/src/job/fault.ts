/** One thing wrong with a document: where (JSON path), what was expected, what stood there. */
export interface Fault {
  readonly path: string;
  readonly expected: string;
  readonly found?: string;
}

const LONGEST = 60;

/** What stood there, short enough for a message; never calls anything of the value's own. */
export function shown(value: unknown): string {
  if (typeof value === 'string') return shortened(JSON.stringify(value.slice(0, LONGEST + 1)));
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'object' && value !== null) return 'an object';
  return shortened(String(value));
}

const shortened = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text);
