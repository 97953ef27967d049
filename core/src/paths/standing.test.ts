import { expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankCharger, blankController } from '../job/blank.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { standingW } from './standing.ts';

const controller = { ...blankController('mppt'), idleW: 0.5 };
const charger = { ...blankCharger('c', 'C', 20), idleW: 1.5 };

it('what charges idles around the clock; in an all-in-one unit its inverter says it', () => {
  const array = (id: string) => ({ id, controller }) as never;
  const parts = {
    arrays: [array('a'), array('b')],
    driving: [{ idleW: null }, { idleW: 2 }] as never,
    chargers: [charger],
  };
  expect(standingW({ ...parts, allInOnes: [] })).toBe(4.5);
  const box = { arrays: ['a'], charger: 'c' } as never;
  expect(standingW({ ...parts, allInOnes: [box] })).toBe(2.5);
});

it('an inverter that is left on takes its idle with nothing on it', () => {
  const inverter = { ratingW: 1000, idleW: 10 } as const;
  const unattendedWh = (policy: 'always' | 'with-loads') =>
    assess(withSystem(aJob([aLoad({ path: 'direct' })]), { inverter: { ...inverter, policy } })).ledger.unattended
      .idleWh;
  expect(unattendedWh('with-loads')).toBe(0);
  expect(unattendedWh('always')).toBeCloseTo(240, 9);
});

it('what idles at the charger is in the need, nobody’s', () => {
  const open = aJob([aLoad({ path: 'direct' })]);
  const withIdle = withSystem(open, { charger: { ratingA: 20, idleW: 1.5 } });
  const { ledger } = assess(withIdle);
  expect(ledger.unattended.idleWh).toBeCloseTo(36, 9);
});
