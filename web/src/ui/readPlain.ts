import { readNumber } from '@joulemetric/core';

/** A plain number with or without its sign. @param factor what one of the shown unit is in the core's unit */
export function readPlain(text: string, factor = 1): { value: number } | { problem: string } {
  const trimmed = text.trim().replace('−', '-');
  const size = readNumber(trimmed.replace(/^-/, ''));
  if (!/^-?\d+(?:[.,]\d+)*$/.test(trimmed) || !Number.isFinite(size)) return { problem: 'Write a number' };
  return { value: (trimmed.startsWith('-') ? -size : size) * factor };
}
