import type { Default } from './defaults.ts';
import { ORIGIN } from './origins.ts';

const sourced = (value: number, origin: Default['origin']): Default => ({ value, origin });

/** What a figure on a plate or in a line means when it is not what the appliance takes in. */
export const NAMEPLATE = {
  /** Microwave cooking power ÷ input. */
  cookingPerInput: sourced(0.68, ORIGIN.practiceRecalled),
  /** Heat moved ÷ electricity, where only the cooling of a machine is known. */
  coolingPerInput: sourced(2.8, ORIGIN.memory),
  /** Shaft power ÷ input of a small motor at its rating. */
  shaftPerInput: sourced(0.7, ORIGIN.memory),
  /** Mean input ÷ rated output of an amplifier: music played loud holds about an eighth of it, at half efficiency. */
  inputPerSound: sourced(0.25, ORIGIN.memory),
  /** Watts of an LED lamp ÷ those of the filament bulb that it is as bright as. */
  ledPerBulb: sourced(1 / 7, ORIGIN.memory),
  /** Below this share of volts × amps, watts of a mains device are a slip, not a power factor. */
  leastPowerFactor: sourced(0.4, ORIGIN.memory),
  /** W from which something without volts and unknown to the catalogue is fed by mains rather than 12 V. */
  mainsFromW: sourced(250, ORIGIN.practice),
  /** Lowest and highest volts of a device for a nominal voltage, as a share of it: from nearly empty to charging. */
  nominalLow: sourced(0.875, ORIGIN.practiceRecalled),
  nominalHigh: sourced(1.25, ORIGIN.practiceRecalled),
} as const;

/** Volts from here up are mains, V. */
export const MAINS_FROM_V = 90;

/** Nominal voltages of vehicles' batteries, V: a device "for 12 V" bears what such a bus has. */
const NOMINAL = [12, 24, 36, 48];

/** Volts of a 12 V bus while it is charged, at which its devices are rated: 13.8 V, 14.4 V. Common practice. */
const CHARGED = [12.5, 14.8] as const;
const nominalOf = (volts: number): number =>
  NOMINAL.find((one) => volts > (CHARGED[0] * one) / 12 && volts <= (CHARGED[1] * one) / 12) ?? volts;

/** The window of a device from the volts on it: a nominal voltage is widened to what its bus has, others stand. */
export function windowOf(low: number, high: number): { readonly minV: number; readonly maxV: number } {
  // One figure is of its bus; the two of a span are the device's own.
  const [from, to] = low === high ? [nominalOf(low), nominalOf(high)] : [low, high];
  return {
    minV: NOMINAL.includes(from) ? from * NAMEPLATE.nominalLow.value : from,
    maxV: NOMINAL.includes(to) ? to * NAMEPLATE.nominalHigh.value : to,
  };
}

/** Highest and lowest volts of a nominal bus that a device must bear to hang on it, as a share. Common practice. */
const BUS_LOW = 11 / 12;
const BUS_HIGH = 14.6 / 12;

/** Whether a device made for these volts runs straight from the bus: what it is made for lies within what the bus has. */
export const fitsBus = (low: number, high: number, busV: number): boolean =>
  low <= busV * BUS_HIGH && high >= busV * BUS_LOW;
