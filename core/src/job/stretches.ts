import { formatClock, formatNumber } from '../quantity/format.ts';
import { overlappingUse } from './overlap.ts';
import type { Use } from './schema.ts';

/** Stretches of a day as they are written on a pad: "07:00-09:00, 17:30-22:00", of shade with its share: "15:00-18:00 80 %". */

export type Shading = Use & { readonly share: number };

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

/** A comma between two stretches, not one in a number. */
const NEXT = /;|\n|,(?!\d)|,(?=\d{1,2}(?:[:.h]?\d{2})?\s*(?:h|[ap]\.?m\.?)?\s*(?:[-–—]|to\b))|\band\b|&|\+/i;
const BETWEEN = /\bbetween\s+(\S+)\s+and\b/gi;
const SHARE = /\s(\d{1,3}(?:[.,]\d+)?)\s*%$/;
const FROM_TO = /^(?:from\s+)?(.+?)\s*(?:[-–—]|\bto\b|\b(?:un)?till?\b)\s*(.+)$/i;

function readParts(text: string, most: number): { readonly parts: Read[] } | { readonly problem: string } {
  const parts: Read[] = [];
  const written = text.replace(BETWEEN, '$1 to').split(NEXT);
  for (const part of written.map((one) => one.trim()).filter((one) => one !== '')) {
    const said = SHARE.exec(part);
    const share = said ? Number(said[1]?.replace(',', '.')) / 100 : null;
    if (share !== null && share > 1) return { problem: 'At most 100 %' };
    const read = readStretch(part.replace(SHARE, '').trim());
    if (typeof read === 'string') return { problem: read };
    parts.push({ ...read, share });
  }
  if (parts.length > most) return { problem: `At most ${most} stretches` };
  if (overlappingUse(parts)) return { problem: 'They overlap: each minute once' };
  return { parts };
}

/** One stretch, or what is wrong with it. */
function readStretch(part: string): Use | string {
  if (/^all\s+day$/i.test(part)) return { startMin: 0, minutes: DAY_MIN };
  const [, first = '', second = ''] = FROM_TO.exec(part) ?? [];
  const [from, to] = [readTime(first), readTime(second)];
  const none = `“${part}” is no time such as 07:00-09:00`;
  if (!from || !to || from.minute === DAY_MIN) return none;
  const use = shortest(from, to);
  // Nine to nine may be nothing, half a day or all of one.
  if (use.minutes === DAY_MIN && !(from.minute === 0 || from.isExact)) return none;
  const isSaid = from.half !== null || to.half !== null || (from.isExact && to.isExact);
  if (isSaid || to.minute > from.minute || from.minute > NOON || to.minute === 0) return use;
  const evening = clock(from.minute, to.minute + NOON - from.minute);
  return `“${part}”: ${evening}, or through the night, ${clock(from.minute, use.minutes)}? Write it so`;
}

const NOON = DAY_MIN / 2;

interface Time {
  /** As by a clock of 24 hours, or of the morning where `half` is to be told; 1440 = the end of the day. */
  readonly minute: number;
  readonly half: 'a' | 'p' | null;
  /** Written as by a clock of 24 hours, so that "05:00" is early. */
  readonly isExact: boolean;
}

const TIME = /^(?:(\d{1,2})(?:[:.h]\s?(\d{2}))?|(\d{2})(\d{2}))\s*(?:h|hrs|uhr)?\s*(?:([ap])\.?m\.?)?$/i;
const NAMED: Readonly<Record<string, number>> = { noon: NOON, midday: NOON, midnight: 0 };

function readTime(text: string): Time | null {
  const named = NAMED[text.trim().toLowerCase()];
  if (named !== undefined) return { minute: named, half: null, isExact: true };
  const match = TIME.exec(text.trim());
  if (!match) return null;
  const [hourText = '', minuteText = '0'] = match[3] === undefined ? [match[1], match[2]] : [match[3], match[4]];
  const [hour, minutes] = [Number(hourText), Number(minuteText)];
  const half = (match[5]?.toLowerCase() ?? null) as Time['half'];
  if (minutes >= 60 || hour * 60 + minutes > DAY_MIN || (half && (hour > 12 || hour === 0))) return null;
  const isExact =
    hour > 12 ||
    hourText.startsWith('0') ||
    (hourText.length === 2 && match[2] !== undefined) ||
    match[3] !== undefined;
  return { minute: (half === null ? hour : (hour % 12) + (half === 'p' ? 12 : 0)) * 60 + minutes, half, isExact };
}

/** From one time to the next other. Where one of them says which half of the day it is, the other is the nearer. */
function shortest(from: Time, to: Time): Use {
  const halves = (time: Time, other: Time): number[] =>
    time.half === null && other.half !== null && !time.isExact
      ? [time.minute % NOON, (time.minute % NOON) + NOON]
      : [time.minute];
  const all = halves(from, to).flatMap((start) =>
    halves(to, from).map((end) => ({ startMin: start, minutes: (end - start + DAY_MIN) % DAY_MIN || DAY_MIN })),
  );
  return all.reduce((least, one) => (one.minutes < least.minutes ? one : least));
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
