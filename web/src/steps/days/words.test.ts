import type { TripDetail } from '@joulemetric/core';
import { expect, it } from 'vitest';
import { traceCsv } from './traceFile.ts';
import { chanceText, lengthText, whenText } from './when.ts';

it.each([
  [0, 'day 1, Sat 00:00'],
  [52.25, 'day 3, Mon 04:15'],
  [48, 'day 3, Mon 00:00'],
  [47.9999999999, 'day 3, Mon 00:00'],
  [168, 'day 8, Sat 00:00'],
])('%f h after it began is %s', (atH, text) => expect(whenText(atH)).toBe(text));

it.each([
  [0.4, '0 h'],
  [31.8, '32 h'],
  [47.4, '47 h'],
  [48, '2 d'],
  [76, '3 d 4 h'],
])('%f h are %s', (hours, text) => expect(lengthText(hours)).toBe(text));

it.each([
  [0, 'none in 100'],
  [0.004, 'fewer than 1 in 100'],
  [0.034, '3 in 100'],
  [0.996, 'more than 99 in 100'],
  [1, '100 in 100'],
])('a share of %f is %s', (share, text) => expect(chanceText(share)).toBe(text));

it('a trip as CSV: a line a step, its end in hours, charge in percent', () => {
  const row = (...values: number[]) => Float32Array.from(values);
  const trace = {
    soc: row(0.9956, 0.5),
    needW: row(10, 20),
    sunOfferedW: row(30, 0),
    sunW: row(12.345, 0),
    drivingW: row(0, 0),
    supplyW: row(0, 5),
    unservedW: row(0, 7),
    lostW: row(1, 2),
    airC: row(-3, 4),
    storeC: row(5, 6),
  };
  const csv = traceCsv({ run: { trace, stepMin: 15 } } as unknown as TripDetail);
  expect(csv.split('\n')).toEqual([
    'hour,charge_percent,drawn_w,sun_offered_w,sun_w,driving_w,supply_w,lost_w,not_served_w,air_c,store_c',
    '0.25,99.56,10,30,12.35,0,0,1,0,-3,5',
    '0.5,50,20,0,0,0,5,2,7,4,6',
    '',
  ]);
});
