/** Starting power ÷ running power by kind of load. Common practice, figures from memory. */
export const START_RATIO = {
  resistive: 1,
  electronics: 1.5,
  tool: 2.5,
  microwave: 1.5,
  pump: 2.5,
  motor: 5,
  rooftop: 4,
  variable: 1.2,
} as const;

export type StartKind = keyof typeof START_RATIO;
