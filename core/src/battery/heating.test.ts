import { describe, expect, it } from 'vitest';
import { aJob, withSystem } from '../test/jobs.ts';
import { heatingOf } from './heating.ts';

const systemOf = (coldestC: number, heaterW: number | null, chemistry: 'lfp' | 'agm' = 'lfp') =>
  withSystem(aJob([]), { store: { coldestC, heaterW, chemistry } }).options[0]?.system as Parameters<
    typeof heatingOf
  >[0];

describe('a bank in the cold, by hand', () => {
  it('200 Ah of LFP at −10 °C lose 2 W/K: 30 W hold them at 5 °C, 720 Wh a day', () => {
    const heating = heatingOf(systemOf(-10, null), 2560, 24);
    expect(heating).toMatchObject({ isLocked: true, holdC: 5, warmUpH: null });
    expect(heating.holdW).toBeCloseTo(30, 9);
    expect(heating.holdWh).toBeCloseTo(720, 9);
    // 24 kg × 1 kJ/(kg·K) × 15 K = 360 kJ = 100 Wh.
    expect(heating.warmUpWh).toBeCloseTo(100, 9);
  });

  it('80 W warm them up as an exponential climb does, followed in small steps', () => {
    const { warmUpH } = heatingOf(systemOf(-10, 80), 2560, 24);
    let [celsius, seconds] = [-10, 0];
    for (; celsius < 5; seconds++) celsius += (80 - 2 * (celsius + 10)) / 24_000;
    expect((warmUpH ?? 0) * 3600).toBeCloseTo(seconds, -1);
  });

  it('a heater that is too small never gets there; lead and warm banks need none', () => {
    expect(heatingOf(systemOf(-10, 30), 2560, 24).warmUpH).toBeNull();
    expect(heatingOf(systemOf(-10, null, 'agm'), 2400, 60)).toMatchObject({ isLocked: false, holdW: 0, warmUpH: 0 });
    expect(heatingOf(systemOf(0, null), 2560, 24)).toMatchObject({ isLocked: false, holdWh: 0 });
    expect(heatingOf(systemOf(-18, 50), 0, 0).holdW).toBe(0);
  });
});
