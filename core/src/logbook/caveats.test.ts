import { expect, it } from 'vitest';
import { type Caveat, conditionCaveats } from './caveats.ts';
import type { Log } from './logSchema.ts';

const caveatsOf = (conditions: Log['conditions']): Caveat[] => {
  const caveats: Caveat[] = [];
  conditionCaveats({ conditions } as Log, caveats);
  return caveats;
};
const codes = (conditions: Log['conditions']): string[] => caveatsOf(conditions).map(({ code }) => code);

it('air unlike that of its use is said from 3 °C on, either way, and on both sides of freezing', () => {
  expect(codes({ ambientC: 20, useC: 22.9 })).toEqual([]);
  expect(codes({ ambientC: 20, useC: 23 })).toEqual(['unlike-use']);
  expect(codes({ ambientC: 23, useC: 20 })).toEqual(['unlike-use']);
  expect(codes({ ambientC: -5, useC: 5 })).toEqual(['unlike-use']);
  expect(codes({ ambientC: -5, useC: -5 })).toEqual([]);
  expect(codes({ ambientC: 30 })).toEqual([]);
  const [unlike] = caveatsOf({ ambientC: -5, useC: 5 });
  expect(unlike?.says).toMatch(/Measured at -5 °C, used at 5 °C/);
});

it('empty, in the sun and what was noted are passed on; nothing known is nothing said', () => {
  expect(codes(undefined)).toEqual([]);
  expect(codes({ empty: false, sun: false, note: '' })).toEqual([]);
  expect(caveatsOf({ empty: true, sun: true, note: 'Door left open twice.' })).toEqual([
    { code: 'empty', says: expect.stringContaining('more while it cools down') },
    { code: 'sun', says: 'Measured in the sun.' },
    { code: 'note', says: 'Door left open twice.' },
  ]);
});
