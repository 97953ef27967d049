import { describe, expect, it } from 'vitest';
import { PROTECTION, ratedVoltsFor } from './protection.ts';

describe('the volts that fuses and breakers are sold for', () => {
  it.each([
    ['blade', 14.2, 32],
    ['blade', 28.4, 32],
    ['blade', 56.8, 58],
    ['strip', 60, 80],
    ['high-interrupt', 56.8, 125],
    ['breaker', 28.4, 32],
    ['breaker', 56.8, null],
  ] as const)('a %s on a bus of up to %d V: %s', (kind, volts, rated) => {
    expect(ratedVoltsFor(PROTECTION[kind], volts)).toBe(rated);
  });
});
