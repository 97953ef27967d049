import { readFileSync } from 'node:fs';
import { assess } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { describe, expect, it } from 'vitest';
import { flatId } from '../../cli/flatIds.ts';

const read = (name: string) =>
  JSON.parse(readFileSync(new URL(`./test/version-3/${name}.json`, import.meta.url), 'utf8'));

/** What the last program that wrote version 3 said of these very files, by job, option and figure. */
const FIGURES: Record<string, Record<string, Record<string, number>>> = read('figures');

/**
 * What charges has been reckoned at charging volts since, 14.2 per 12, where it was at nominal ones: these figures and
 * what follows from them are held against arithmetic where they are made.
 */
const CHARGING = new Set([
  'alternator.limit',
  'alternator.yield',
  'dcdc.required',
  'dcdc.rating',
  'array.required',
  'array.rating',
  'sun.yield',
  'balance.net',
  'loss.controllers',
  'storage.spared',
  'mass.kit',
  'payload.left',
]);

describe('a file of version 3', () => {
  it.each(Object.keys(FIGURES))('%s comes forward with the same figures', (name) => {
    const checked = validateJob(read(name));
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    for (const [option, figures] of Object.entries(FIGURES[name] ?? {})) {
      const figures3 = Object.entries(assess(checked.job, option).figures).map(([id, figure]) => [flatId(id), figure]);
      const now = Object.fromEntries(figures3) as Record<string, { value: number }>;
      for (const [id, value] of Object.entries(figures).filter(([one]) => !CHARGING.has(one)))
        expect(now[id]?.value, `${option} ${id}`).toBeCloseTo(value, 9);
    }
  });
});
