import { describe, expect, it } from 'vitest';
import { blankJob, blankLink } from '../job/blank.ts';
import { ohmPerM } from '../reference/conductors.ts';
import { heldTo, linkFlow, unstarvedMm2 } from './link.ts';

const { alternator } = blankJob('it').brief;
const joined = { chargingV: 14.2, restV: 13.1, resistanceOhm: 0.004 };

describe('what flows through a link to the alternator, by hand', () => {
  it('a charger gives its rating and draws what its efficiency and its cable ask: 40 A of 14.2 V at 0.9, or as it is said', () => {
    const plain = linkFlow(blankLink('d', 'D', 40), alternator, 12, joined);
    expect([plain.outputW, plain.inputA]).toEqual([
      expect.closeTo(40 * 14.2, 9),
      expect.closeTo((40 * 14.2) / 0.9 / 13.5, 9),
    ]);
    const better = linkFlow({ ...blankLink('d', 'D', 40), efficiency: 0.95 }, { ...alternator, volts: 14 }, 12, joined);
    expect(better.inputA).toBeCloseTo((40 * 14.2) / 0.95 / 14, 9);
    expect(better.efficiency).toBe(0.95);
  });

  it('below its least input volts a charger gives nothing, and the area is named with which it would', () => {
    const thin = { ...blankLink('d', 'D', 40), cableM: 8, cableMm2: 6 };
    const flow = linkFlow(thin, alternator, 12, joined);
    // P = V·I at the upper root of V² − 13.5·V + R·P = 0.
    const watts = (40 * 14.2) / 0.9;
    const ohm = ohmPerM(6) * 16;
    const farV = (13.5 + Math.sqrt(13.5 ** 2 - 4 * ohm * watts)) / 2;
    expect(farV).toBeLessThan(11.5);
    expect([flow.outputW, flow.inputA]).toEqual([0, 0]);
    expect(flow.starvedV).toBeCloseTo(farV, 9);
    const enough = unstarvedMm2(flow, alternator, 14.2);
    const laid = (cableMm2: number) => linkFlow({ ...thin, cableMm2 }, alternator, 12, joined);
    expect(laid(enough * 0.99).outputW).toBe(0);
    expect(laid(enough * 1.01).outputW).toBeCloseTo(40 * 14.2, 9);
    expect(linkFlow({ ...thin, minInputV: 10 }, alternator, 12, joined).outputW).toBeCloseTo(40 * 14.2, 9);
  });

  it('a relay passes what the volts push, nothing lasting where the vehicle turns its alternator down', () => {
    const relay = { ...blankLink('r', 'R', 200), kind: 'relay' as const, cableM: 5, cableMm2: 16 };
    const pushed = (13.5 - 13.1) / (ohmPerM(16) * 10 + 0.004);
    expect(linkFlow(relay, alternator, 12, joined).inputA).toBeCloseTo(pushed, 9);
    const higher = linkFlow(relay, { ...alternator, volts: 14.3 }, 12, joined);
    expect(higher.inputA).toBeCloseTo((pushed * 1.2) / 0.4, 6);
    expect(linkFlow(relay, { ...alternator, voltage: 'smart' }, 12, joined).outputW).toBe(0);
    expect(linkFlow(relay, { ...alternator, systemV: 24 }, 12, joined).outputW).toBe(0);
  });

  it('held to less of the alternator its cable costs fewer volts', () => {
    const flow = linkFlow({ ...blankLink('d', 'D', 40), cableM: 4, cableMm2: 35 }, alternator, 12, joined);
    const half = heldTo(flow, 0.5, alternator);
    expect(half.inputA).toBeCloseTo(flow.inputA / 2, 9);
    expect(13.5 - half.farV).toBeCloseTo((13.5 - flow.farV) / 2, 9);
  });
});
