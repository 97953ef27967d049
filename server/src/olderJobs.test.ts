import { readFileSync } from 'node:fs';
import { assess } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { describe, expect, it } from 'vitest';

const read = (name: string) =>
  JSON.parse(readFileSync(new URL(`./test/version-3/${name}.json`, import.meta.url), 'utf8'));

/** What the last program that wrote version 3 said of these very files, by job, option and figure. */
const FIGURES: Record<string, Record<string, Record<string, number>>> = read('figures');

describe('a file of version 3', () => {
  it.each(Object.keys(FIGURES))('%s comes forward with the same figures', (name) => {
    const checked = validateJob(read(name));
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    for (const [option, figures] of Object.entries(FIGURES[name] ?? {})) {
      const now = assess(checked.job, option).figures as Record<string, { value: number }>;
      for (const [id, value] of Object.entries(figures))
        expect(now[id]?.value, `${option} ${id}`).toBeCloseTo(value, 9);
    }
  });
});
