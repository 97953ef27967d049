import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aRun } from '../test/runs.ts';
import { runsFromCsv, runToCsv } from './csv.ts';
import { readCableSize, readLengthM, sizeTyped, sizeWords } from './typedSize.ts';

describe('a typed size', () => {
  // ASTM B258 areas.
  it.each<[string, number, string, number]>([
    ['6 mm2', 6, 'flexible', 1],
    ['6mm²', 6, 'flexible', 1],
    ['0,75 mm^2', 0.75, 'flexible', 1],
    ['2.5 sq mm', 2.5, 'flexible', 1],
    ['2 x 35 mm2', 35, 'flexible', 2],
    ['2×2/0', 67.43, 'awg', 2],
    ['10 ga', 5.261, 'awg', 1],
    ['10awg', 5.261, 'awg', 1],
    ['AWG 10', 5.261, 'awg', 1],
    ['#4', 21.15, 'awg', 1],
    ['8 B&S', 8.366, 'awg', 1],
    ['1/0', 53.49, 'awg', 1],
    ['00', 67.43, 'awg', 1],
    ['4/0 awg', 107.2, 'awg', 1],
    ['0 awg', 53.49, 'awg', 1],
    ['250 kcmil', 126.7, 'awg', 1],
    ['1.5 mm2 solid', 1.5, 'solid', 1],
    ['25 mm2 alu', 25, 'aluminium', 1],
  ])('%s', (typed, areaMm2, conductor, parallel) => {
    const read = readCableSize(typed);
    if (read.kind !== 'size') throw new Error(JSON.stringify(read));
    expect(read.size.areaMm2 / areaMm2).toBeCloseTo(1, 3);
    expect([read.size.conductor, read.size.parallel]).toEqual([conductor, parallel]);
  });

  it('“6mm” is asked about: area, automotive by its outside (about 4.6 mm²), or a conductor that thick (28.3 mm²)', () => {
    for (const typed of ['6mm', '6 mm', '6,0 mm']) {
      const read = readCableSize(typed);
      if (read.kind !== 'ask') throw new Error(typed);
      expect(read.choices.map(({ size }) => Number(size.areaMm2.toFixed(1)))).toEqual([6, 4.6, 28.3]);
    }
    const others = [3, 4, 5, 8].map((mm) => {
      const read = readCableSize(`${mm} mm`);
      return read.kind === 'ask' ? read.choices[1]?.size.areaMm2 : null;
    });
    expect(others).toEqual([1.1, 1.84, 2.9, 7.7]);
  });

  it('a bare number is asked about: mm² or AWG', () => {
    const read = readCableSize('10');
    if (read.kind !== 'ask') throw new Error('asked');
    expect(read.choices.map(({ label }) => label)).toEqual(['10 mm²', '10 AWG: 5.26 mm²']);
    expect(readCableSize('35')).toMatchObject({ kind: 'ask' });
  });

  it.each(['', '0 mm2', '400 mm2', '99 awg', '5/0', '12 V', 'thick', '-6 mm2', '9 x 35 mm2', '6 mm2 8 mm2', '6 m'])(
    '“%s” is refused, with what to type',
    (typed) => {
      const read = readCableSize(typed);
      expect(read.kind).toBe('problem');
      expect(read.kind === 'problem' && read.problem.length).toBeGreaterThan(10);
    },
  );

  it('“2 × 1.5 mm²” may be two cores, there and back, or two in parallel: it is asked, unless that is said', () => {
    const asked = readCableSize('2 × 1.5 mm²');
    if (asked.kind !== 'ask') throw new Error('it is asked');
    expect(asked.choices.map(({ size }) => [size.areaMm2, size.parallel])).toEqual([
      [1.5, 1],
      [1.5, 2],
    ]);
    for (const [text, parallel] of [
      ['2 x 1.5 mm2 in parallel', 2],
      ['twin 2 x 1.5 mm2', 1],
      ['2-core 2 x 2.5 mm2', 1],
      ['3 x 10 awg side by side', 3],
      ['2 x 25 mm2', 2],
    ] as const)
      expect(readCableSize(text), text).toMatchObject({ kind: 'size', size: { parallel } });
  });

  it('what is written is read back as the same size', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('16', '14', '12', '10', '8', '6', '4', '2', '1', '1/0', '2/0', '3/0', '4/0'),
        fc.integer({ min: 1, max: 4 }),
        (awg, parallel) => {
          const read = readCableSize(`${parallel} x ${awg} awg in parallel`);
          if (read.kind !== 'size') return false;
          return sizeWords(read.size) === `${parallel > 1 ? `${parallel} × ` : ''}${awg} AWG`;
        },
      ),
    );
    expect(readCableSize(sizeTyped({ areaMm2: 1.5, conductor: 'flexible', parallel: 2 }))).toMatchObject({
      kind: 'size',
      size: { areaMm2: 1.5, parallel: 2 },
    });
    expect(sizeWords({ areaMm2: 4.6, conductor: 'flexible', parallel: 1 })).toBe('4.6 mm²');
  });
});

it('a typed length', () => {
  expect(['4', '4 m', '400 cm', '10 ft', "10'", '20 in', '3,5m'].map((typed) => readLengthM(typed))).toEqual([
    { value: 4 },
    { value: 4 },
    { value: 4 },
    { value: expect.closeTo(3.048, 9) },
    { value: expect.closeTo(3.048, 9) },
    { value: expect.closeTo(0.508, 9) },
    { value: 3.5 },
  ]);
  for (const typed of ['0', '400 m', 'long', '-3', '5 kg']) expect(readLengthM(typed)).toHaveProperty('problem');
});

it('a bare number is feet where lengths are in feet; a unit that is typed counts everywhere', () => {
  const inFeet = (typed: string) => readLengthM(typed, 'imperial');
  expect(inFeet('10')).toEqual({ value: expect.closeTo(3.048, 9) });
  expect(inFeet('2.5')).toEqual({ value: expect.closeTo(0.762, 9) });
  expect(inFeet('4 m')).toEqual({ value: 4 });
  expect(inFeet('18 in')).toEqual({ value: expect.closeTo(0.4572, 9) });
  // 100 m are 328.08 ft.
  expect(inFeet('328')).toHaveProperty('value');
  expect(inFeet('329')).toMatchObject({ problem: expect.stringMatching(/0\.16 to 328\sft/) });
});

describe('runs as a table', () => {
  it('come back as they were', () => {
    const runs = [
      aRun('main', 'busbar', {
        areaMm2: 70,
        isolator: true,
        fuseAtM: 0.15,
        interruptA: 20_000,
        protection: 'high-interrupt',
      }),
      aRun('fridge', 'loads', {
        from: 'main',
        loads: ['fridge', 'lamp'],
        lengthM: 3.5,
        areaMm2: 2.5,
        bundled: 6,
        engine: true,
        socketA: 10,
      }),
      aRun('panels', 'panels', {
        from: 'main',
        part: 'roof',
        return: 'chassis',
        chassisMohm: 2,
        unkeyed: true,
        sheathed: true,
      }),
    ];
    expect(runsFromCsv(runs.map(runToCsv))).toEqual({ runs, faults: [] });
  });

  it('every fault is named with its row and column', () => {
    const { faults } = runsFromCsv([
      { id: 'a', name: 'A', end: 'nowhere', size: '6mm', length_m: 'far' },
      { id: '', name: '', end: 'busbar', protection: 'hope' },
    ]);
    expect(faults.map(({ line, column }) => `${line} ${column}`)).toEqual([
      '2 end',
      '2 size',
      '2 length_m',
      '3 id',
      '3 name',
      '3 protection',
    ]);
  });
});
