import { monthName, readMeasure } from '@joulemetric/core';

const MONTHS = 12;

/** Figures apart by blanks, tabs, semicolons, or a comma with a blank. */
export function readMonths(
  text: string,
  min: number,
  max: number,
): { readonly months: number[] } | { readonly problem: string } {
  const parts = text.trim().split(/\s*;\s*|,\s+|\s+/);
  const months: number[] = [];
  for (const [i, part] of parts.slice(0, MONTHS).entries()) {
    const read = readMeasure(part, '');
    const month = monthName(i + 1);
    if ('problem' in read) return { problem: `${month}: “${part.slice(0, 20)}” is no number` };
    if (read.value < min || read.value > max)
      return { problem: `${month}: ${read.value} is not between ${min} and ${max}` };
    months.push(read.value);
  }
  if (parts.length !== MONTHS) return { problem: `Twelve figures, January first: these are ${parts.length}` };
  return { months };
}
