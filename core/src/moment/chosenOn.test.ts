import { expect, it } from 'vitest';
import { settle } from '../settle/settle.ts';
import { aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { chosenOn } from './supplyMoment.ts';

/** 10 A of 230 V, all of it used; a kettle of 2,000 W and a heater of 1,500 W, and a charger of 426 W at its battery. */
function moment(form: 'pass-through' | 'assisting', leastA: number | null) {
  const loads = [
    aLoad({ id: 'kettle', watts: 2000, path: 'inverter' }),
    aLoad({ id: 'heater', watts: 1500, path: 'inverter' }),
  ];
  const job = withSupplies(
    withSystem(aJob(loads), {
      inverter: { form, ratingW: 3000 },
      charger: { ratingA: 30, leastA, efficiency: 1, powerFactor: 1 },
    }),
    { ...aHookup(10, 230), share: 1 },
  );
  const [found] = settle(job).supplies;
  if (!found) throw new Error('it has a supply');
  const charger = found.loads.at(-1)?.id ?? '';
  return (ids: string[]) => chosenOn(found, new Set(ids.map((id) => (id === 'charger' ? charger : id))));
}

it('what is ticked decides what runs, what is left to charge and what the inverter adds', () => {
  // A hookup is said in amps: 2,000 W are 8.70 A, and 426 W 1.85 A of the 10.
  const on = moment('assisting', 0);
  expect(on(['kettle-0', 'charger'])).toMatchObject({ assistSize: 0 });
  expect(on(['kettle-0', 'charger']).runningSize).toBeCloseTo(2000 / 230, 6);
  expect(on(['kettle-0', 'charger']).chargingSize).toBeCloseTo(10 - 2000 / 230, 6);
  expect(on(['heater-1', 'charger']).chargingSize).toBeCloseTo(426 / 230, 6);
  const both = on(['kettle-0', 'heater-1', 'charger']);
  expect(both.assistSize).toBeCloseTo(3500 / 230 - 10, 6);
  expect(both.chargingSize).toBe(0);
  expect(on(['heater-1']).chargingSize).toBe(0);
});

it('a charger that cannot be turned down waits, and an inverter that does not assist adds nothing', () => {
  const on = moment('pass-through', 30);
  expect(on(['kettle-0', 'charger']).chargingSize).toBe(0);
  expect(on(['kettle-0', 'heater-1']).assistSize).toBe(0);
});
