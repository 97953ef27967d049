/** Hours that a display's own time to go may mean. */
export interface TimeToGo {
  readonly lowH: number;
  readonly highH: number;
}

const UNIT_H = { d: 24, h: 1, m: 1 / 60 } as const;

/**
 * A display's time to go: "1 d" is 24 to 36 h on one that rounds (below a day it would show hours) and 24 to 48 h on
 * one that cuts off; "2 d" 36 to 60 or 48 to 72. The smallest unit shown is the step. Null when it cannot be read.
 */
export function readTimeToGo(text: string, cuts: boolean): TimeToGo | null {
  const clock = /^\s*(\d{1,4}):(\d{2})(?::\d{2})?\s*(?:h)?\s*$/.exec(text);
  const parts = clock
    ? [['h', Number(clock[1])] as const, ['m', Number(clock[2])] as const]
    : [...text.matchAll(/(\d+(?:[.,]\d+)?)\s*(d|days?|h|hrs?|hours?|m|min|mins|minutes?)(?![a-z])/gi)].map(
        ([, value = '', unit = '']) =>
          [unit[0]?.toLowerCase() as keyof typeof UNIT_H, Number(value.replace(',', '.'))] as const,
      );
  const rest = clock
    ? ''
    : text
        .replace(/(\d+(?:[.,]\d+)?)\s*(d|days?|h|hrs?|hours?|m|min|mins|minutes?)(?![a-z])/gi, '')
        .replace(/[\s,~≈]+/g, '');
  if (parts.length === 0 || rest !== '') return null;
  const hours = parts.reduce((sum, [unit, value]) => sum + value * UNIT_H[unit], 0);
  const [smallest, last] = parts.at(-1) as readonly [keyof typeof UNIT_H, number];
  const decimals = `${last}`.split('.')[1]?.length ?? 0;
  const step = UNIT_H[smallest] * 10 ** -decimals;
  if (cuts) return { lowH: hours, highH: hours + step };
  // Below a whole day it would have shown hours.
  const least = parts.length === 1 && smallest === 'd' && last === 1 ? 24 : hours - step / 2;
  return { lowH: Math.max(0, least), highH: hours + step / 2 };
}
