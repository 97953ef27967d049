import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess/assess.ts';
import { momentDetail } from '../choices/momentDetail.ts';
import type { Job, Supply } from '../job/schema.ts';
import { findingOf } from '../test/findings.ts';
import { aGenerator, aHookup, aJob, aLoad, apart, withSupplies, withSystem } from '../test/jobs.ts';
import { Coincidence } from './coincidence.ts';
import { combinationsWithin } from './combinations.ts';
import { bestStartOrder } from './startOrder.ts';
import { sizeOn, supplyLimit } from './supplyLimit.ts';

const waits = (id: string, watts: number, startRatio = 1) => aLoad({ id, watts, path: 'supply-only', startRatio });
const figure = (job: Job, id: string): number => {
  const found = assess(job).figures[id as 'supply[hookup].limit'];
  if (!found) throw new Error(`no figure ${id}`);
  return found.value;
};
/** An inverter that passes a supply on or adds to it, 3,000 W, at 90 % at every load. */
const inverter = (form: 'transfer' | 'assisting') =>
  ({ inverter: { ratingW: 3000, form, idleW: 0, peakEfficiency: 0.9 } }) as const;
const flat = (job: Job): Job => ({ ...job, rules: { ...job.rules, inverterCurve: 'flat' } });

describe('what a supply bears', () => {
  it.each<[string, Supply, number, number]>([
    ['a 10 A socket of 230 V at 90 %', aHookup(10, 230, { share: null }), 9, 230],
    ['a 15 A socket of 120 V at its rating', aHookup(15, 120), 15, 120],
    ['two legs of 50 A at 120 V', aHookup(50, 120, { legs: 2 }), 50, 240],
    ['10.5 kW at 90 %', aGenerator(10_500), 9450, 1],
    ['10.5 kW at 85 %', aGenerator(10_500, { share: 0.85 }), 8925, 1],
    // 3.5 % for each 300 m: 1,500 m take 17.5 %.
    ['2 kW at 1,500 m', aGenerator(2000, { share: 1, altitudeM: 1500 }), 1650, 1],
  ])('%s', (_name, supply, running, wattsPerUnit) => {
    const limit = supplyLimit(supply);
    expect(limit.runningSize).toBeCloseTo(running, 9);
    expect(limit.wattsPerUnit).toBe(wattsPerUnit);
  });

  it('counts what a motor asks in VA: 1,200 W at 0.75 is 1,600 VA, 6.96 A at 230 V', () => {
    expect(sizeOn(supplyLimit(aHookup(10, 230)), 1200, 1600)).toBeCloseTo(6.957, 3);
    // A generator of 2,000 W and 2,000 VA gives 1,600 W worth of its rating to it.
    expect(sizeOn(supplyLimit(aGenerator(2000, { ratedVa: 2000 })), 1200, 1600)).toBe(1600);
    expect(sizeOn(supplyLimit(aGenerator(2000)), 1200, 1600)).toBe(1200);
  });
});

describe('hookup of 15 A at 120 V (cases of common practice)', () => {
  const on = (airA: number) =>
    flat(
      withSystem(
        withSupplies(
          aJob([
            aLoad({ id: 'air', watts: airA * 120, path: 'inverter' }),
            aLoad({ id: 'microwave', watts: 1000, path: 'inverter' }),
          ]),
          aHookup(15, 120),
        ),
        inverter('assisting'),
      ),
    );

  it('12.5 A of air conditioner and a 1,000 W microwave need 5.8 A, 700 W of assist', () => {
    expect(figure(on(12.5), 'supply[hookup].worst')).toBeCloseTo(20.83, 2);
    expect(figure(on(12.5), 'supply[hookup].assist') / 120).toBeCloseTo(5.83, 2);
    expect(figure(on(12.5), 'supply[hookup].assist')).toBeCloseTo(700, 0);
  });

  it('13 A and 1,000 W are 21.3 A: 760 W of assist, 844 W and 66 A from the battery', () => {
    expect(figure(on(13), 'supply[hookup].worst')).toBeCloseTo(21.33, 2);
    expect(figure(on(13), 'supply[hookup].assist')).toBeCloseTo(760, 0);
    expect(figure(on(13), 'supply[hookup].assist-battery')).toBeCloseTo(66, 0);
  });

  it('with 8 A in use 7 A, 840 W, are left for charging', () => {
    const job = withSystem(withSupplies(aJob([waits('rest', 960)]), aHookup(15, 120)), {
      charger: { ratingA: 100, leastA: 0 },
    });
    expect(figure(job, 'supply[hookup].charging')).toBeCloseTo(840, 6);
    expect(findingOf(assess(job).findings, 'supply-charger')?.values.leftW).toBeCloseTo(840, 6);
  });

  it('a charger that goes no lower than 60 A is off rather than on', () => {
    const job = withSystem(withSupplies(aJob([waits('rest', 1200)]), aHookup(15, 120)), {
      charger: { ratingA: 100, leastA: 60 },
    });
    expect(figure(job, 'supply[hookup].charging')).toBe(0);
  });
});

describe('launch with a 10.5 kW generator (case of common practice)', () => {
  const launch = (chargesStore: boolean, share = 0.9) =>
    withSupplies(
      aJob([
        waits('heater', 1500),
        waits('hob', 1800),
        { ...waits('charger', 3100), chargesStore },
        waits('air', 1200, 3),
        waits('water', 2400, 3),
      ]),
      aGenerator(10_500, { share }),
    );

  it('10.0 kW steady is above 9.45 kW and warns; with a charger that can be turned down it is told first', () => {
    expect(figure(launch(false), 'supply[generator].worst')).toBe(10_000);
    expect(assess(launch(false)).findings.map(({ code }) => code)).toContain('supply-overload');
    expect(figure(launch(true), 'supply[generator].full')).toBe(10_000);
    expect(figure(launch(true), 'supply[generator].charging')).toBeCloseTo(2550, 6);
  });

  it('water maker last peaks at 14.8 kW; motors first, no start is above 10.5 kW', () => {
    expect(figure(launch(false), 'supply[generator].worst-start')).toBe(14_800);
    const { order } = evaluate(launch(false)).supplies[0] ?? {};
    expect(order?.steps[0]?.id).toBe('water-4');
    expect(order?.peak).toBe(10_000);
    expect(order?.peak).toBeLessThanOrEqual(10_500);
  });

  it('charger off: 6.9 kW passes, also at 85 %, where it leaves 2.025 kW', () => {
    expect(figure(launch(true, 0.85), 'supply[generator].worst')).toBe(6900);
    expect(figure(launch(true, 0.85), 'supply[generator].charging')).toBeCloseTo(2025, 6);
    expect(assess(launch(true, 0.85)).findings.map(({ code }) => code)).not.toContain('supply-overload');
  });

  it('which sets fit at 85 %: any four of the five', () => {
    const [detail] = momentDetail(launch(false, 0.85), 'a').supplies;
    // 10,000 W − 8,925 W = 1,075 W too much: leaving out any one of the five is enough.
    expect(detail?.combinations.clashes.map((ids) => ids.length)).toEqual([5]);
    expect(detail?.combinations.together).toHaveLength(5);
    expect(detail?.combinations.together[0]?.size).toBe(8800);
  });
});

describe('what may run together', () => {
  const instance = fc.record({
    loads: fc
      .array(fc.tuple(fc.integer({ min: 100, max: 3000 }), fc.integer({ min: 0, max: 3000 })), {
        minLength: 1,
        maxLength: 7,
      })
      .map((pairs) => pairs.map(([size, startExtra], i) => ({ id: `l${i}`, size, startExtra }))),
    pair: fc.tuple(fc.nat({ max: 6 }), fc.nat({ max: 6 })),
    running: fc.integer({ min: 1000, max: 6000 }),
    more: fc.integer({ min: 0, max: 3000 }),
  });

  it('lists every smallest clash and every largest set, as trying all subsets does', () => {
    fc.assert(
      fc.property(instance, ({ loads, pair: [a, b], running, more }) => {
        const isPair = a !== b && a < loads.length && b < loads.length;
        const together = { atMost: isPair ? [{ loads: [`l${a}`, `l${b}`], most: 1 }] : [], always: [] };
        const starting = running + more;
        const found = combinationsWithin(
          loads,
          { running, alone: running, starting },
          new Coincidence(together),
          together,
        );
        const subsets = Array.from({ length: 2 ** loads.length }, (_, mask) =>
          loads.filter((_l, i) => mask & (1 << i)),
        );
        const may = (set: typeof loads) =>
          !(isPair && set.some(({ id }) => id === `l${a}`) && set.some(({ id }) => id === `l${b}`));
        const small = new Set(found.base);
        const always = loads.filter(({ id }) => small.has(id));
        const fits = (set: typeof loads) => {
          const all = [...new Set([...always, ...set])];
          return all.reduce((sum, { size }) => sum + size, 0) <= running && bestStartOrder(all).peak <= starting;
        };
        const large = subsets.filter((set) => may(set) && set.every(({ id }) => !small.has(id)));
        const within = (set: typeof loads, other: typeof loads) =>
          set.length < other.length && set.every((load) => other.includes(load));
        const bad = large.filter((set) => !fits(set) && set.length > 0);
        const good = large.filter((set) => fits(set) && set.length > 0);
        const names = (sets: readonly (readonly { id: string }[])[]) =>
          sets
            .map((set) =>
              set
                .map(({ id }) => id)
                .sort()
                .join(),
            )
            .sort();
        if (fits([])) {
          expect(found.clashes.map((ids) => [...ids].sort().join()).sort()).toEqual(
            names(bad.filter((set) => !bad.some((other) => within(other, set)))),
          );
          expect(found.together.map(({ ids }) => [...ids].sort().join()).sort()).toEqual(
            names(good.filter((set) => !good.some((other) => within(set, other)))),
          );
        }
      }),
      { numRuns: 300 },
    );
  });
});

describe('a day on a supply with an inverter that assists', () => {
  // 2,500 W for half an hour on 2,300 W: 200 W missing, at 90 % 222 W from the battery: 111 Wh.
  const job = (chargerA: number) =>
    flat(
      withSystem(withSupplies(aJob([aLoad({ watts: 2500, hours: 0.5, path: 'inverter' })]), aHookup(10, 230)), {
        ...inverter('assisting'),
        charger: { ratingA: chargerA, leastA: 0, efficiency: 1 },
        // Old it holds 80 Ah × 12.8 V = 1,024 Wh.
        store: { chemistry: 'lfp', capacityAh: 100, roundTripEfficiency: 1 },
      }),
    );
  const dayOf = (of: Parameters<typeof momentDetail>[0]) => momentDetail(of, 'a').supplies[0]?.assistDay;

  it('takes 111 Wh of the battery and has them back in as long as the charger and the taper take', () => {
    const day = dayOf(job(10));
    expect(day?.lentWh).toBeCloseTo(100, 6);
    expect(day?.lowestSoc).toBeCloseTo(1 - 111.1 / 1024, 4);
    // 10 A in, of which 98 % stay: 125.4 W to 97.06 %, 38.8 min; then less and less to 99 %, 22.4 min.
    expect(day?.fullAfterMin).toBeGreaterThanOrEqual(60);
    expect(day?.fullAfterMin).toBeLessThanOrEqual(63);
    expect([day?.unservedWh, day?.emptyFromMin]).toEqual([0, null]);
  });

  it('pays the battery its loss on the way out: 111 ÷ √0.81', () => {
    const day = dayOf(withSystem(job(10), { store: { roundTripEfficiency: 0.81 } }));
    expect(day?.lowestSoc).toBeCloseTo(1 - 111.1 / 0.9 / 1024, 4);
  });

  it('has a charger that cannot be turned down off meanwhile', () => {
    expect(dayOf(withSystem(job(10), { charger: { leastA: null, powerFactor: 1 } }))?.lentWh).toBeCloseTo(100, 6);
  });

  it('empties the battery without a charger, and says so: what it should add goes unserved', () => {
    const day = dayOf(job(0));
    expect(day?.fullAfterMin).toBeNull();
    expect(day?.unservedWh).toBeCloseTo(111.1, 1);
    expect(day?.emptyFromMin).not.toBeNull();
    expect(day?.lowestSoc).toBeCloseTo(0.2, 6);
  });

  it('adds no more than the inverter can, and only to what hangs on it', () => {
    // 2,500 W wait for the supply and 100 W hang on the inverter: of the 300 W too many it can take 100.
    const two = {
      ...job(10),
      loads: [...job(10).loads, aLoad({ id: 'small', watts: 100, hours: 0.5, path: 'inverter' })],
    };
    const mixed = two.loads.map((load, i) => ({
      ...load,
      uses: [{ startMin: 600, minutes: 30 }],
      path: i === 0 ? ('supply-only' as const) : load.path,
    }));
    expect(dayOf({ ...two, loads: mixed })?.lentWh).toBeCloseTo(50, 6);
    const alone = job(10);
    const waiting = { ...alone, loads: alone.loads.map((load) => ({ ...load, path: 'supply-only' as const })) };
    expect(dayOf(waiting)?.lentWh ?? 0).toBe(0);
  });
});

describe('kinds of inverter', () => {
  const job = withSupplies(
    aJob([aLoad({ watts: 1500, path: 'inverter' }), aLoad({ watts: 1000, path: 'inverter' })]),
    aHookup(10, 230),
  );
  const forms = momentDetail(job, 'a').inverters[0]?.forms ?? [];
  const on = (form: string) => forms.find((one) => one.form === form)?.on[0];

  it('stand alone ask nothing of a socket, transferring is too much for it, assisting is enough', () => {
    expect(on('stand-alone')).toMatchObject({ fits: true, worstSize: 0 });
    expect(on('transfer')).toMatchObject({ fits: false, helped: false });
    expect(on('pass-through')).toMatchObject({ fits: false, helped: false });
    expect(on('assisting')).toMatchObject({ fits: false, helped: true });
  });

  it('stand-alone costs the way through the store', () => {
    expect(forms.find(({ form }) => form === 'stand-alone')?.detourWh).toBeGreaterThan(200);
    expect(forms.find(({ form }) => form === 'transfer')?.detourWh).toBe(0);
  });

  it('two that never run together fit where both did not', () => {
    const parted = momentDetail(apart(job, ['load-0', 'load-1']), 'a').inverters[0]?.forms ?? [];
    expect(parted.find(({ form }) => form === 'transfer')?.on[0]?.fits).toBe(true);
  });
});
