import { describe, expect, it } from 'vitest';
import { proposeLoad } from '../reading/propose.ts';
import { APPLIANCES, loadFrom } from '../reference/appliances.ts';
import { aJob } from '../test/jobs.ts';
import { missingUsuals } from './missing.ts';

const typed = (...lines: string[]) =>
  aJob(
    lines.map((line, i) => {
      const { load } = proposeLoad(line, () => `l${i}`);
      if (!load) throw new Error(line);
      return load;
    }),
  );
const names = (...lines: string[]) => missingUsuals(typed(...lines)).map(({ key }) => key);

describe('what such a job usually has', () => {
  it('is not asked of a list that has hardly begun', () => {
    expect(names()).toEqual([]);
    expect(names('fridge', 'kettle')).toEqual([]);
  });

  it('is named when it lacks, and not when it is there under any name', () => {
    expect(names('fridge', 'kettle', 'laptop 38W')).toEqual(['lights-led', 'phone', 'always-on', 'water-pump']);
    const job = typed('fridge', 'kettle', 'laptop 38W');
    const said = { ...job, hasNot: [{ id: 'phone' }, { id: 'water-pump' }] };
    expect(missingUsuals(said).map(({ key }) => key)).toEqual(['lights-led', 'always-on']);
    const there = names('fridge', 'kettle', 'reading lamp 3W', '2 phones', 'standby 5W', 'pump 12V 4A', 'fan 8W');
    expect(there).toEqual(['battery-monitor']);
  });

  it('a gas or diesel heater calls for an alarm', () => {
    const list = ['fridge', 'lamp 5W', 'phone', 'standby 5W', 'fan 8W'];
    expect(names(...list)).toEqual([]);
    expect(names(...list, 'diesel heater')).toEqual(['gas-alarm', 'battery-monitor']);
  });

  it('what was taken down by one figure has lost its ends: the stop of a heater, what keeps coffee warm', () => {
    const job = typed('fridge', 'lamp 5W', 'coffee machine 1kW 6 min');
    const [first] = missingUsuals(job);
    expect(first?.name).toBe('Coffee machine: keep warm');
    expect(first?.load.draw.kind).toBe('cycle');
  });

  it('offers only types of the catalogue, ready to be added', () => {
    for (const { load } of missingUsuals(typed('kettle', 'laptop', 'toaster'))) {
      const appliance = APPLIANCES.find(({ id }) => id === load.type);
      expect(appliance && loadFrom(appliance, 'x').draw).toEqual(load.draw);
    }
  });
});
