import { readNumber } from '../reading/numeral.ts';

/** A number of a table, with the unit that stands beside it ("" = none). Null when it is none. */
export function meterNumber(
  text: string,
  decimal: '.' | ',',
): { readonly value: number; readonly unit: string } | null {
  const match = /^([-+−]?)\s*(\d[\d.,' \u00a0\u202f]*(?:e[-+]?\d+)?|[.,]\d+)\s*(.*)$/i.exec(text.trim());
  if (!match) return null;
  const digits = (match[2] as string).trim();
  const unit = (match[3] as string).trim();
  const sign = match[1] === '-' || match[1] === '−' ? -1 : 1;
  const plain = decimal === ',' ? germanNumber(digits) : englishNumber(digits);
  return Number.isNaN(plain) ? null : { value: sign * plain, unit };
}

/** With a point for the decimal mark; commas group. */
function englishNumber(digits: string): number {
  if (/^(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?$/i.test(digits)) return Number(digits);
  if (/^\d{1,3}(?:[, '\u00a0\u202f]\d{3})+(?:\.\d+)?$/.test(digits))
    return Number(digits.replace(/[, '\u00a0\u202f]/g, ''));
  // "12,8" in a table whose other numbers have points: what is meant is plain.
  return /^\d+,\d{1,2}$/.test(digits) ? readNumber(digits) : Number.NaN;
}

/** With a comma for the decimal mark; points group. */
function germanNumber(digits: string): number {
  if (/^(?:\d+|\d+,\d*|,\d+)(?:e[-+]?\d+)?$/i.test(digits)) return Number(digits.replace(',', '.'));
  if (/^\d{1,3}(?:[. '\u00a0\u202f]\d{3})+(?:,\d+)?$/.test(digits))
    return Number(digits.replace(/[. '\u00a0\u202f]/g, '').replace(',', '.'));
  return Number.NaN;
}
