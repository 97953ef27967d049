import type { Part, PartKind, PartOf } from '../job/partFields.ts';
import type { BatteryString, Charger, DrivingLink, Inverter, PanelGroup, SolarController } from '../job/schema.ts';
import { type Currents, exceeding, unitLimits } from '../reference/currents.ts';

/** A part as it stands in a job: all that is said of it is copied, what stands around it stays. */

export const stringOf = (
  { name, capacityAh, unitV, chargeA, dischargeA, shortA, shortS, resistanceMohm, kg, price }: PartOf<'battery'>,
  string: BatteryString,
): BatteryString => ({
  ...string,
  name,
  capacityAh,
  unitV,
  chargeA,
  dischargeA,
  shortA,
  shortS,
  resistanceMohm,
  kg,
  price,
  // What was measured of the one before is not true of this one.
  health: null,
});

export const groupOf = ({ kind: _kind, ...panel }: PartOf<'panel'>, group: PanelGroup): PanelGroup => ({
  ...group,
  ...panel,
  lengthM: null,
  powerPerK: null,
  vocPerK: null,
  iscPerK: null,
});

export const controllerOf = ({ kind: _kind, name: _name, type, ...part }: PartOf<'controller'>): SolarController => ({
  kind: type,
  ...part,
});

export const linkOf = (part: PartOf<'dc-dc'>, link: DrivingLink): DrivingLink => ({ ...link, ...part });

export const chargerOf = ({ kind: _kind, ...part }: PartOf<'charger'>, charger: Charger): Charger => ({
  ...charger,
  ...part,
});

export const inverterOf = ({ kind: _kind, ...part }: PartOf<'inverter'>): Partial<Inverter> => ({
  ...part,
  points: [],
});

/** Parts of a kind, by size. */
export const partsOf = <K extends PartKind>(parts: readonly Part[], kind: K): PartOf<K>[] =>
  parts.filter((part) => part.kind === kind) as unknown as PartOf<K>[];

/** Units side by side that are still looked after; more of them are a larger unit. Common practice. */
const MOST_PARALLEL = 4;
const MOST_PANELS = 8;

/** What a bank must hold, and give. */
export interface BankAsks {
  readonly requiredWh: number;
  readonly currents: Currents;
}

/** Units of the list that make a bank. */
export interface Bank {
  readonly part: PartOf<'battery'>;
  readonly series: number;
  readonly parallel: number;
}

/**
 * Units that make a bank of at least so much, with the least over; of equal ones the fewest units.
 * @param asks Wh that it holds, and what is asked of it in A at the bus
 */
export function smallestBank(
  parts: readonly Part[],
  chemistry: PartOf<'battery'>['chemistry'],
  busV: number,
  { requiredWh, currents }: BankAsks,
): Bank | null {
  const banks = partsOf(parts, 'battery')
    .filter((part) => part.chemistry === chemistry)
    .flatMap((part): Bank[] => {
      const series = inRow(part, busV);
      const asked = Math.max(
        requiredWh / (part.capacityAh * part.unitV * series),
        ...exceeding(currents, unitLimits(part, chemistry)).map(({ times }) => times),
      );
      const parallel = Math.max(1, Math.ceil(asked - 1e-9));
      // 12.0 and 12.8 V are both called 12 V.
      const fits = Math.abs((series * part.unitV) / busV - 1) < 0.1;
      return fits && parallel <= MOST_PARALLEL ? [{ part, series, parallel }] : [];
    });
  const holds = ({ part, series, parallel }: Bank) => part.capacityAh * part.unitV * series * parallel;
  const units = ({ series, parallel }: Bank) => series * parallel;
  return banks.sort((a, b) => holds(a) - holds(b) || units(a) - units(b))[0] ?? null;
}

/** Units in a row that come to a bus. */
const inRow = ({ unitV }: PartOf<'battery'>, busV: number): number => Math.max(1, Math.round(busV / unitV));

/** What the list has for a bank of so much: of units of its voltage, and of units in a row, which are to be kept alike. */
export function banksOfList(
  parts: readonly Part[],
  chemistry: PartOf<'battery'>['chemistry'],
  busV: number,
  asks: BankAsks,
): { readonly native: Bank | null; readonly inRow: Bank | null } {
  const [native, rows] = [true, false].map((isNative) => {
    const some = partsOf(parts, 'battery').filter((part) => (inRow(part, busV) === 1) === isNative);
    return smallestBank(some, chemistry, busV, asks);
  });
  return { native: native ?? null, inRow: rows ?? null };
}

/**
 * Like panels that come to at least so many W, with the least over; of equal ones the fewest.
 * @param suits whether so many in a row, and so many rows, go with their controller: of each part the shortest row that does
 */
export function smallestPanels(
  parts: readonly Part[],
  requiredW: number,
  suits: (part: PartOf<'panel'>, series: number, parallel: number) => boolean,
): { readonly part: PartOf<'panel'>; readonly series: number; readonly parallel: number } | null {
  const sets = partsOf(parts, 'panel').flatMap((part) => {
    const count = Math.max(1, Math.ceil(requiredW / part.ratingW - 1e-9));
    const rows = Array.from({ length: MOST_PANELS }, (_, i) => ({
      part,
      series: i + 1,
      parallel: Math.ceil(count / (i + 1)),
    }));
    const found = rows.find(
      ({ series, parallel }) => series * parallel <= MOST_PANELS && suits(part, series, parallel),
    );
    return found ? [found] : [];
  });
  const panels = ({ series, parallel }: (typeof sets)[number]) => series * parallel;
  const watts = (set: (typeof sets)[number]) => set.part.ratingW * panels(set);
  return sets.sort((a, b) => watts(a) - watts(b) || panels(a) - panels(b))[0] ?? null;
}

/** The smallest of a kind that fits, by its size. */
const smallest = <P>(parts: readonly P[], size: (part: P) => number, fits: (part: P) => boolean): P | null =>
  [...parts].sort((a, b) => size(a) - size(b)).find(fits) ?? null;

/** What panels bring to their controller; null = not known. */
export interface Brought {
  readonly watts: number;
  /** A at the store, by laboratory watts; A short-circuited. */
  readonly amps: number;
  readonly shortA: number | null;
  /** V open on the coldest night; V of the best point when hot. */
  readonly coldV: number | null;
  readonly hotV: number | null;
}

/** The smallest controller that seeks the best point and bears what the panels bring. */
export function smallestController(
  parts: readonly Part[],
  { watts, amps, shortA, coldV, hotV }: Brought,
): PartOf<'controller'> | null {
  const bears = (limit: number | null, value: number | null) =>
    limit === null || value === null || limit >= value - 1e-9;
  return smallest(
    partsOf(parts, 'controller').filter(({ type }) => type === 'mppt'),
    ({ maxA }) => maxA,
    ({ maxA, maxW, maxInputA, maxV, minV }) =>
      maxA >= amps - 1e-9 &&
      bears(maxW, watts) &&
      bears(maxInputA, shortA) &&
      // Volts that are not said may be too few, and too many volts end a controller.
      (coldV === null || (maxV !== null && maxV >= coldV)) &&
      bears(hotV, minV),
  );
}

/** The smallest charger that covers the need, or the largest that what feeds it allows. */
export function smallestLink(parts: readonly Part[], neededA: number, limitA: number): PartOf<'dc-dc'> | null {
  const allowed = partsOf(parts, 'dc-dc').filter(({ ratingA }) => ratingA <= limitA + 1e-9);
  const largest = [...allowed].sort((a, b) => b.ratingA - a.ratingA)[0] ?? null;
  return (
    smallest(
      allowed,
      ({ ratingA }) => ratingA,
      ({ ratingA }) => ratingA >= neededA - 1e-9,
    ) ?? largest
  );
}

/** The smallest mains charger that gives so many amps, or the largest there is. */
export function smallestCharger(parts: readonly Part[], neededA: number): PartOf<'charger'> | null {
  const all = [...partsOf(parts, 'charger')].sort((a, b) => a.ratingA - b.ratingA);
  return all.find(({ ratingA }) => ratingA >= neededA - 1e-9) ?? all.at(-1) ?? null;
}

export const smallestInverter = (parts: readonly Part[], requiredW: number): PartOf<'inverter'> | null =>
  smallest(
    partsOf(parts, 'inverter'),
    ({ ratingW }) => ratingW,
    ({ ratingW }) => ratingW >= requiredW - 1e-9,
  );
