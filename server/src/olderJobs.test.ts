import { readFileSync } from 'node:fs';
import { assess, type Job } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { describe, expect, it } from 'vitest';
import { flatId } from '../../cli/flatIds.ts';

const read = (version: number, name: string) =>
  JSON.parse(readFileSync(new URL(`./test/version-${version}/${name}.json`, import.meta.url), 'utf8'));

/** What the last program that wrote a version said of these very files, by job, option and figure. */
const figuresOf = (version: number): Record<string, Record<string, Record<string, number>>> => read(version, 'figures');

/**
 * What charges has been reckoned at charging volts since, 14.2 per 12, where it was at nominal ones: these figures and
 * what follows from them are held against arithmetic where they are made.
 */
const CHARGING = new Set([
  'alternator.limit',
  'alternator.yield',
  'dcdc.required',
  'array.required',
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

/** Since version 7 a charger's amps are counted as amps: the same figures follow from that, but for the alternator's own. */
const AMPS = new Set([...CHARGING].filter((id) => id !== 'alternator.limit'));

/** Since version 9 the leads of arrays and chargers lose what they resist where they were laid. */
const LEADS = new Set([
  'sun.yield',
  'balance.net',
  'loss.controllers',
  'storage.spared',
  'alternator.yield',
  'alternator.counts',
  'dcdc.required',
  'array.required',
]);
/** Since version 10 the balance is what the battery gains, and cold panels are judged at the lowest temperature. */
const BALANCE = new Set(['balance.net']);
const COLDEST = /^array\.cold/;
/** And what idles is not as uncertain as what runs on it. */
const BOUNDS = /^demand\.(low|high)/;

const NOTHING: ReadonlySet<string> = new Set();

/** Until version 10 all was charged at 14.2 V for each 12; lithium is charged at less since. */
const chargedAsThen = (job: Job): Job => ({
  ...job,
  options: job.options.map((option) => {
    const { system } = option;
    const store = { ...system.store, chargeV: (14.2 * system.busVoltageV) / 12 };
    return { ...option, system: { ...system, store } };
  }),
});

/** What came to be reckoned otherwise since a version was written. */
const sinceThen = (version: number): ReadonlySet<string> =>
  version < 5 ? CHARGING : version < 8 ? AMPS : version < 9 ? LEADS : version < 10 ? BALANCE : NOTHING;

describe.each([3, 4, 5, 6, 7, 8, 9, 10])('a file of version %d', (version) => {
  const figuresThen = figuresOf(version);

  it.each(Object.keys(figuresThen))('%s comes forward with the same figures', (name) => {
    const document = read(version, name);
    expect(document.schemaVersion).toBe(version);
    const checked = validateJob(document);
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    for (const [option, figures] of Object.entries(figuresThen[name] ?? {})) {
      const now = Object.fromEntries(
        Object.entries(assess(chargedAsThen(checked.job), option).figures).map(([id, figure]) => [flatId(id), figure]),
      ) as Record<string, { value: number }>;
      const compared = Object.entries(figures).filter(
        ([id]) =>
          !sinceThen(version).has(id) &&
          (version > 9 || !(COLDEST.test(id) || BOUNDS.test(id))) &&
          (version > 8 || !/^(array\.yield|run\.loss\.[\w-]+-array|run\.loss\.alternator)/.test(id)),
      );
      expect(compared.length).toBeGreaterThan(25);
      for (const [id, value] of compared)
        expect((now[id]?.value ?? Number.NaN) / (value || 1), `${option} ${id}`).toBeCloseTo(value === 0 ? 0 : 1, 9);
    }
  });
});
