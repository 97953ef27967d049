import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess.ts';
import { PATHS } from '../job/values.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';

const loads = fc.array(
  fc.record({
    watts: fc.integer({ min: 1, max: 2500 }),
    hours: fc.double({ min: 0.02, max: 24, noNaN: true }),
    start: fc.double({ min: 0, max: 1439, noNaN: true }),
    path: fc.constantFrom(...PATHS),
    quantity: fc.integer({ min: 1, max: 4 }),
    cycles: fc.boolean(),
  }),
  { minLength: 1, maxLength: 12 },
);

const jobOf = (specs: typeof loads extends fc.Arbitrary<infer T> ? T : never, always: boolean, idleW: number | null) =>
  withSystem(
    aJob(
      specs.map(({ watts, hours, start, path, quantity, cycles }) =>
        aLoad({
          quantity,
          path,
          draw: cycles
            ? { kind: 'thermostatic', runningW: watts, duty: 0.3, setC: 4 }
            : { kind: 'steady', powerW: watts },
          runs: [{ startMin: start, minutes: hours * 60 }],
        }),
      ),
    ),
    { inverter: { policy: always ? 'always' : 'with-loads', idleW } },
  );

describe('the ledger of a day', () => {
  it('closes to 1e-9 of the throughput on random jobs, load by load and in total', () => {
    fc.assert(
      fc.property(loads, fc.boolean(), fc.option(fc.integer({ min: 0, max: 60 })), (specs, always, idleW) => {
        const { assessment, bus } = evaluate(jobOf(specs, always, idleW));
        const { figures, ledger } = assessment;
        const value = (id: keyof typeof figures) => figures[id]?.value ?? 0;
        const near = (a: number, b: number) =>
          expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * Math.max(1, value('demand.battery')));

        expect(value('demand.battery')).toBe(value('demand.useful') + value('loss.total'));
        expect(value('loss.total')).toBe(value('loss.conversion') + value('loss.idle') + value('loss.storage'));
        const rows = [...ledger.loads, ledger.unattended];
        near(
          rows.reduce((sum, row) => sum + row.batteryWh, 0),
          value('demand.battery'),
        );
        near(bus.busW.reduce((sum, w) => sum + w, 0) / 60, value('demand.bus'));
        for (const row of rows) {
          near(row.batteryWh, row.usefulWh + row.conversionWh + row.idleWh + row.storageWh);
          expect(Math.min(row.usefulWh, row.conversionWh, row.idleWh, row.storageWh)).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 1000 },
    );
  });

  it('gives the useful energy of steady loads as pieces × power × time, whatever the path', () => {
    fc.assert(
      fc.property(loads, (specs) => {
        const steady = specs.map((spec) => ({ ...spec, cycles: false }));
        const wanted = steady.reduce((sum, { watts, hours, quantity }) => sum + quantity * watts * hours, 0);
        expect(assess(jobOf(steady, false, null)).figures['demand.useful'].value / wanted).toBeCloseTo(1, 9);
      }),
    );
  });

  it('charges idle to the loads that hold the inverter on, and to nobody when left on (arithmetic)', () => {
    const kettle = aLoad({ watts: 1000, hours: 0.5, path: 'inverter', runs: [{ startMin: 0, minutes: 30 }] });
    const lamp = aLoad({ watts: 10, hours: 1, path: 'inverter', runs: [{ startMin: 0, minutes: 60 }] });
    const held = withSystem(aJob([kettle, lamp]), { inverter: { ratingW: 2000, idleW: 20 } });
    const [kettleRow, lampRow] = assess(held).ledger.loads;
    // 20 W for 30 min shared 1000:10, then 30 min to the lamp alone.
    expect(kettleRow?.idleWh).toBeCloseTo((10 * 1000) / 1010, 9);
    expect(lampRow?.idleWh).toBeCloseTo((10 * 10) / 1010 + 10, 9);
    expect(assess(held).ledger.unattended.idleWh).toBe(0);

    const left = withSystem(held, { inverter: { policy: 'always' } });
    expect(assess(left).ledger.unattended.idleWh).toBeCloseTo(20 * 23, 9);
    expect(assess(left).figures['loss.idle'].value).toBeCloseTo(20 * 24, 9);
  });

  it('saves nearly all of the idle by moving the only load off an inverter, little when it stays on', () => {
    const phone = (path: 'inverter-adapter' | 'dc-dc') => aLoad({ watts: 10, hours: 2, path });
    const alone = (path: 'inverter-adapter' | 'dc-dc') =>
      assess(withSystem(aJob([phone(path)]), { inverter: { ratingW: 2500, idleW: 25 } })).figures['demand.bus'].value;
    expect(alone('inverter-adapter') - alone('dc-dc')).toBeGreaterThan(50);

    const beside = (path: 'inverter-adapter' | 'dc-dc') =>
      assess(
        withSystem(
          aJob([
            phone(path),
            aLoad({ watts: 400, hours: 24, path: 'inverter', runs: [{ startMin: 0, minutes: 1440 }] }),
          ]),
          {
            inverter: { ratingW: 2500, idleW: 25 },
          },
        ),
      ).figures['demand.bus'].value;
    expect(beside('inverter-adapter') - beside('dc-dc')).toBeLessThan(10);
  });
});
