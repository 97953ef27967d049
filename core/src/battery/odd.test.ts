import { expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankString } from '../job/blank.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { bankOf } from './bank.ts';

const cells = (series: number) => ({ ...blankString('s', 'Cells', 100), unitV: 3.2, series });

it.each([
  // Fifteen cells are 48.0 V and sixteen 51.2: 100 Ah of each hold 4,800 and 5,120 Wh.
  [15, 48, 4800],
  [16, 51.2, 5120],
])('%d cells of 3.2 V count at their own %d V', (series, volts, wh) => {
  const bank = bankOf([cells(series)], 'lfp', 48);
  expect(bank.nominalV).toBeCloseTo(volts, 9);
  expect(bank.wh).toBeCloseTo(wh, 6);
  const job = withSystem(aJob([aLoad()]), { busVoltageV: 48, store: { strings: [cells(series)] } });
  const { figures, findings } = assess(job);
  expect(figures['store.capacity'].value).toBeCloseTo(wh, 6);
  expect(figures['store.ah'].value).toBeCloseTo(100, 6);
  expect(findings.map(({ code }) => code)).not.toContain('bank-voltage');
});

it('what is called 12 V is the same unit whether it has 12.0 or 12.8', () => {
  const [called, rated] = [12, 12.8].map((unitV) => bankOf([{ ...cells(4), unitV, series: 1 }], 'lfp', 12).wh);
  expect(called).toBe(rated);
});

it('an old string beside a new one: what comes out until the first is empty', () => {
  const [strong, weak] = [cells(4), { ...cells(4), id: 't', health: 0.6 }];
  // Alike inside they give the same: the weaker has given its 60 Ah when 120 are gone of 160.
  expect(bankOf([strong, weak], 'lfp', 12).firstEmptyAh).toBeCloseTo(120, 6);
});
