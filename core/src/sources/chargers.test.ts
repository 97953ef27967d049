import { expect, it } from 'vitest';
import { blankCharger } from '../job/blank.ts';
import type { Charger } from '../job/schema.ts';
import { aJob, withSystem } from '../test/jobs.ts';
import { chargersOf } from './supplyDay.ts';

/** 30 A at 14.2 V and 0.9, behind 10 mΩ: 426 W, of which 9 W are lost on the way. */
const of = (senses: Charger['senses']) => {
  const system = withSystem(aJob([]), { charger: { ...blankCharger('c', 'C', 30), senses } }).options[0]?.system;
  if (!system) throw new Error('it has a system');
  return chargersOf(system, { ofCharger: new Map([['c', 0.01]]) });
};

it('a charger that senses at its terminals loses on its lead', () => {
  const { acW, storeW } = of('terminals');
  expect(acW).toBeCloseTo(426 / 0.9, 9);
  expect(storeW(acW)).toBeCloseTo(426 - 9, 9);
});

it('one that senses at the battery makes good what the lead takes', () => {
  const { acW, storeW } = of('battery');
  expect(acW).toBeCloseTo((426 + 9) / 0.9, 9);
  expect(storeW(acW)).toBeCloseTo(426, 9);
});
