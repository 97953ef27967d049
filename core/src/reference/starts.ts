/** Starting power ÷ running power by kind of load. Common practice, figures from memory. */
export const START_RATIO = {
  resistive: 1,
  electronics: 1.5,
  tool: 2.5,
  microwave: 1.5,
  pump: 2.5,
  motor: 5,
  // An air conditioner's compressor that is on or off, whatever it cools.
  'fixed-speed': 4,
  // A small motor beside a heater: 250 W that start five times as strongly, of 2,400 W.
  heated: 1.4,
  variable: 1.2,
} as const;

export type StartKind = keyof typeof START_RATIO;

/** Start ÷ run from which a load is a motor or compressor that must turn something from rest. Common practice. */
export const MOTOR_FROM = 2;

/** s that a start usually lasts: inrush of electronics, a motor coming up to speed. From memory. */
export function usualStartSeconds(ratio: number): number {
  if (ratio <= 1) return 0;
  return ratio < MOTOR_FROM ? 0.1 : 0.5;
}
