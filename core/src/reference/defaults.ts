import type { Origin } from '../quantity/figure.ts';
import { ORIGIN } from './origins.ts';

export interface Default {
  readonly value: number;
  readonly origin: Origin;
}

const sourced = (value: number, origin: Origin): Default => ({ value, origin });

/** Values used where the job says nothing, each with where it comes from. */
export const DEFAULT = {
  /** Mains adapter, AC in to DC out. */
  adapterEfficiency: sourced(0.85, ORIGIN.practice),
  /** Small DC-DC converter on the bus. */
  converterEfficiency: sourced(0.9, ORIGIN.practice),
  /** DC-DC converter from the bus up to 48 V or more. */
  stepUpEfficiency: sourced(0.86, ORIGIN.memory),
  /** Best efficiency of an inverter, and the share of its rating where it occurs. */
  inverterPeakEfficiency: sourced(0.92, ORIGIN.memory),
  inverterPeakAt: sourced(0.35, ORIGIN.practice),
  /** Idle draw as a share of the inverter's rating. */
  inverterIdleShare: sourced(0.01, ORIGIN.memory),
  /** What an inverter draws while it searches for a load, share of its idle. */
  searchIdleShare: sourced(0.15, ORIGIN.memory),
  /** Standby of a shared DC-DC converter, share of its rating. */
  converterIdleShare: sourced(0.005, ORIGIN.memory),
  /** What a DC-DC converter gives for the moment of a start, × its rating. */
  converterStartFactor: sourced(1.25, ORIGIN.memory),
  /** A portable station's output: what it gives of what its store held, and its standby, share of its rating. */
  portEfficiency: sourced(0.85, ORIGIN.practice),
  portIdleShare: sourced(0.01, ORIGIN.memory),
  /** W of a port of which neither amps nor watts are known. */
  portRatingW: sourced(100, ORIGIN.memory),
  /** What an inverter holds while something starts, as a multiple of its rating, and for how many seconds. */
  inverterSurgeFactor: sourced(2, ORIGIN.memory),
  inverterSurgeSeconds: sourced(1, ORIGIN.memory),
  /** What an inverter carries for up to a minute before its overload protection acts, as a multiple of its rating. */
  inverterOverloadFactor: sourced(1.25, ORIGIN.memory),
  /** Share of an inverter's rating lost for each K above 25 °C, and for each above 40 °C. */
  inverterHeatPerK: sourced(0.01, ORIGIN.practiceRecalled),
  inverterHeatPerKAbove40: sourced(0.02, ORIGIN.practiceRecalled),
  /** A soft starter: start ÷ run, and the seconds over which it draws the start out. */
  softStartRatio: sourced(1.8, ORIGIN.practiceRecalled),
  softStartSeconds: sourced(2, ORIGIN.memory),
  /** Share of a limited supply that is used. */
  supplyShare: sourced(0.9, ORIGIN.practice),
  /** What a miniature breaker lets through for the moment of a start, × its rating: type B holds 3 ×. */
  breakerStartFactor: sourced(3, ORIGIN.iec60898),
  /** Share of a generator's rating lost for each metre above the sea: 3.5 % per 300 m. */
  altitudeLossPerM: sourced(0.035 / 300, ORIGIN.practiceRecalled),
  /** A mains charger: DC out ÷ AC in, W ÷ VA, and the V of a 12 V battery while it charges. */
  chargerEfficiency: sourced(0.9, ORIGIN.memory),
  chargerPowerFactor: sourced(0.98, ORIGIN.memory),
  chargeVoltage12V: sourced(14.2, ORIGIN.memory),
  /** W per VA of an inverter's rating where no data sheet says otherwise; both are its limits. */
  inverterWattsPerVa: sourced(1, ORIGIN.practice),
  /** A small petrol generator: l an hour idling, and l for each kWh beside that. */
  generatorIdleLPerH: sourced(0.35, ORIGIN.memory),
  generatorLPerKwh: sourced(0.35, ORIGIN.memory),
  dcdcEfficiency: sourced(0.9, ORIGIN.memory),
  /** V at the terminals of a 12 V alternator under load. */
  alternatorVoltage12V: sourced(13.5, ORIGIN.memory),
  /** V of a 12 V vehicle below which a DC-DC charger gives nothing. */
  dcdcLeastInput12V: sourced(11.5, ORIGIN.memory),
  /** K by which the lowest night on record is colder than a usual one. */
  recordBelowUsualK: sourced(10, ORIGIN.memory),
  alternatorHotFactor: sourced(0.8, ORIGIN.practiceRecalled),
  /** A that the vehicle itself needs while driving. */
  alternatorOwnLoadA: sourced(35, ORIGIN.practice),
  /** Largest share of the alternator's rating that a charger should draw. */
  alternatorShare: sourced(0.5, ORIGIN.practice),
  /** m of cable from the vehicle's own battery to a relay, one way. */
  alternatorCableM: sourced(5, ORIGIN.memory),
  /** Share of the light that the ground gives back. */
  groundAlbedo: sourced(0.2, ORIGIN.practice),
  /** W that a bank loses in a box for each K and each 100 Ah at 12 V. */
  boxLossPer100Ah: sourced(1, ORIGIN.memory),
  /** m of cable from the bank to what it feeds, one way. */
  leadM: sourced(1.5, ORIGIN.practice),
  /** m of cable one way: busbars to fuses, to a device beside them, to a controller, to a charger; out to appliances. */
  nearbyRunM: sourced(1, ORIGIN.practice),
  controllerRunM: sourced(2, ORIGIN.memory),
  circuitM: sourced(4, ORIGIN.memory),
  outputRunM: sourced(2, ORIGIN.memory),
  panelRunM: sourced(6, ORIGIN.memory),
  /** mΩ of a crimp, stud or connector, and of the way back through a chassis. */
  jointMohm: sourced(0.1, ORIGIN.memory),
  chassisMohm: sourced(3, ORIGIN.memory),
  /** V at its terminals below which an inverter or converter on a 12 V bus shuts off. */
  cutOff12V: sourced(10.5, ORIGIN.practice),
  /** V at its terminals that a compressor or a pump on 12 V needs at least: its own cut-off, or where its motor no longer turns. */
  motorLeast12V: sourced(10.4, ORIGIN.memory),
  /** What panels give at most above their best point, ×: short-circuited in the strongest light. */
  panelCurrentFactor: sourced(1.25, ORIGIN.practice),
  /** V by which a resting 12 V battery may lie off the table. */
  restDoubt12V: sourced(0.01, ORIGIN.memory),
  fridgeReferenceAmbientC: sourced(25, ORIGIN.practice),
  /** °C that a lived-in vehicle does not fall below; a fridge stands inside. */
  livedInC: sourced(18, ORIGIN.practice),
  panelTemperatureCoefficient: sourced(-0.004, ORIGIN.memory),
  panelNoctC: sourced(45, ORIGIN.memory),
  /** Share of a panel's open voltage and of its short-circuit current gained for each K of cell. */
  panelVocPerK: sourced(-0.0029, ORIGIN.memory),
  panelIscPerK: sourced(0.0005, ORIGIN.memory),
  /** V at the best point of a panel made for a 12 V battery: 36 cells. */
  panelVmp12V: sourced(18, ORIGIN.practice),
  /** K that panels close to a roof run hotter than freely standing ones. */
  panelRoofExtraK: sourced(7, ORIGIN.practice),
  soiling: sourced(0.97, ORIGIN.practice),
  arrayWiring: sourced(0.98, ORIGIN.practice),
  mismatch: sourced(0.98, ORIGIN.practice),
  mpptEfficiency: sourced(0.97, ORIGIN.practice),
  /** kg per m² of rigid panel and W per m² of panel. */
  panelKgPerM2: sourced(11.5, ORIGIN.practice),
  panelWPerM2: sourced(200, ORIGIN.memory),
  /** kg of inverter per kW of rating. */
  inverterKgPerKw: sourced(2.5, ORIGIN.memory),
} as const;
