import { describe, expect, it } from 'vitest';
import { momentSaid } from './momentSaid.ts';

const NOW = new Date(2026, 5, 2, 10, 0).getTime();
const at = (day: number, hour: number, minute = 0) => new Date(2026, 5, day, hour, minute).getTime();
const reading = (ms: number, mark?: 'start') => ({ at: new Date(ms).toISOString(), soc: 90, ...(mark && { mark }) });

describe('when a reading was taken, as it is said', () => {
  it('so long after the last start, or after the first reading where no start is marked', () => {
    expect(momentSaid({ sinceMin: 480 }, [reading(at(1, 22)), reading(at(1, 23))], NOW)).toBe(at(2, 6));
    expect(momentSaid({ sinceMin: 480 }, [reading(at(1, 22)), reading(at(1, 23), 'start')], NOW)).toBe(at(2, 7));
  });

  it('the last such time of the day: today’s, or yesterday’s where today’s is still to come', () => {
    expect(momentSaid({ clockMin: 9 * 60 + 30 }, [], NOW)).toBe(at(2, 9, 30));
    expect(momentSaid({ clockMin: 14 * 60 }, [], NOW)).toBe(at(1, 14));
  });

  it('is asked where the log has not begun, and where it would be later than now', () => {
    expect(momentSaid({ sinceMin: 60 }, [], NOW)).toMatch(/no beginning/);
    expect(momentSaid({ sinceMin: 720 }, [reading(at(2, 1))], NOW)).toMatch(/later than now/);
  });
});
