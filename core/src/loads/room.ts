import type { Draw } from '../job/schema.ts';
import { atLeast } from '../quantity/units.ts';
import type { DutyLine } from './duty.ts';

type Room = Extract<Draw, { kind: 'room' }>;

/** Heat transfer of a vehicle's walls by how they are built, W/(m²·K). Common practice, figures from memory. */
export const U_VALUE: Readonly<Record<Room['insulation'], number>> = { bare: 4.5, light: 2, good: 1, thick: 0.5 };

/** Share of the sun on unshaded glass that gets in: clear single glazing. Common practice. */
const SOLAR_GAIN = 0.7;

/** Surface of a vehicle body as against a cube of its volume: a third more. Common practice. */
const SURFACE_FACTOR = 1.33;

/** UA of the shell, W/K: U × surface, the surface being 1.33 × 6·V^(2/3). @param volumeM3 m³, above 0 */
export function shellUa(volumeM3: number, insulation: Room['insulation']): number {
  return U_VALUE[insulation] * SURFACE_FACTOR * 6 * atLeast('volume', volumeM3, 0) ** (2 / 3);
}

/**
 * Share of its capacity that holds the room at its temperature: duty = Q/capacity with the steady heat balance
 * Q = UA·(T_out − T_set) + A_g·g·G + internal gains for cooling, and the same with its sign turned for heating
 * (any HVAC handbook). Above 1 the temperature cannot be held; 0 when nothing is to be done.
 * @param outsideC °C outside
 * @param irradianceWm2 sun on the flat, W/m², taken for the glass as well
 */
export function roomDuty(room: Room, outsideC: number, irradianceWm2: number): number {
  const { base, perK, perWm2 } = roomLine(room);
  return Math.max(0, base + perK * outsideC + perWm2 * irradianceWm2);
}

/** The same duty as a line in the weather, not yet held above 0. */
export function roomLine({ volumeM3, insulation, glazingM2, internalW, setC, mode, capacityW }: Room): DutyLine {
  const sign = mode === 'cooling' ? 1 : -1;
  const ua = shellUa(volumeM3, insulation);
  return {
    base: (sign * (internalW - ua * setC)) / capacityW,
    perK: (sign * ua) / capacityW,
    perWm2: (sign * glazingM2 * SOLAR_GAIN) / capacityW,
  };
}
