import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { panelNet, simulate } from '../test/spice.ts';
import { type DataSheet, fitOneDiode, movedTo, type OneDiode, openVoltage } from './oneDiode.ts';
import { bestPoint, curveOf, type Group, wattsOf } from './operating.ts';

const usual = { vocPerK: -0.0029, iscPerK: 0.0005 };
/** Panels of usual kinds: 36, 40 and 60 cells, a small one and a blanket. */
const SHEETS: Record<string, DataSheet> = {
  w100: { vmpV: 18, impA: 5.56, vocV: 21.6, iscA: 5.95, ...usual },
  w175: { vmpV: 19.8, impA: 8.84, vocV: 24, iscA: 9.3, ...usual },
  w320: { vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1, ...usual },
  w50: { vmpV: 17.5, impA: 2.86, vocV: 21.2, iscA: 3.1, ...usual },
  blanket: { vmpV: 16.5, impA: 7.3, vocV: 20.4, iscA: 7.9, ...usual },
};
const fitted = (name: string): OneDiode => {
  const fit = fitOneDiode(SHEETS[name] as DataSheet);
  if (!fit) throw new Error(`${name} has no fit`);
  return fit;
};
const group = (name: string, series = 1, parallel = 1, light = 1000, cellC = 25): Group => ({
  panel: movedTo(fitted(name), SHEETS[name] as DataSheet, light, cellC),
  series,
  parallel,
});

/** The best point of a circuit of panels, by a circuit simulator's own sweep. */
async function bestBySpice(
  nets: readonly string[],
  swept: 'V' | 'I',
  end: number,
): Promise<{ volts: number; watts: number }> {
  const got = await simulate([...nets, `${swept}load plus 0 0`, `.dc ${swept}load 0 ${end} ${end / 4000}`]);
  const volts = got.get('v(plus)') ?? [];
  const amps = swept === 'V' ? (got.get('i(vload)') ?? []) : volts.map((_, i) => (end * i) / 4000);
  const watts = volts.map((v, i) => v * (amps[i] as number));
  const best = watts.indexOf(Math.max(...watts));
  return { volts: volts[best] as number, watts: watts[best] as number };
}

describe('one panel', () => {
  it.each(Object.entries(SHEETS))('%s passes through what its data sheet says', (_, sheet) => {
    const fit = fitOneDiode(sheet) as OneDiode;
    const best = bestPoint([{ panel: fit, series: 1, parallel: 1 }], 'parallel');
    expect(best.volts).toBeCloseTo(sheet.vmpV, 4);
    expect(best.amps).toBeCloseTo(sheet.impA, 4);
    expect(openVoltage(fit)).toBeCloseTo(sheet.vocV, 6);
    const [short] = curveOf([{ panel: fit, series: 1, parallel: 1 }], 'parallel');
    expect(short?.amps).toBeCloseTo(sheet.iscA, 6);
    // Its open voltage falls by its coefficient.
    expect(openVoltage(movedTo(fit, sheet, 1000, 35)) / sheet.vocV - 1).toBeCloseTo(10 * sheet.vocPerK, 4);
  });

  it('of 60 cells loses 0.30 to 0.45 % of its watts a kelvin, as such panels do', () => {
    const at = (cellC: number) => wattsOf(bestPoint([group('w320', 1, 1, 1000, cellC)], 'parallel'));
    const perK = (at(65) / at(25) - 1) / 40;
    expect(perK).toBeLessThan(-0.003);
    expect(perK).toBeGreaterThan(-0.0045);
  });

  it('a data sheet that no panel can have has no curve', () => {
    expect(fitOneDiode({ vmpV: 21.9, impA: 9.9, vocV: 22, iscA: 10, ...usual })).toBeNull();
    expect(fitOneDiode({ vmpV: 33, impA: 5.56, vocV: 21.6, iscA: 5.95, ...usual })).toBeNull();
    expect(fitOneDiode({ vmpV: 18, impA: 6, vocV: 21.6, iscA: 5.95, ...usual })).toBeNull();
  });
});

describe('unlike panels on one controller, against a circuit simulator', () => {
  const cases: readonly (readonly [string, readonly Group[]])[] = [
    ['36 and 60 cells', [group('w100'), group('w320')]],
    ['36 and 40 cells', [group('w100'), group('w175')]],
    ['two of one and a string of two', [group('w100', 1, 2), group('w50', 2, 1)]],
    ['one hot, one cool and dim', [group('w175', 1, 1, 1000, 65), group('w100', 1, 1, 450, 30)]],
  ];

  it.each(cases)('side by side: %s', async (_, groups) => {
    const best = bestPoint(groups, 'parallel');
    const end = Math.max(...groups.map(({ panel, series }) => series * openVoltage(panel)));
    const nets = groups.flatMap((one, i) => panelNet(`g${i}`, one, ['plus', '0']));
    const other = await bestBySpice(nets, 'V', end);
    expect(wattsOf(best) / other.watts).toBeCloseTo(1, 3);
    expect(Math.abs(best.volts / other.volts - 1)).toBeLessThan(0.01);
  });

  it.each(cases)('one after the other: %s', async (_, groups) => {
    const best = bestPoint(groups, 'series');
    const end = Math.min(...groups.map(({ panel, parallel }) => parallel * panel.lightA)) * 0.999;
    const nets = groups.flatMap((one, i) =>
      panelNet(`g${i}`, one, [i === 0 ? 'plus' : `n${i}`, i === groups.length - 1 ? '0' : `n${i + 1}`], true),
    );
    const bypassed = Math.max(...groups.map(({ panel, parallel }) => parallel * panel.lightA)) * 0.999;
    const [low, high] = [await bestBySpice(nets, 'I', end), await bestBySpice(nets, 'I', bypassed)];
    const other = low.watts > high.watts ? low : high;
    expect(Math.abs(wattsOf(best) / other.watts - 1)).toBeLessThan(0.01);
    expect(Math.abs(best.volts / other.volts - 1)).toBeLessThan(0.02);
  });
});

describe('whatever the panels', () => {
  const any = fc
    .record({
      name: fc.constantFrom(...Object.keys(SHEETS)),
      series: fc.integer({ min: 1, max: 3 }),
      parallel: fc.integer({ min: 1, max: 3 }),
      light: fc.integer({ min: 20, max: 1100 }),
      cellC: fc.integer({ min: -20, max: 75 }),
    })
    .map(({ name, series, parallel, light, cellC }) => group(name, series, parallel, light, cellC));

  it('together they never give more than apart, and like ones give the same', () => {
    fc.assert(
      fc.property(
        fc.array(any, { minLength: 1, maxLength: 3 }),
        fc.constantFrom('parallel', 'series'),
        (groups, wiring) => {
          const apart = groups.reduce((sum, one) => sum + wattsOf(bestPoint([one], 'parallel')), 0);
          const together = wattsOf(bestPoint(groups, wiring));
          expect(together).toBeLessThanOrEqual(apart * (1 + 1e-6));
          expect(together).toBeGreaterThan(0);
          const [first] = groups as [Group];
          const twice = wattsOf(bestPoint([first, first], wiring));
          expect(twice / (2 * wattsOf(bestPoint([first], 'parallel')))).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
