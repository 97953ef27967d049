import { describe, expect, it } from 'vitest';
import { blankJob } from '../job/blank.ts';
import { validateJob } from '../job/validate.ts';
import { readStation, withStation } from './station.ts';

/** A plate made up for this test. */
const PLATE =
  'Power station ¦ 1024Wh 51.2V ¦ AC OUT 230V 1800W ¦ Surge 2700W ¦ AC IN 1500W ¦ PV IN 11-60V 500W 15A ¦ CAR IN 12V 8A ¦ USB-C 100W x2 ¦ USB-A 12W x4 ¦ 12V outlet 10A ¦ Weight 12 kg';

describe('the plate of a station', () => {
  const station = readStation(PLATE);

  it('says what it holds, takes in and gives', () => {
    expect(station).toMatchObject({
      capacityWh: 1024,
      unitV: 51.2,
      inverterW: 1800,
      surgeW: 2700,
      mainsW: 1500,
      carW: 96,
      solar: { maxW: 500, maxV: 60, minV: 11, maxInputA: 15 },
    });
    expect(station.ports.map(({ name, outputV, limitA, limitW }) => [name, outputV, limitA, limitW])).toEqual([
      ['USB-C 1', 20, null, 100],
      ['USB-C 2', 20, null, 100],
      ['USB-A 1', 5, null, 12],
      ['USB-A 2', 5, null, 12],
      ['USB-A 3', 5, null, 12],
      ['USB-A 4', 5, null, 12],
      ['12 V', 12, 10, null],
    ]);
    expect(station.left).toEqual(['Weight 12 kg']);
  });

  it('fills battery, arrays, DC-DC, charger and ports of an option that can be saved', () => {
    const job = blankJob('Station');
    const [option] = job.options;
    if (!option) throw new Error('a job has an option');
    const system = withStation(option.system, station);
    expect(system.busVoltageV).toBe(48);
    // 1024 Wh ÷ 51.2 V; 96 W and 1500 W ÷ 51.2 V.
    expect(system.store.strings).toMatchObject([{ capacityAh: 20, unitV: 51.2 }]);
    expect(system.driving).toMatchObject([{ ratingA: 1.875 }]);
    expect(system.chargers).toMatchObject([{ ratingA: 29.3 }]);
    expect(system.arrays).toMatchObject([{ controller: { maxW: 500, maxV: 60, minV: 11, maxInputA: 15 } }]);
    expect(system.devices).toHaveLength(8);
    expect(system.devices[0]).toMatchObject({ kind: 'inverter', ratingW: 1800, surgeW: 2700 });
    const filled = { ...job, options: [{ ...option, system }] };
    expect(validateJob(JSON.parse(JSON.stringify(filled)))).toMatchObject({ ok: true });
  });

  it('leaves as it was what it does not say', () => {
    const [option] = blankJob('Station').options;
    if (!option) throw new Error('a job has an option');
    const system = withStation(option.system, readStation('512 Wh ¦ 12.8 V'));
    expect(system).toMatchObject({ arrays: null, driving: null, chargers: [], busVoltageV: 12 });
    expect(system.store.strings).toMatchObject([{ capacityAh: 40 }]);
  });
});
