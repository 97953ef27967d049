import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readMeasure } from './measure.ts';

/** What a field that shows the unit makes of what is typed there; by the definitions of the units. */
const READ: readonly (readonly [unit: string, text: string, value: number])[] = [
  // The unit itself, however it is written, and none.
  ['m', '4', 4],
  ['m', '4 m', 4],
  ['m', '4m', 4],
  ['m', '3,5 metres', 3.5],
  ['m', '1½ m', 1.5],
  ['°C', '-5 ℃', -5],
  ['kg', '12kg', 12],
  ['kg', '12 Kg', 12],
  ['°C', '-5', -5],
  ['°C', '-5 °C', -5],
  ['°C', '−5c', -5],
  ['°C', 'minus 5', -5],
  ['°C', '5 degrees C', 5],
  ['°', '30°', 30],
  ['°', '30 deg', 30],
  ['%', '80 %', 80],
  ['%', '80%', 80],
  ['%', '80', 80],
  ['%', '-0.35 %', -0.35],
  ['%', '−0.35 %/K', -0.35],
  ['%', '-0.29 % / °C', -0.29],
  ['mΩ', '4 mΩ', 4],
  ['mΩ', '4 m\u2126', 4],
  ['mΩ', '4 mOhm', 4],
  ['mΩ', '4 milliohms', 4],
  ['m²', '1.4 m2', 1.4],
  ['mm²', '25 sq mm', 25],
  ['mm²', '25mm2', 25],
  ['V', '12,8 V', 12.8],
  ['V', '12.8v', 12.8],
  ['V at its terminals', '13.6 V', 13.6],
  ['A, sun and mains together', '60 A', 60],
  ['A', '500 mA', 0.5],
  ['W', '1.2 kW', 1200],
  ['W', '12 V 3.5 A', 42],
  ['VA', '1.2 kVA', 1200],
  ['l', '3.3 litres', 3.3],
  ['l/h', '0.35 l/h', 0.35],
  ['K', '30 K', 30],
  ['×', '3 ×', 3],
  ['×', '3x', 3],
  ['nights', '4 nights', 4],
  ['nights', '1 night', 1],
  ['days', '2 days', 2],
  ['EUR', '250', 250],
  ['EUR', '250 EUR', 250],
  ['EUR', '€ 250', 250],
  ['EUR', '1,250.50 €', 1250.5],
  ['AUD', '$250', 250],
  ['EUR for 1 kg of copper', '9.5 EUR', 9.5],
  ['', '12', 12],
  ['', '-7,5', -7.5],
  ['', '−10', -10],
  ['', ' 3.25 ', 3.25],
  // Another unit of the same quantity.
  ['m', '400 cm', 4],
  ['m', '850 mm', 0.85],
  ['m', '10 ft', 3.048],
  ['m', "10'", 3.048],
  ['m', '13 ft 6 in', 4.1148],
  ['m', '13ft6in', 4.1148],
  ['m', `13' 6"`, 4.1148],
  ['m', '6 ″', 0.1524],
  ['m', '1 m 20 cm', 1.2],
  ['ft', '4 m', 13.123359580052494],
  ['ft', '6 in', 0.5],
  ['ft', '13', 13],
  ['kg', '10 lb', 4.5359237],
  ['kg', '10 lbs', 4.5359237],
  ['kg', '850 g', 0.85],
  ['kg', '1.2 t', 1200],
  ['lb', '1 kg', 2.2046226218487757],
  ['°C', '23 °F', -5],
  ['°C', '14f', -10],
  ['°F', '-5 °C', 23],
  ['°F', '23', 23],
  ['m²', '10 sq ft', 0.9290304],
  ['ft²', '1 m²', 10.763910416709722],
  ['mm²', '10 AWG', 5.261],
  ['mm²', '4 ga', 21.1506],
  ['mm²', '2/0', 67.4309],
  ['mΩ', '0.004 ohm', 4],
  ['h', '12 h', 12],
  ['h', '90 min', 1.5],
  ['h', '1 h 30', 1.5],
  ['h', '1:30', 1.5],
  ['h', '0:45', 0.75],
  ['h', '+10', 10],
  ['h', '-3:30', -3.5],
  ['h', '-5 h', -5],
  ['min', '1 h', 60],
  ['s', '2 min', 120],
  ['kWh', '78 kWh', 78],
  ['kWh', '5000 Wh', 5],
  ['Ah', '5000 mAh', 5],
  ['l', '500 ml', 0.5],
];

/** What is none of it is refused, and what would be understood is named. */
const REFUSED: readonly (readonly [unit: string, text: string, problem: RegExp])[] = [
  ['m', 'long', /length, such as 4 m or 13 ft/],
  ['m', '4 kg', /length/],
  ['m', '4 m 2 kg', /length/],
  ['m', '4 m of it', /length/],
  ['m', '4 m2', /length/],
  ['m', '4 min', /length/],
  ['m', '', /length/],
  ['kg', '4 m', /mass, such as 12 kg or 26 lb/],
  ['°C', '5 m', /temperature, such as 5 °C or 41 °F/],
  ['°C', '--5', /temperature/],
  ['mΩ', '4 V', /resistance, such as 4 mΩ/],
  ['V', '60 A', /voltage, such as 12 V/],
  ['VA', '60 A', /^Write an apparent power, such as 600 VA$/],
  ['Wh', '60 A', /^Write an energy, such as 150 Wh$/],
  ['Ah', '1280 Wh', /charge, such as 20 Ah/],
  ['%', '80 V', /share, such as 24 %/],
  ['mm²', '4 mm', /area, such as 25 mm² or 4 AWG/],
  ['mm²', '99 AWG', /area/],
  ['EUR', '$250', /price, such as 250 EUR/],
  ['EUR', '250 AUD', /price/],
  ['nights', '2 days', /^Write a number$/],
  ['', '2 kg', /^Write a number$/],
  ['', 'ten', /^Write a number$/],
  ['', '', /^Write a number$/],
  ['', '-', /^Write a number$/],
  ['', '12 V', /^Write a number$/],
  ['', '--4', /^Write a number$/],
  ['', '4-', /^Write a number$/],
  ['', '.', /^Write a number$/],
  ['', '∞', /^Write a number$/],
];

describe('a number in a field that shows its unit', () => {
  it.each(READ)('in %s: %j is %d', (unit, text, value) => {
    const read = readMeasure(text, unit);
    if ('problem' in read) throw new Error(read.problem);
    expect(Math.abs(read.value - value)).toBeLessThanOrEqual(Math.abs(value) * 5e-5);
  });

  it.each(REFUSED)('in %s: %j is refused', (unit, text, problem) => {
    expect(readMeasure(text, unit)).toEqual({ problem: expect.stringMatching(problem) });
  });

  it('property: a number is itself in every unit, and so it is with the unit behind it', () => {
    const units = fc.constantFrom(...new Set(READ.map(([unit]) => unit)));
    fc.assert(
      fc.property(units, fc.integer({ min: 1, max: 999 }), fc.integer({ min: 0, max: 99 }), (unit, whole, part) => {
        const text = `${whole}.${String(part).padStart(2, '0')}`;
        const value = whole + part / 100;
        for (const typed of [text, `${text} ${unit.split(/[ ,]/)[0]}`, ` ${text.replace('.', ',')} `])
          expect(readMeasure(typed, unit)).toEqual({ value: expect.closeTo(value, 9) });
      }),
    );
  });

  it('property: any text is a finite number or a problem', () => {
    const units = fc.constantFrom(...new Set(READ.map(([unit]) => unit)));
    fc.assert(
      fc.property(units, fc.string({ unit: 'grapheme', maxLength: 12 }), (unit, text) => {
        const read = readMeasure(text, unit);
        expect('problem' in read ? read.problem.length : Number.isFinite(read.value)).toBeTruthy();
      }),
    );
  });
});

describe('amps and amp-hours at known volts', () => {
  it.each<[string, string, number, number]>([
    // 500 Wh / 12.8 V, 40 W / 12 V, 1.2 kWh / 24 V, 2.3 kW / 230 V.
    ['500 Wh', 'Ah', 12.8, 39.0625],
    ['1.2 kWh', 'Ah', 24, 50],
    ['40 W', 'A', 12, 3.3333],
    ['2.3 kW', 'A', 230, 10],
    // What is written in the field's own unit stays.
    ['100 Ah', 'Ah', 12.8, 100],
    ['100', 'Ah', 12.8, 100],
    ['16 A', 'A', 230, 16],
  ])('“%s” where %s are shown at %s V', (typed, unit, volts, value) => {
    expect(readMeasure(typed, unit, volts)).toEqual({ value: expect.closeTo(value, 3) });
  });

  it('are asked for where no volts are known, and where it is neither', () => {
    expect(readMeasure('500 Wh', 'Ah')).toHaveProperty('problem');
    expect(readMeasure('40 m', 'A', 12)).toEqual({ problem: 'Write a current, such as 3.5 A' });
  });
});
