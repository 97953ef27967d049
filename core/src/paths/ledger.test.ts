import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess/assess.ts';
import { blankInverter } from '../job/blank.ts';
import type { Device } from '../job/schema.ts';
import { PATHS, POLICIES } from '../job/values.ts';
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

/** Random devices beside the first inverter: another one, a converter, a port, each with its policy. */
const beside = fc.record({
  policies: fc.tuple(...[0, 1, 2, 3].map(() => fc.constantFrom(...POLICIES))),
  search: fc.boolean(),
  leftOnH: fc.integer({ min: 0, max: 24 }),
  named: fc.boolean(),
});
type Specs = typeof loads extends fc.Arbitrary<infer T> ? T : never;
type Beside = typeof beside extends fc.Arbitrary<infer T> ? T : never;

function devicesOf({ policies, search, leftOnH }: Beside, idleW: number | null): Device[] {
  const shared = { ...blankInverter('x', 'x'), hours: [{ startMin: 1380, minutes: 200 }], leftOnH, idleW };
  const { kind: _, ratingW: __, search: ___, waveform: ____, ...common } = shared;
  return [
    { ...shared, id: 'inverter', name: 'Large', policy: policies[0] ?? 'always' },
    {
      ...shared,
      id: 'small',
      name: 'Small',
      policy: policies[1] ?? 'always',
      search: search ? { idleW: 2, wakeW: 8 } : null,
    },
    { ...common, kind: 'converter', id: 'usb', name: 'USB', outputV: 5, ratingW: 100, policy: policies[2] ?? 'always' },
    {
      ...common,
      kind: 'port',
      id: 'port',
      name: 'Port',
      outputV: 12,
      limitA: 10,
      limitW: null,
      policy: policies[3] ?? 'always',
    },
  ];
}

const NAMED = { inverter: 'small', 'inverter-adapter': 'small', 'dc-dc': 'usb', station: 'port' } as const;

const jobOf = (specs: Specs, around: Beside, idleW: number | null) =>
  withSystem(
    aJob(
      specs.map(({ watts, hours, start, path, quantity, cycles }) =>
        aLoad({
          quantity,
          path,
          device: around.named && path in NAMED ? NAMED[path as keyof typeof NAMED] : null,
          residueW: 7,
          draw: cycles
            ? { kind: 'thermostatic', runningW: watts, duty: 0.3, dutyAtC: 25, setC: 4 }
            : { kind: 'steady', powerW: watts },
          uses: [{ startMin: start, minutes: hours * 60 }],
        }),
      ),
    ),
    { devices: devicesOf(around, idleW) },
  );

describe('the ledger of a day', () => {
  it('closes to 1e-9 of the throughput on random jobs, load by load and in total', () => {
    fc.assert(
      fc.property(loads, beside, fc.option(fc.integer({ min: 0, max: 60 })), (specs, around, idleW) => {
        const { assessment, bus } = evaluate(jobOf(specs, around, idleW));
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

  it('gives the useful energy of steady loads as pieces × power × time; of fuel its residue, of hookup nothing', () => {
    fc.assert(
      fc.property(loads, beside, (specs, around) => {
        const steady = specs.map((spec) => ({ ...spec, cycles: false }));
        const wanted = steady.reduce((sum, { watts, hours, quantity, path }) => {
          const powerW = path === 'fuel' ? 7 : path === 'supply-only' ? 0 : watts;
          return sum + quantity * powerW * hours;
        }, 0);
        const { value } = assess(jobOf(steady, around, null)).figures['demand.useful'];
        expect(Math.abs(value - wanted)).toBeLessThanOrEqual(1e-9 * Math.max(1, wanted));
      }),
    );
  });

  it('charges idle to the loads that hold the inverter on, and to nobody when left on (arithmetic)', () => {
    const kettle = aLoad({ watts: 1000, hours: 0.5, path: 'inverter', uses: [{ startMin: 0, minutes: 30 }] });
    const lamp = aLoad({ watts: 10, hours: 1, path: 'inverter', uses: [{ startMin: 0, minutes: 60 }] });
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
            aLoad({ watts: 400, hours: 24, path: 'inverter', uses: [{ startMin: 0, minutes: 1440 }] }),
          ]),
          {
            inverter: { ratingW: 2500, idleW: 25 },
          },
        ),
      ).figures['demand.bus'].value;
    expect(beside('inverter-adapter') - beside('dc-dc')).toBeLessThan(10);
  });
});
