import { describe, expect, it } from 'vitest';
import { proposeLoad } from './propose.ts';
import { Reading } from './reading.ts';
import { readText } from './readText.ts';

const words = (tokens: readonly { readonly written: string }[]) => tokens.map(({ written }) => written);

describe('what becomes of the tokens of a text', () => {
  it('each is of the name, of a fact, asked about or says nothing', () => {
    const { reading } = proposeLoad('2 lamps 5 W in the shed 3 h by request', () => 'x');
    expect(words(reading.name)).toEqual(['lamps']);
    expect(words(reading.ofFacts)).toEqual(['2', '5', 'W', '3', 'h']);
    expect(words(reading.asked)).toEqual(['shed', 'request']);
    expect(words(reading.silent)).toEqual(['in the', 'by']);
  });

  it('and none is lost: it cannot be made otherwise', () => {
    const read = readText('lamp 5 W weekly');
    const counted = { read, name: [0], spoken: new Set<number>(), asked: [], isPlate: false };
    expect(() => new Reading({ ...counted, read: { ...read, facts: [] } })).toThrow(RangeError);
    expect(() => new Reading({ ...counted, name: [] })).toThrow('“lamp” of “lamp 5 W weekly”');
    expect(() => new Reading(counted)).not.toThrow();
  });
});

describe('what several clauses say', () => {
  const load = (line: string) => proposeLoad(line, () => 'x').load;

  it('watts each with its length are phases, with their names', () => {
    expect(load('fan 30W 1 h high, 15W 6 h low')?.draw).toEqual({
      kind: 'cycle',
      phases: [
        { label: 'High', powerW: 30, minutes: 60, startRatio: null },
        { label: 'Low', powerW: 15, minutes: 360, startRatio: null },
      ],
    });
  });

  it('days of the week and seasons are variants', () => {
    const tv = load('tv 45W 2 h weekdays 5 h weekends');
    expect(tv?.daysPerWeek).toBe(7);
    expect(tv?.uses.map(({ minutes }) => minutes)).toEqual([120]);
    expect(tv?.variants).toMatchObject([{ on: 'weekend', uses: [{ minutes: 300 }] }]);
    expect(load('heater 1 kW 1 h in summer 6 h in winter')?.variants).toMatchObject([
      { on: 'winter', uses: [{ minutes: 360 }] },
    ]);
  });

  it.each([
    ['dehumidifier 300W 6-6:45pm', 18 * 60, 45],
    ['night light 3W 10-2am', 22 * 60, 240],
    ['tv 40W noon to 3', 12 * 60, 180],
    ['lights 24W 6 to 11pm', 18 * 60, 300],
  ])('a half of the day that one end lacks is the nearer: %s', (line, startMin, minutes) => {
    expect(load(line)?.uses).toEqual([{ startMin, minutes }]);
  });

  it.each([
    ['2000 W pure sine inverter', 'inverter'],
    ['Solar module Pmax 175W Vmp 18.6V Imp 9.41A', 'solar'],
    ['mppt 40A', 'controller'],
    ['generator 2 kW 3 h', 'generator'],
    ['100Ah lithium battery', 'battery'],
    ['DC-DC 40A', 'dcdc'],
  ])('what is no load is offered to its step: %s', (line, step) => {
    expect(proposeLoad(line, () => 'x').questions.map((one) => one.step)).toEqual([step]);
  });
});
