import { describe, expect, it } from 'vitest';
import { readIn } from './logUnits.ts';

describe('a reading in the units of its region', () => {
  it('degrees are Fahrenheit for the imperial reader, there and back, with their ends', () => {
    const { unit, to, from, least, most } = readIn('c', 'imperial');
    expect([unit, to(-18), to(21.5), from(70.7), from(-0.4)]).toEqual(['°F', -0.4, 70.7, 21.5, -18]);
    // −90 and 200 °C.
    expect([least, most]).toEqual([-130, 392]);
  });

  it('what is typed in either comes back as it was typed', () => {
    const { to, from } = readIn('c', 'imperial');
    for (let tenths = -400; tenths <= 1200; tenths += 7) expect(to(from(tenths / 10))).toBe(tenths / 10);
  });

  it('watts and metric degrees stay as they are kept', () => {
    expect(readIn('w', 'imperial').to(41.37)).toBe(41.37);
    expect([readIn('c', 'metric').unit, readIn('c', 'metric').to(4.25)]).toEqual(['°C', 4.25]);
  });
});
