import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess/assess.ts';
import type { Draw, Job } from '../job/schema.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { roomDuty, shellUa } from './room.ts';
import { waterHeatingWh } from './water.ts';

const room: Extract<Draw, { kind: 'room' }> = {
  kind: 'room',
  mode: 'cooling',
  capacityW: 1000,
  cop: 2.5,
  setC: 24,
  volumeM3: 8,
  insulation: 'good',
  glazingM2: 0,
  internalW: 0,
};
const steadyWeather =
  (tempC: number) =>
  (job: Job): Job => ({
    ...job,
    brief: { ...job.brief, place: { ...job.brief.place, dayTempC: tempC, nightTempC: tempC } },
  });
const allDay = [{ startMin: 0, minutes: 1440 }];

describe('the room model against the closed form Q = UA·ΔT (8 m³: UA = 1 × 1.33 × 6 × 4 = 31.92 W/K)', () => {
  it('has that UA', () => {
    expect(shellUa(8, 'good')).toBeCloseTo(31.92, 9);
  });

  it('runs 31.9 % of the time at 34 °C outside and takes 3.06 kWh a day at COP 2.5', () => {
    expect(roomDuty(room, 34, 0)).toBeCloseTo(0.3192, 9);
    const { figures } = assess(aJob([aLoad({ draw: room, uses: allDay })], steadyWeather(34)));
    expect(figures['demand.useful'].value).toBeCloseTo(0.3192 * 400 * 24, 6);
  });

  it('adds sun through glass and what is inside: 1 m² × 0.7 × 800 W/m² + 150 W', () => {
    expect(roomDuty({ ...room, glazingM2: 1, internalW: 150 }, 24, 800)).toBeCloseTo((560 + 150) / 1000, 9);
  });

  it('does nothing when it is cool, and heats by the same balance', () => {
    expect(roomDuty(room, 20, 0)).toBe(0);
    expect(roomDuty({ ...room, mode: 'heating', setC: 20, internalW: 100 }, 0, 0)).toBeCloseTo(
      (31.92 * 20 - 100) / 1000,
      9,
    );
  });

  it('counts the hours it cannot hold the temperature, and takes no more than full power then', () => {
    const weak = { ...room, capacityW: 200 };
    const { profiles, assessment } = evaluate(aJob([aLoad({ draw: weak, uses: allDay })], steadyWeather(34)));
    expect(profiles[0]?.shortHours).toBeCloseTo(24, 9);
    expect(assessment.figures['demand.useful'].value).toBeCloseTo((200 / 2.5) * 24, 6);
  });
});

describe('hot water', () => {
  const tank: Extract<Draw, { kind: 'water-heating' }> = {
    kind: 'water-heating',
    powerW: 800,
    litres: 10,
    riseK: 40,
    efficiency: 1,
    standingW: 0,
  };

  it('takes 465 Wh for 10 l by 40 K (1.163 Wh/(l·K)), and the tank’s loss around the clock on top', () => {
    expect(waterHeatingWh(tank)).toBeCloseTo(465.2, 9);
    const job = aJob([aLoad({ draw: { ...tank, standingW: 5 }, uses: [{ startMin: 360, minutes: 60 }] })]);
    expect(assess(job).figures['demand.useful'].value).toBeCloseTo(465.2 + 120, 6);
  });

  it('says when the runs are too short for it', () => {
    const { profiles } = evaluate(aJob([aLoad({ draw: tank, uses: [{ startMin: 360, minutes: 15 }] })]));
    expect(profiles[0]?.shortHours).toBeCloseTo(0.25, 9);
    expect(profiles[0]?.energyWh).toBeCloseTo(200, 6);
  });
});

describe('an occasional load', () => {
  const sometimes = (daysPerWeek: number) =>
    assess(aJob([aLoad({ watts: 700, hours: 1, daysPerWeek, path: 'inverter' })]));

  it('of two days a week takes 2/7 of the energy, and the whole of its power at the worst moment', () => {
    expect(sometimes(2).figures['demand.useful'].value).toBeCloseTo(200, 9);
    expect(sometimes(2).figures['peak.continuous'].value).toBe(700);
  });

  it('loses in the inverter what its days lose, not what their mean would', () => {
    const share = sometimes(2).figures['loss.conversion'].value / sometimes(7).figures['loss.conversion'].value;
    expect(share).toBeCloseTo(2 / 7, 9);
  });
});
