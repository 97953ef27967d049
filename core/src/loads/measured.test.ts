import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, it } from 'vitest';
import { entryOf, type MeasuredUnit, measuredValue, spreadOf, withoutUnit, withUnit } from '../job/measuredUnits.ts';
import type { Draw } from '../job/schema.ts';
import { validateAppliance } from '../job/validate.ts';
import { SCHEMA_VERSION } from '../job/values.ts';
import { proposeLoad } from '../reading/propose.ts';
import { fromFirm } from '../reference/appliances.ts';
import { aLoad } from '../test/jobs.ts';
import { isDay, measuredFromRows, measuredToRows } from './measuredCsv.ts';

const unit = (value: number, of: string, part: Partial<MeasuredUnit> = {}): MeasuredUnit => ({
  on: '2026-05-31',
  value,
  unit: 'W',
  of,
  ...part,
});
const lamp = entryOf(
  { ...aLoad({ watts: 10 }), name: 'Reading lamp', room: 'galley', device: 'inverter' },
  SCHEMA_VERSION,
);
const compressor: Draw = { kind: 'thermostatic', runningW: 60, duty: 0.25, dutyAtC: 25, setC: 5 };

describe('what is measured of a load', () => {
  it.each([
    ['steady W', { kind: 'steady', powerW: 42 }, { value: 42, unit: 'W' }],
    ['mean W of what cycles: running × duty', compressor, { value: 15, unit: 'W' }],
    [
      'Wh of a cycle: 1,500 W × 6 min + 60 W × 10 min',
      {
        kind: 'cycle',
        phases: [
          { label: 'brew', powerW: 1500, minutes: 6, startRatio: null },
          { label: 'keep', powerW: 60, minutes: 10, startRatio: null },
        ],
      },
      { value: 160, unit: 'Wh' },
    ],
    [
      'nothing of a cycle without a length',
      { kind: 'cycle', phases: [{ label: 'on', powerW: 5, minutes: null, startRatio: null }] },
      null,
    ],
  ] as [string, Draw, unknown][])('%s', (_name, draw, value) => {
    expect(measuredValue(draw)).toEqual(value);
  });
});

describe('units of one appliance', () => {
  it('38, 41 and 44 W: mean 41, deviation 3; the load is at the mean', () => {
    const entry = [38, 41, 44].reduce((now, w, i) => withUnit(now, unit(w, `van ${i}`)), lamp);
    expect(spreadOf(entry.measured)).toEqual({ units: 3, unit: 'W', mean: 41, least: 38, most: 44, deviation: 3 });
    expect(entry.load).toMatchObject({
      draw: { kind: 'steady', powerW: 41 },
      evidence: 'measured',
      room: '',
      device: null,
    });
    expect(validateAppliance(entry)).toMatchObject({ ok: true });
  });

  it('one has no deviation, none no spread', () => {
    expect(spreadOf([unit(5, 'a')])).toMatchObject({ units: 1, mean: 5, deviation: null });
    expect(spreadOf([])).toBeNull();
  });

  it('the same unit on the same day takes the place of what it said; on another day it is one more', () => {
    const first = withUnit(lamp, unit(30, 'van'));
    expect(withUnit(first, unit(40, 'van')).measured).toEqual([unit(40, 'van')]);
    expect(withUnit(first, unit(40, 'van', { on: '2026-06-01' })).measured).toHaveLength(2);
  });

  it('of what cycles the running watts follow and the duty stays', () => {
    const fridge = entryOf({ ...aLoad(), draw: compressor }, SCHEMA_VERSION);
    const { draw } = [10, 20, 30].reduce((now, w, i) => withUnit(now, unit(w, `${i}`)), fridge).load;
    expect(draw).toEqual({ ...compressor, runningW: 80 });
  });

  it('one left out, the load is at the mean of the others; the last one leaves it as it stands', () => {
    const two = withUnit(withUnit(lamp, unit(30, 'a')), unit(50, 'b'));
    const one = withoutUnit(two, 0);
    expect(one.load.draw).toEqual({ kind: 'steady', powerW: 50 });
    expect(withoutUnit(one, 0).load.draw).toEqual({ kind: 'steady', powerW: 50 });
  });

  it('property: mean and deviation are those of a statistics package, and the load draws the mean', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 5000, noNaN: true }), { minLength: 2, maxLength: 40 }),
        (values) => {
          const entry = values.reduce((now, value, i) => withUnit(now, unit(value, `${i}`)), lamp);
          const spread = spreadOf(entry.measured);
          expect(spread?.mean).toBeCloseTo(jStat.mean(values), 6);
          expect(spread?.deviation).toBeCloseTo(jStat.stdev(values, true), 6);
          expect((entry.load.draw as { powerW: number }).powerW / jStat.mean(values)).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('is offered by its name with how its units differ, and put into a job at their mean', () => {
    const entry = withUnit(withUnit(lamp, unit(30, 'a')), unit(50, 'b'));
    const own = fromFirm('own', entry);
    expect(own.spread).toMatchObject({ units: 2, least: 30, most: 50 });
    const { load } = proposeLoad('reading lamp', (name) => name, undefined, [own]);
    expect(load).toMatchObject({ name: 'Reading lamp', draw: { kind: 'steady', powerW: 40 }, evidence: 'measured' });
  });
});

describe('the measured library as a table', () => {
  const two = withUnit(withUnit(lamp, unit(30.5, 'a')), unit(50, 'b, "the van"'));

  it('goes out and comes back the same', () => {
    const rows = measuredToRows([two]);
    expect(rows[1]).toEqual({ name: 'Reading lamp', on: '2026-05-31', value: '50', unit: 'W', of: 'b, "the van"' });
    const { entries, faults } = measuredFromRows(rows, [lamp]);
    expect(faults).toEqual([]);
    expect(entries).toEqual([two]);
  });

  it('a name that is new is made an entry as a typed line would be', () => {
    const row = { name: 'Roof fan', on: '2026-04-02', value: '23,5', unit: 'W', of: '' };
    const [entry] = measuredFromRows([row], []).entries;
    expect(entry).toMatchObject({ name: 'Roof fan', load: { draw: { powerW: 23.5 }, evidence: 'measured' } });
    expect(validateAppliance(entry)).toMatchObject({ ok: true });
  });

  it.each([
    ['no day', { on: '31.05.2026' }, /^on: “31\.05\.2026” is no day/],
    ['a day that is none', { on: '2026-02-30' }, /^on:/],
    ['no number', { value: 'some' }, /^value:/],
    ['no value at all', { value: '' }, /^value:/],
    ['below nothing', { value: '-4' }, /^value:/],
    ['a thousand or a decimal', { value: '1,200' }, /^value: “1,200” may be a thousand/],
    ['a unit that it cannot be', { unit: 'kW' }, /^unit: “kW” is neither/],
    ['a unit that its entry is not measured in', { unit: 'Wh' }, /is measured in W, not Wh/],
    ['no name', { name: '' }, /^name:/],
    ['far too long', { of: 'x'.repeat(81) }, /^of:/],
  ])('%s is named by its line, and the others are taken', (_name, part, problem) => {
    const good = { name: 'Reading lamp', on: '2026-06-02', value: '41', unit: 'W', of: 'c' };
    const { entries, faults } = measuredFromRows([{ ...good, of: 'd', ...part }, good], [two]);
    expect(faults).toEqual([{ line: 2, problem: expect.stringMatching(problem) }]);
    expect(entries[0]?.measured).toHaveLength(3);
  });

  it('knows the days of the calendar', () => {
    expect(['2024-02-29', '2026-12-31'].map(isDay)).toEqual([true, true]);
    expect(['2026-02-29', '2026-13-01', '2026-1-1', '', '0000'].map(isDay)).toEqual(new Array(5).fill(false));
  });
});
