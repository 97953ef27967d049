import { describe, expect, it } from 'vitest';
import { readBearing, readCoordinate } from './degrees.ts';

describe('where an array faces', () => {
  it.each([
    ['225', 225],
    ['225°', 225],
    ['22,5 deg', 22.5],
    ['N', 0],
    ['e', 90],
    ['south', 180],
    ['South-West', 225],
    ['north east', 45],
    ['SSE', 157.5],
    ['WNW', 292.5],
  ])('%j is %d° from north', (text, degrees) => {
    expect(readBearing(text)).toEqual({ value: expect.closeTo(degrees, 9) });
  });

  it.each(['', 'up', 'NS', '12 m', 'south of it'])('%j is asked for again', (text) => {
    expect(readBearing(text)).toEqual({ problem: expect.stringContaining('225° or SW') });
  });
});

describe('a latitude or a longitude', () => {
  it.each([
    ['latitude', '-33.9', -33.9],
    ['latitude', '−33,9', -33.9],
    ['latitude', '47', 47],
    ['latitude', '+47', 47],
    ['latitude', '33.9 S', -33.9],
    ['latitude', '33.9°s', -33.9],
    ['latitude', 'S 33.9°', -33.9],
    // 33 + 52/60 + 10/3600.
    ['latitude', '33° 52′ 10″ S', -33.86944444],
    ['latitude', `33°52'10"S`, -33.86944444],
    ['latitude', '47° 30′', 47.5],
    ['longitude', '12.25 W', -12.25],
    ['longitude', '151° 12′ E', 151.2],
  ] as const)('%s %j is %d°', (axis, text, degrees) => {
    expect(readCoordinate(text, axis)).toEqual({ value: expect.closeTo(degrees, 7) });
  });

  it.each([
    ['latitude', '12 W', /33\.9 S/],
    ['longitude', '12 N', /151\.2 E/],
    ['latitude', '-33.9 S', /33\.9 S/],
    ['latitude', 'S 33.9 S', /33\.9 S/],
    ['latitude', '-33.87, 151.21', /33\.9 S/],
    ['latitude', 'here', /33\.9 S/],
    ['latitude', '', /33\.9 S/],
    ['latitude', '33° 75′ S', /below 60/],
  ] as const)('%s %j is asked for again', (axis, text, problem) => {
    expect(readCoordinate(text, axis)).toEqual({ problem: expect.stringMatching(problem) });
  });
});
