import { describe, expect, it } from 'vitest';
import { runningPowerW } from '../job/draw.ts';
import { proposeLoad } from './propose.ts';

/** What a line may say of watts and of what feeds it. */
const SAYS = {
  watts: '60 W',
  v12: '12 V',
  v24: '24 V',
  v230: '230 V',
  amps: '5 A',
  va: '72 VA',
  hp: '1/4 hp',
  btu: '5000 Btu',
  peak: '200 W peak',
  max: '80 W max',
  mean: '40 W average',
  input: '60 W input',
  output: '50 W output',
  total: '180 W total',
  start: 'start x4',
  usb: 'USB',
  mains: 'mains',
  range: '40-80 W',
  three: 'x3',
} as const;
type Said = keyof typeof SAYS;

/**
 * Two of them about a thing that nobody knows, on a bus of 12 V: watts of one piece, its path (b the bus, i an inverter,
 * c a converter) and how many times that at its start, where something says it. By hand; ? where both cannot be meant.
 */
const PAIRS = `
watts: v12 60b, v24 60c, v230 60i, amps 60b, va 60i, hp ?, btu ?, peak 60b3.33, max 60b1.33, mean ?, output ?, total ?, start 60b4, usb 60c, mains 60i, range ?, three 60b
v12: amps 60b, va 72b, hp ?, max 80b, mean 40b, input 60b, total 180b, range ?
v24: amps 120c, va 72c, hp ?, max 80c, mean 40c, input 60c, range ?
v230: amps 1150i, va 72i, hp ?, max 80i, mean 40i, input 60i, range ?
amps: hp ?, btu ?, peak 60b3.33, max 60b1.33, mean ?, input 60b, total ?, start 60b4, usb 25c, mains 1150i, range ?, three 60b
va: peak 72i2.78, mean 40i, input 60i, total ?, start 72i4, mains 72i, three 72i
btu: max ?, mean ?, input ?, total ?
hp: max ?, mean ?, output ?, total ?, start ?, usb ?, mains ?, three ?
peak: max 80b2.5, mean 40b5
max: mean 40b2, start 80b4, usb 80c, mains 80i
mean: total ?, start 40b4, usb 40c, mains 40i
input: output 60b, total ?, start 60b4, usb 60c, mains 60i, three 60b
total: usb 180c, mains 180i, three 60b
start: usb -, mains -
`;
const PATHS = { b: 'direct', i: 'inverter', c: 'dc-dc' } as const;

const pairs = PAIRS.trim()
  .split('\n')
  .flatMap((row) => {
    const [first = '', rest = ''] = row.split(': ');
    return rest.split(', ').map((cell) => {
      const [second = '', told = ''] = cell.split(' ');
      return { line: `plonker ${SAYS[first as Said]} ${SAYS[second as Said]} 2 h`, told };
    });
  });

describe('two figures of one line', () => {
  it.each(pairs)('$line: $told', ({ line, told }) => {
    const { load, questions, missing } = proposeLoad(line, () => 'plonker');
    if (told === '?') {
      expect(questions).not.toEqual([]);
      return;
    }
    expect(questions).toEqual([]);
    const [, watts, path, start] = /^([\d.]+)([bic])([\d.]+)?$/.exec(told) ?? [];
    if (watts === undefined) {
      expect(missing).toBe('power');
      return;
    }
    expect(load && runningPowerW(load.draw)).toBeCloseTo(Number(watts), 6);
    expect(load?.path).toBe(PATHS[path as keyof typeof PATHS]);
    expect(load?.startRatio).toBeCloseTo(Number(start ?? 1), 2);
    expect(load?.uses.map(({ minutes }) => minutes)).toEqual([120]);
  });
});
