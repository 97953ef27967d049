import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { epwLines } from '../core/src/test/weatherFiles.ts';
import { answered } from './command.ts';
import { run as runSimulate } from './simulate.ts';

const directory = mkdtempSync(join(tmpdir(), 'joulemetric-simulate-'));
afterAll(() => rmSync(directory, { recursive: true }));

const simulate = (...args: string[]) => answered(runSimulate, args);

const DEMO = 'demo/river-survey-4wd.json';

describe('npm run -s simulate', () => {
  it('prints books that balance, and odds of as many years as asked for, the same for the same seed', async () => {
    const [first, second, other] = await Promise.all([
      simulate(DEMO, '--years', '6', '--seed', '5'),
      simulate(DEMO, '--years', '6', '--seed', '5'),
      simulate(DEMO, '--years', '6', '--seed', '6', '--option', 'b', '--step', '5'),
    ]);
    expect(first.stdout).toBe(second.stdout);
    const [a, b] = [first, other].map(({ stdout }) => JSON.parse(stdout));
    expect([a.optionId, b.optionId, a.stepMin, b.stepMin]).toEqual(['a', 'b', 15, 5]);
    expect([a.odds.years, a.odds.seed, a.odds.months.length, a.odds.lowSoc.p10.length]).toEqual([6, 5, 12, 365]);
    for (const { books } of [a.trip, a.year, a.odds, b.year]) {
      const income = books.sunWh + books.drivingWh + books.supplyWh + books.fromStoreWh;
      const spent = books.usefulWh + books.conversionWh + books.idleWh + books.cableWh + books.storageWh;
      expect(Math.abs(income - spent)).toBeLessThan(1e-6 * spent);
      expect(books.outOfBalanceWh).toBeCloseTo(income - spent, 6);
    }
    expect(a.trip.days).toBe(a.plan.reduce((sum: number, { days }: { days: number }) => sum + days, 0));
    expect(a.typical).toHaveLength(12);
    const [now, old] = a.survival;
    expect(now.hours).toBeGreaterThan(old.hours);
    expect(now.days).toBeCloseTo(now.hours / 24, 9);
    expect(b.odds.lowSoc.p50).not.toEqual(a.odds.lowSoc.p50);
  }, 60_000);

  it('leaves the odds out where no years are asked for', async () => {
    expect(JSON.parse((await simulate(DEMO, '--years', '0')).stdout).odds).toBeNull();
  });

  it('plays trip and year by the hours of a weather file, at its place', async () => {
    const file = join(directory, 'made-up.epw');
    writeFileSync(file, epwLines().join('\n'));
    const answer = JSON.parse((await simulate(DEMO, '--years', '0', '--weather', file)).stdout);
    expect(answer.year.weather).toBe('imported');
    const usual = JSON.parse((await simulate(DEMO, '--years', '0')).stdout);
    expect([usual.year.weather, usual.year.days]).toEqual(['typical', 365]);
    expect(answer.year.books.sunOfferedWh).not.toBeCloseTo(usual.year.books.sunOfferedWh, 0);
    expect(Math.abs(answer.year.books.outOfBalanceWh)).toBeLessThan(1);
    const cut = join(directory, 'cut.epw');
    writeFileSync(cut, epwLines().slice(0, 400).join('\n'));
    const { code, stdout, stderr } = await simulate(DEMO, '--weather', cut);
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(/cut\.epw: .*whole days/);
    expect((await simulate(DEMO, '--weather', join(directory, 'none.epw'))).stderr).toMatch(/none\.epw: ENOENT/);
  }, 60_000);

  it.each([
    [['--years', '-1'], /--years: expected a whole number from 0 to 2000, found "-1"/],
    [['--years', 'many'], /--years/],
    [['--seed', 'x'], /--seed: expected a whole number/],
    [['--seed', '1.5'], /--seed/],
    [['--step', '7'], /--step: expected one of 1, 2, 3/],
    [['--option', 'z'], /no option "z"; it has a, b/],
    [['--nights', '3'], /Unknown option/],
  ])('refuses %j with exit code 2 and the reason', async (args, reason) => {
    const name = args[0] as string;
    const { code, stdout, stderr } = await simulate(DEMO, `${name}=${args[1]}`);
    expect([code, stdout]).toEqual([2, '']);
    expect(stderr).toMatch(reason);
  });

  it.each([
    [{ kind: 'parked', days: 0 }, /\/brief\/plan\/0\/days: expected .*1/],
    [{ kind: 'parked', days: 1095 }, /\/brief\/plan\/0\/days: expected .*366/],
    [{ kind: 'driving', days: 1, driveH: 25 }, /\/brief\/plan\/0\/driveH: expected .*24/],
    [
      { kind: 'supply', days: 1, supply: 'nowhere' },
      /\/brief\/plan\/0\/supply: expected the id of a supply of this job, found nowhere/,
    ],
    [{ kind: 'parked', days: 1, supply: 'cab-outlet' }, /\/brief\/plan\/0\/supply: expected null/],
  ])('a plan with %j is a fault that names its place', async (part, reason) => {
    const job = JSON.parse(readFileSync(DEMO, 'utf8'));
    job.brief.plan = [{ driveH: null, supply: null, hours: null, ...part }];
    const file = join(directory, 'plan.json');
    writeFileSync(file, JSON.stringify(job));
    expect((await simulate(file)).stderr).toMatch(reason);
  });

  it('two stretches of 200 days are more than a year holds; a reserve below nothing is refused', async () => {
    const job = JSON.parse(readFileSync(DEMO, 'utf8'));
    const stretch = { kind: 'parked', days: 200, driveH: null, supply: null, hours: null };
    job.brief.plan = [stretch, stretch];
    job.options[0].system.store.keepForCritical = -0.1;
    const file = join(directory, 'long.json');
    writeFileSync(file, JSON.stringify(job));
    expect((await simulate(file)).stderr).toMatch(/keepForCritical: expected .*0/);
    job.options[0].system.store.keepForCritical = 0;
    writeFileSync(file, JSON.stringify(job));
    expect((await simulate(file)).stderr).toMatch(/\/brief\/plan: expected at most 366 days in all, found 400/);
  });
});
