import { describe, expect, it } from 'vitest';
import { sourcesDetail } from '../choices/sourcesDetail.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';

/** 10 W all day on 100 Ah of LFP, 300 W of panel, nights of −12 and afternoons of −4 °C. */
const winter = (coldestC: number, chemistry: 'lfp' | 'agm' = 'lfp') =>
  withSystem(
    aJob([aLoad({ draw: { kind: 'standby', powerW: 10 }, path: 'direct' })], (job) => ({
      ...job,
      brief: {
        ...job.brief,
        drives: [],
        months: [1],
        place: { ...job.brief.place, peakSunHours: 4, dayTempC: -4, nightTempC: -12 },
      },
    })),
    { store: { chemistry, capacityAh: 100, coldestC }, array: { ratingW: 300 } },
  );

describe('an LFP battery that is too cold to be charged', () => {
  it('gains nothing in any step: the balance is what is drawn while no sun feeds it', () => {
    const cold = settle(winter(-20));
    expect(cold.heater.lockedH).toBe(24);
    const warm = settle(winter(5));
    expect(warm.income.balanceWh).toBeGreaterThan(300);
    // 10 W through √0.95 in every minute without sun, and nothing back.
    const darkH = cold.brings.sunW.filter((w) => w < 10).length / 60;
    expect(cold.income.balanceWh).toBeGreaterThan((-10 * darkH) / Math.sqrt(0.95) - 0.1);
    expect(cold.income.balanceWh).toBeLessThan((-10 * (darkH - 1)) / Math.sqrt(0.95));
    expect(cold.income.lockedWh).toBeGreaterThan(300);
    const { cells } = sourcesDetail(winter(-20), 'a');
    const january = cells.find(({ month, kind }) => month === 1 && kind === 'bright');
    expect(january?.netWh).toBeLessThan(0);
    expect(january?.shortWh).toBeGreaterThan(50);
  });

  it('asks of no other chemistry', () => {
    expect(settle(winter(-20, 'agm')).heater.lockedH).toBe(0);
  });
});
