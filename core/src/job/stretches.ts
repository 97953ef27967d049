import { formatClock, formatNumber } from '../quantity/format.ts';
import { overlappingUse } from './overlap.ts';
import type { Use } from './schema.ts';

/** Stretches of a day as they are written on a pad: "07:00-09:00, 17:30-22:00", of shade with its share: "15:00-18:00 80 %". */

export type Shading = Use & { readonly share: number };

const PART =
  /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*h?\s*(?:[-–]|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*h?(?:\s+(\d{1,3}(?:[.,]\d+)?)\s*%)?\s*$/;
const DAY_MIN = 1440;

const clock = (startMin: number, minutes: number) => `${formatClock(startMin)}-${formatClock(startMin + minutes)}`;

export const formatStretches = (uses: readonly Use[]): string =>
  uses.map(({ startMin, minutes }) => clock(startMin, minutes)).join(', ');

export const formatShading = (shaded: readonly Shading[]): string =>
  shaded.map(({ startMin, minutes, share }) => `${clock(startMin, minutes)} ${formatNumber(share * 100)} %`).join(', ');

interface Read {
  readonly startMin: number;
  readonly minutes: number;
  /** As written, 0 to 1; null when none is. */
  readonly share: number | null;
}

function readParts(text: string, most: number): { readonly parts: Read[] } | { readonly problem: string } {
  const parts: Read[] = [];
  for (const part of text.split(/[;]|,(?!\d)/).filter((one) => one.trim() !== '')) {
    const match = PART.exec(part);
    const at = (hour: number) => Number(match?.[hour]) * 60 + Number(match?.[hour + 1] ?? 0);
    const [from, to] = [at(1), at(3)];
    const minutesAreMinutes = [2, 4].every((i) => Number(match?.[i] ?? 0) < 60);
    if (!match || !minutesAreMinutes || from >= DAY_MIN || to > DAY_MIN)
      return { problem: `“${part.trim()}” is no time such as 07:00-09:00` };
    const share = match[5] === undefined ? null : Number(match[5].replace(',', '.')) / 100;
    if (share !== null && share > 1) return { problem: 'At most 100 %' };
    parts.push({ startMin: from, minutes: (to - from + DAY_MIN) % DAY_MIN || DAY_MIN, share });
  }
  if (parts.length > most) return { problem: `At most ${most} stretches` };
  if (overlappingUse(parts)) return { problem: 'They overlap: each minute once' };
  return { parts };
}

/** @param most stretches that may be written */
export function readStretches(text: string, most: number): { uses: Use[] } | { problem: string } {
  const read = readParts(text, most);
  if ('problem' in read) return read;
  if (read.parts.some(({ share }) => share !== null)) return { problem: 'Times only, such as 07:00-09:00' };
  return { uses: read.parts.map(({ startMin, minutes }) => ({ startMin, minutes })) };
}

/** Shade without a share takes all of the light. */
export function readShading(text: string, most: number): { shaded: Shading[] } | { problem: string } {
  const read = readParts(text, most);
  if ('problem' in read) return read;
  return { shaded: read.parts.map(({ startMin, minutes, share }) => ({ startMin, minutes, share: share ?? 1 })) };
}
