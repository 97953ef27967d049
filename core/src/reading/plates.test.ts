import convert from 'convert';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HOSTILE, LABELS } from '../test/labelCorpus.ts';
import { looksLikePlate } from './plates.ts';
import { proposeLoad } from './propose.ts';
import { readText } from './readText.ts';

/** What stands on a plate, below the name of the thing. */
const readPlate = (text: string) => proposeLoad(`${text}\n`, (name) => name);

const cases = LABELS.trim()
  .split('\n')
  .map((line) => {
    const [text = '', told = ''] = line.split(' ⇒ ');
    const [watts = '', supply = '', ...extras] = told.split('|').map((part) => part.trim());
    return { text, watts, supply, extras };
  });

describe('nameplates', () => {
  it('are at least 150, and at least 40 hostile ones', () => {
    expect(cases.length).toBeGreaterThanOrEqual(150);
    expect(HOSTILE.length).toBeGreaterThanOrEqual(40);
  });

  it.each(cases)('$text', ({ text, watts, supply, extras }) => {
    const { power, questions, reading } = readPlate(text);
    const asked = extras.includes('q');
    expect(questions.length > 0).toBe(asked);
    if (watts === '-') expect(power.powerW).toBeNull();
    // What is asked about is not known.
    else if (!asked) expect(power.powerW).toBeCloseTo(Number(watts), 2);
    expect(power.supply ? `${power.supply.kind} ${power.supply.volts}` : '-').toBe(supply);
    for (const extra of extras) {
      const [what, value] = extra.split(' ');
      const of = (kind: string) => reading.facts.find((fact) => fact.kind === kind)?.value;
      if (what === 'd') expect(of('energy-per-day')).toBeCloseTo(Number(value), 2);
      if (what === 'c') expect(of('energy-per-use')).toBeCloseTo(Number(value), 6);
      if (what === 'pf') expect(power.powerFactor).toBeCloseTo(Number(value), 6);
    }
  });

  it.each(HOSTILE.map((text) => [text]))('%j gives no watts', (text) => {
    const { load, questions } = proposeLoad(text, (name) => name);
    expect(load === null || questions.length > 0).toBe(true);
  });

  it('never throw on random text, and what was read lies in it', () => {
    const soup = fc
      .array(
        fc.constantFrom(
          'INPUT',
          'OUTPUT:',
          '100-240',
          '12',
          'V',
          '~',
          '⎓',
          'A',
          '3,5',
          'W',
          'kWh/',
          'year',
          '/',
          ' ',
          '\n',
          '-',
          'Hz',
          'BTU',
          'breaker',
          'cos φ',
          '0.8',
          'x',
        ),
        { maxLength: 30 },
      )
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(fc.oneof(soup, fc.string({ unit: 'binary' })), (text) => {
        const { power } = readPlate(text);
        expect(power.powerW === null || (Number.isFinite(power.powerW) && power.powerW >= 0)).toBe(true);
        proposeLoad(text, (name) => name);
      }),
      { numRuns: 1000 },
    );
  });

  it('convert as a general unit library does', () => {
    // Horsepower are of the shaft; a small motor takes in about 1/0.7 of that.
    expect(readPlate('1 hp').power.powerW).toBeCloseTo(convert(1, 'horsepower').to('watt') / 0.7, 0);
    expect(readPlate('2.5 kW').power.powerW).toBeCloseTo(convert(2.5, 'kilowatts').to('watts'), 9);
    expect(readText('1 kWh/day').facts[0]?.value).toBeCloseTo(convert(1, 'kilowatt-hour').to('watt-hour'), 9);
  });
});

describe('a nameplate becomes a load', () => {
  const propose = (text: string) => proposeLoad(text, (name) => name).load;

  it.each([
    ['Laptop adapter INPUT: 100-240V~ 1.5A OUTPUT: 20V⎓ 3.25A', { path: 'inverter-adapter', draw: { powerW: 65 } }],
    ['kettle 220-240V~ 50/60Hz 2000W', { name: 'Kettle', path: 'inverter', draw: { powerW: 2000 } }],
    ['Fridge 12/24V⎓ 45W 0,45 kWh/24h', { path: 'direct', draw: { kind: 'thermostatic', runningW: 45 } }],
    ['Camera 5V⎓1.5A', { path: 'dc-dc', evidence: 'nameplate' }],
    ['Washing machine 230V~ 2100W 0.72 kWh/cycle', { path: 'inverter' }],
  ] as const)('%s', (text, expected) => {
    expect(looksLikePlate(readText(text))).toBe(true);
    expect(propose(text)).toMatchObject(expected);
  });

  it('sets a fridge’s duty from its energy: 450 Wh a day at 45 W is 41.7 %', () => {
    const draw = propose('Fridge 12/24V⎓ 45W 0,45 kWh/24h')?.draw;
    expect(draw?.kind === 'thermostatic' && draw.duty).toBeCloseTo(450 / 24 / 45, 9);
  });

  it.each([
    ['Room air conditioner\nCooling capacity 2.05 kW\nPower input 0.78 kW\n230V~ 50Hz', 2050, 780],
    ['Air conditioner\nCooling capacity: 3500 W  Heating capacity: 3800 W\nInput 1080 W 230V~', 3500, 1080],
    ['Air conditioner 230V 50Hz Cooling 2.4kW Input 0.78kW 3.5A R32', 2400, 780],
    ['Aircon 230V~ Kühlleistung 3500 W Heizleistung 3800 W Leistungsaufnahme 1080 W', 3500, 1080],
    ['Air conditioner cooling 780W input 230V~ cooling capacity 2.05 kW', 2050, 780],
    ['Klimagerät aircon 230V~ Kühlleistung 2,6 kW Leistungsaufnahme 1,0 kW', 2600, 1000],
  ])('tells the heat that is moved from what it takes: %s', (text, coolingW, inputW) => {
    const draw = propose(text)?.draw;
    expect(draw).toMatchObject({ kind: 'room', mode: 'cooling', capacityW: coolingW });
    expect(draw?.kind === 'room' && draw.capacityW / draw.cop).toBeCloseTo(inputW, 6);
  });

  it('puts what says VA, or is strong, of no known type on the inverter', () => {
    expect(propose('gizmo 60VA 50Hz')?.path).toBe('inverter');
    expect(propose('gizmo I/P 400W')?.path).toBe('inverter');
    expect(propose('gizmo I/P 40W')?.path).toBe('direct');
  });

  it('asks what it is when the plate has no name, and refuses a breaker', () => {
    expect(proposeLoad('INPUT: 100-240V~ 1.5A OUTPUT: 19V⎓ 3.42A', (name) => name)).toMatchObject({ missing: 'name' });
    expect(proposeLoad('heater 230V~ 16A breaker', (name) => name).questions).toMatchObject([{ code: 'breaker' }]);
  });
});
