import { loadFaults } from '../job/consistency.ts';
import type { Draw, Load } from '../job/schema.ts';

/**
 * Whether a proposed load would be taken by the schema, so that nothing is proposed that cannot be saved: the ranges
 * that a line or a label can break, as job/loadSchema.ts has them (a property test holds the two together).
 * @returns the watts, the temperature or the like that are out of range, in words; null when all is well
 */
export function unfit(load: Load): string | null {
  const { name, quantity, uses, daysPerWeek, minV, maxV, startRatio, powerFactor } = load;
  const between = (value: number | null, least: number, most: number) =>
    value === null || (value >= least && value <= most);
  if (name.length < 1 || name.length > 120 || /[\p{Cc}\p{Cs}]/u.test(name)) return 'the name';
  if (!Number.isInteger(quantity) || !between(quantity, 1, 99)) return `${quantity} pieces`;
  const power = drawFault(load.draw);
  if (power) return power;
  if (
    uses.length > 96 ||
    uses.some(({ startMin, minutes }) => !(startMin >= 0 && startMin <= 1439.999 && minutes > 0 && minutes <= 1440))
  )
    return 'the times';
  if (!between(daysPerWeek, 0.1, 7)) return `${daysPerWeek} days a week`;
  if (!between(minV, 1, 500) || !between(maxV, 1, 500)) return 'the volts';
  if (!between(startRatio, 1, 12)) return 'the start';
  if (!between(powerFactor, 0.1, 1)) return 'the power factor';
  const [fault] = loadFaults(load, '');
  return fault ? fault.expected : null;
}

/** °C that what holds a temperature may be set to. */
const COLDEST_C = -40;
const WARMEST_C = 20;

function drawFault(draw: Draw): string | null {
  const watts = (value: number, least = 0, most = 20_000) =>
    value >= least && value <= most ? null : `${Number(value.toPrecision(4))} W, beyond ${least} to ${most} W`;
  switch (draw.kind) {
    case 'steady':
    case 'standby':
    case 'water-heating':
      return watts(draw.powerW);
    case 'thermostatic':
      return (
        watts(draw.runningW) ??
        (draw.setC >= COLDEST_C && draw.setC <= WARMEST_C
          ? null
          : `${Number(draw.setC.toPrecision(3))} °C, beyond ${COLDEST_C} to ${WARMEST_C} °C`)
      );
    case 'room':
      return watts(draw.capacityW, 50, 30_000);
    case 'cycle':
      return (
        draw.phases.map(({ powerW }) => watts(powerW)).find((fault) => fault !== null) ??
        (draw.phases.every(({ minutes }) => minutes === null || (minutes >= 0.01 && minutes <= 1440))
          ? null
          : 'the length of its phases')
      );
  }
}
