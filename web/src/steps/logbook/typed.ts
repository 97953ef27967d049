import type { Log } from '@joulemetric/core';

/** Lines of a log that are typed: off times, pairs of watts, windows of a comparison. */

type Read<T> = { readonly value: T } | { readonly problem: string };
type Outages = NonNullable<Log['outages']>;
type Pairs = NonNullable<Log['pairs']>;
type Windows = NonNullable<Log['windows']>;

const parts = (text: string): string[] =>
  text
    .split(/[;\n]|,(?=\s)/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
const number = (text: string): number =>
  /^-?\d+(?:[.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : Number.NaN;

export const writeOutages = (outages: Outages): string => outages.map(({ from, to }) => `${from}–${to}`).join('; ');

/** "02:40–06:15; 2026-06-01T10:00 to 2026-06-01T11:00": times of the day, whole moments, or "3 h–5 h". */
export function readOutages(text: string): Read<Outages> {
  const value: Outages = [];
  for (const part of parts(text)) {
    const [from, to, more] = part.split(/\s*[–—]\s*|\s+(?:to|until|-)\s+|(?<=\d{2}:\d{2})-(?=\d{2}:\d{2})/);
    if (!from || !to || more !== undefined) return { problem: `“${part}”: write it as 02:40–06:15` };
    value.push({ from: from.trim(), to: to.trim() });
  }
  return { value };
}

export const writePairs = (pairs: Pairs): string => pairs.map(({ outW, inW }) => `${outW}/${inW}`).join(', ');

/** "82/121, 610/701": W out and W in at the same time. */
export function readPairs(text: string): Read<Pairs> {
  const value: Pairs = [];
  for (const part of parts(text)) {
    const [out, into, more] = part.replace(/\s*W\b/g, '').split(/\s*\/\s*/);
    const [outW, inW] = [number(out ?? ''), number(into ?? '')];
    if (more !== undefined || !(outW >= 0) || !(inW >= 0))
      return { problem: `“${part}”: write W out / W in, as 82/121` };
    value.push({ outW, inW });
  }
  return { value };
}

export const writeWindows = (windows: Windows): string =>
  windows
    .map(({ label, minutes, w, from, to }) => (w == null ? `${label} ${from}–${to}` : `${label} ${minutes ?? 15} ${w}`))
    .join(', ');

/** "A 15 48.1, B 15 48.6" (label, minutes, mean W) or "A 10:00–10:15" in the readings. */
export function readWindows(text: string): Read<Windows> {
  const value: Windows = [];
  for (const part of parts(text)) {
    const given = /^(\S{1,20})\s+(\d+(?:[.,]\d+)?)\s*(?:min)?\s+(\d+(?:[.,]\d+)?)\s*W?$/i.exec(part);
    const span = /^(\S{1,20})\s+(\S+?)\s*[–-]\s*(\d{1,2}:\d{2})$/.exec(part);
    if (given)
      value.push({ label: given[1] as string, minutes: number(given[2] as string), w: number(given[3] as string) });
    else if (span) value.push({ label: span[1] as string, from: span[2] as string, to: span[3] as string });
    else return { problem: `“${part}”: write A 15 48.1 (minutes, mean W) or A 10:00–10:15` };
  }
  return { value };
}
