/** What a source is; sun that finds no room is lost, anything else rather works less. */
export type SourceKind = 'sun' | 'driving' | 'supply';

/** Something that fills the store, whatever it is: all that steps, balances and findings need to know of it. */
export interface Source {
  /** Of the array or charger as the job calls it. */
  readonly id: string;
  readonly kind: SourceKind;
  readonly name: string;
  /** Drawn on in this order, 0 first. */
  readonly priority: number;
  /** W that it offers at the bus in each minute of the day, held to its limit. */
  readonly watts: Float64Array;
  /** W beyond which its controller gives no more; null = none is known. */
  readonly limitW: number | null;
  /** Wh a day that the limit holds back. */
  readonly clippedWh: number;
  /** Share that its controller lets through. */
  readonly efficiency: number;
}

/** What one source gives, W in each minute or longer step of a day; changed in place where it is held back. */
export type Flow = Pick<Source, 'id' | 'kind' | 'watts'>;

/** Wh that a source offers in a day. */
export const offeredWh = ({ watts }: Source): number => wattHours(watts);

/** Wh of a day, W in each minute. */
export function wattHours(watts: Float64Array): number {
  const known = knownWh.get(watts);
  if (known !== undefined) return known;
  let wattMinutes = 0;
  for (let m = 0; m < watts.length; m++) wattMinutes += watts[m] as number;
  knownWh.set(watts, wattMinutes / 60);
  return wattMinutes / 60;
}

/** The most W that it offers in any minute. */
export function peakW({ watts }: Source): number {
  let peak = 0;
  for (let m = 0; m < watts.length; m++) if ((watts[m] as number) > peak) peak = watts[m] as number;
  return peak;
}

/** A day's watts are never changed in place once they are a source's, and asked about again and again. */
const knownWh = new WeakMap<Float64Array, number>();

/** The same source held to less: what it gives less counts as held back. */
export function withWatts<S extends Source>(source: S, watts: Float64Array): S {
  const held = { ...source, watts };
  return { ...held, clippedWh: source.clippedWh + offeredWh(source) - offeredWh(held) };
}

/** Wh a day of all sources of a kind. */
export const yieldOf = (sources: readonly Source[], kind: SourceKind): number =>
  sources.reduce((sum, source) => sum + (source.kind === kind ? offeredWh(source) : 0), 0);

/** W that some sources offer together in each minute. */
export function togetherW(sources: readonly Source[], minutes: number): Float64Array {
  const sum = new Float64Array(minutes);
  for (const { watts } of sources) for (let m = 0; m < minutes; m++) sum[m] = (sum[m] as number) + (watts[m] as number);
  return sum;
}

/** Wh a day lost in controllers on the way in. */
export const controllersLoseWh = (sources: readonly Source[]): number =>
  sources.reduce((sum, source) => sum + offeredWh(source) * (1 / source.efficiency - 1), 0);
