import { describe, expect, it } from 'vitest';
import { prepareDays, tripDetail } from '../choices/daysDetail.ts';
import { blankSupply } from '../job/blank.ts';
import type { Job, PlanStretch, Supply } from '../job/schema.ts';
import { aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';

const ALL_DAY = [{ startMin: 0, minutes: 1440 }];
const outletOf = (part: Partial<Extract<Supply, { kind: 'outlet' }>>): Supply =>
  ({
    ...blankSupply('outlet', '230V-50Hz'),
    id: 'outlet',
    ratedW: 3000,
    packKwh: 10,
    fullShare: 0.9,
    ...part,
  }) as Supply;
const stretch = (days: number, kind: PlanStretch['kind'] = 'supply'): PlanStretch => ({
  kind,
  days,
  driveH: null,
  supply: kind === 'supply' ? 'outlet' : null,
  hours: null,
});

/** A bank of 5 kWh that the outlet keeps full, and one load; no sun. */
const played = (
  load: Parameters<typeof aLoad>[0],
  outlet: Parameters<typeof outletOf>[0],
  plan: readonly PlanStretch[],
  chargerA = 20,
  coldestC = 20,
) => {
  const job: Job = withSupplies(
    withSystem(aJob([aLoad({ hours: 24, uses: ALL_DAY, ...load })]), {
      store: { chemistry: 'lfp', capacityAh: 400, coldestC },
      dcdc: { ratingA: 0 },
      array: { ratingW: 0 },
      charger: { ratingA: chargerA, efficiency: 0.9, leastA: 0 },
    }),
    outletOf(outlet),
  );
  const asked = { month: 6, weather: 'sunless', ifs: [], stepMin: 15 } as const;
  return tripDetail(prepareDays({ ...job, brief: { ...job.brief, plan: [...plan] } }, 'a', asked));
};

describe('the battery of an outlet runs down through a trip', () => {
  it('by what its chargers bring: 100 W of load on a full store, at 90 %', () => {
    const { run, marks } = played({ watts: 100 }, { reserveShare: 0.4 }, [stretch(5)]);
    // 5,000 Wh down to its reserve: 100 W ÷ 0.9 = 111 W from it; 45 h.
    expect(run.outletEmptyH).toBeCloseTo(45, 1);
    expect(run.books.supplyWh).toBeCloseTo(4500, -1.5);
    expect(marks.filter(({ kind }) => kind === 'outlet')).toEqual([{ kind: 'outlet', atH: run.outletEmptyH }]);
    // From then on the store carries it down to its depth: 400 Ah × 12.8 V × 0.8 × √0.95.
    expect(run.books.usefulWh).toBeCloseTo(4500 + 5120 * 0.8 * Math.sqrt(0.95), 0);
    expect(run.trace?.supplyW[46 * 4]).toBe(0);
    expect(run.trace?.supplyW[44 * 4]).toBeCloseTo(100, 0);
  });

  it('by mains loads straight, and by what it draws itself while it is on', () => {
    const { run } = played(
      { watts: 200, path: 'supply-only' },
      { reserveShare: 0.1, ownW: 50, packKwh: 10 },
      [stretch(4)],
      0,
    );
    // 8,000 Wh at 250 W.
    expect(run.outletEmptyH).toBeCloseTo(32, 1);
  });

  it('is full again after a day at home, and not after one that is parked', () => {
    const spent = (between: PlanStretch['kind']) =>
      played({ watts: 100 }, { reserveShare: 0.4 }, [stretch(1), stretch(1, between), stretch(1)]).run.outletEmptyH;
    // A day takes 2,667 Wh of 5,000; the parked one is made good by the third: the charger brings more.
    expect(spent('home')).toBeNull();
    expect(spent('parked')).toBeGreaterThan(48);
  });

  it('without a battery that is known, or with one that outlasts the trip, nothing is said', () => {
    expect(played({ watts: 100 }, { packKwh: null }, [stretch(5)]).run.outletEmptyH).toBeNull();
    expect(played({ watts: 100 }, { packKwh: 100 }, [stretch(5)]).run.outletEmptyH).toBeNull();
  });

  it('in the hour it is empty the store is as warm as without it', () => {
    const storeC = (packKwh: number) => [
      ...(played({ watts: 100 }, { reserveShare: 0.4, packKwh }, [stretch(3)], 20, -20).run.trace?.storeC ?? []),
    ];
    const [emptied, lasting] = [storeC(10), storeC(100)];
    expect(emptied).toEqual(lasting);
    expect(Math.max(...emptied) - Math.min(...emptied)).toBeGreaterThan(1);
  });

  it('one that is empty to begin with gives nothing, and the books balance', () => {
    const { run } = played({ watts: 50 }, { fullShare: 0.3, reserveShare: 0.3 }, [stretch(2)]);
    expect([run.books.supplyWh, run.outletEmptyH]).toEqual([0, 0]);
    expect(run.books.usefulWh).toBeCloseTo(50 * 48, -1);
  });
});
