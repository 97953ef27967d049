/** What the line's volts and amps meet: the battery bus and the mains of the region, V. */
export interface Bus {
  readonly busV: number;
  readonly mainsV: number;
}
export const USUAL_BUS: Bus = { busV: 12, mainsV: 230 };
