import type { DesignOption, DrivingLink, Job, SolarArray, System } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import type { Coincidence } from '../moment/coincidence.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import type { Slice } from '../moment/slices.ts';
import { arrayRatingW } from '../panels/panels.ts';
import type { Feed } from '../paths/feed.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { alternatorVoltage } from '../sources/alternator.ts';
import type { Source } from '../sources/source.ts';

/** What the runs of an option are laid for: its loads, what converts, what charges, what it all hangs on. */
export interface Fitted {
  readonly job: Job;
  readonly option: DesignOption;
  readonly profiles: readonly LoadProfile[];
  readonly slices: readonly Slice[];
  readonly coincidence: Coincidence;
  readonly inverters: readonly SizedInverter[];
  readonly feeds: readonly Feed[];
  readonly sources: readonly SourceLead[];
  /** Null while the store is not sized yet. */
  readonly bank: BankEnd | null;
}

/** The same with its store sized. */
export interface Cabled extends Fitted {
  readonly bank: BankEnd;
}

/** The bank as its cables see it. */
export interface BankEnd {
  readonly ah: number;
  readonly nominalV: number;
  /** Ω inside it. */
  readonly resistanceOhm: number;
  /** State of charge at which its planned depth is used up. */
  readonly reserveSoc: number;
}

/** What charges, as its cables see it: A into the bus at most, and what comes in behind it. */
export interface SourceLead {
  readonly kind: 'array' | 'driving' | 'charger';
  readonly id: string;
  readonly name: string;
  readonly amps: number;
  /** V and A on its far side; null where that is mains. */
  readonly far: { readonly volts: number; readonly amps: number } | null;
  /** W into the bus in each minute of the day, and the share that its controller lets through; null = not reckoned. */
  readonly day: { readonly watts: Float64Array; readonly efficiency: number } | null;
}

/** The charging ends of a system; arrays and links as they are settled where the job leaves them open. */
export function sourceLeads(
  system: System,
  { alternator }: Job['brief'],
  settled: {
    readonly arrays: readonly SolarArray[];
    readonly links: readonly DrivingLink[];
    readonly sources: readonly Source[];
  } | null,
): SourceLead[] {
  const { arrays: givenArrays, driving: givenDriving, chargers } = system;
  const volts = chargingVoltageV(system);
  const arrays = givenArrays ?? settled?.arrays ?? [];
  const links = givenDriving ?? settled?.links ?? [];
  const dayOf = (id: string) => settled?.sources.find((source) => source.id === id) ?? null;
  const alternatorV = alternatorVoltage(alternator);
  return [
    ...arrays.map((array): SourceLead => {
      const { id, name, controller } = array;
      const byPanels = arrayRatingW(array) / volts;
      const byWatts = controller.maxW === null ? Number.POSITIVE_INFINITY : controller.maxW / volts;
      const amps = Math.min(byPanels, byWatts, controller.maxA ?? Number.POSITIVE_INFINITY);
      return { kind: 'array', id, name, amps, far: panelSide(array, system.busVoltageV), day: dayOf(id) };
    }),
    ...links.map(({ id, name, kind, ratingA, efficiency }): SourceLead => {
      const eta = efficiency ?? DEFAULT.dcdcEfficiency.value;
      const inA = kind === 'relay' ? ratingA : (ratingA * volts) / eta / alternatorV;
      return { kind: 'driving', id, name, amps: ratingA, far: { volts: alternatorV, amps: inA }, day: dayOf(id) };
    }),
    ...chargers.map(
      ({ id, name, ratingA }): SourceLead => ({ kind: 'charger', id, name, amps: ratingA, far: null, day: null }),
    ),
  ];
}

/** V and A of an array at its best point, by its data sheets; panels of which none is known as made for a 12 V battery. */
export function panelSide(array: SolarArray, busVoltageV: number): { readonly volts: number; readonly amps: number } {
  const usual = DEFAULT.panelVmp12V.value;
  if (array.panels.length === 0) {
    const volts = (usual * busVoltageV) / 12;
    return { volts, amps: (array.ratingW ?? 0) / volts };
  }
  const groups = array.panels.map(({ ratingW, vmpV, impA, series, parallel }) => {
    const unitV = vmpV ?? (impA === null ? usual : ratingW / impA);
    return { volts: unitV * series, amps: (impA ?? ratingW / unitV) * parallel };
  });
  return array.wiring === 'series'
    ? { volts: groups.reduce((sum, { volts }) => sum + volts, 0), amps: Math.max(...groups.map(({ amps }) => amps)) }
    : { volts: Math.max(...groups.map(({ volts }) => volts)), amps: groups.reduce((sum, { amps }) => sum + amps, 0) };
}
