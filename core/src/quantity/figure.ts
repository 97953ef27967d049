/**
 * A figure is a number that can be opened: it carries the formula it came from, the values put in,
 * and where each of those came from. The interface, the command line and the reports only draw it.
 */

/** P published source; T common practice without a source; M recalled from memory; P·M published,
 * figure recalled; D invented for the demo; job = entered in this job; computed = from other figures. */
export type OriginLabel = 'P' | 'T' | 'M' | 'P·M' | 'D' | 'job' | 'computed';

export interface Origin {
  readonly label: OriginLabel;
  /** In the reader's words: the source's name, or how the value was got. */
  readonly source: string;
}

export interface WorkingInput {
  /** The name that stands in braces in the formula. */
  readonly symbol: string;
  readonly label: string;
  readonly value: number | string;
  readonly unit: string;
  readonly origin: Origin;
  /** Set when the value is itself a figure and can be opened. */
  readonly figure?: FigureId;
}

export interface Working {
  /** Readable formula; `{symbol}` stands for an input of that symbol. */
  readonly formula: string;
  readonly inputs: readonly WorkingInput[];
  /** The question a sceptic would ask, answered. */
  readonly note?: string;
}

export interface Figure {
  readonly value: number;
  readonly unit: string;
  readonly label: string;
  readonly basis: Origin;
  readonly working: Working;
}

export const FIGURE_IDS = [
  'demand.useful',
  'demand.bus',
  'demand.heaviest',
  'demand.battery',
  'demand.low',
  'demand.high',
  'demand.night',
  'loss.conversion',
  'loss.idle',
  'loss.storage',
  'loss.total',
  'loss.controllers',
  'peak.continuous',
  'peak.surge',
  'peak.apparent',
  'peak.bus',
  'peak.current',
  'peak.crate',
  'inverter.required',
  'inverter.rating',
  'inverter.hot',
  'inverter.holds',
  'inverter.current',
  'inverter.idle',
  'store.required',
  'store.capacity',
  'store.usable',
  'store.ah',
  'store.ah12',
  'store.ah24',
  'store.days',
  'store.daysOld',
  'sun.hours',
  'sun.yield',
  'storage.spared',
  'alternator.limit',
  'alternator.yield',
  'array.required',
  'array.rating',
  'dcdc.required',
  'dcdc.rating',
  'balance.net',
  'mass.kit',
  'payload.left',
] as const;

/** What is known of every further inverter, by the id of its device. */
type DeviceFigureKey =
  | 'continuous'
  | 'apparent'
  | 'surge'
  | 'required'
  | 'rating'
  | 'hot'
  | 'holds'
  | 'current'
  | 'idle';
type DeviceFigureId = `device.${DeviceFigureKey}.${string}`;
/** What is known of every supply of the brief, by its id. */
export const SUPPLY_FIGURES = [
  'limit',
  'worst',
  'full',
  'charging',
  'assist',
  'assist-battery',
  'start',
  'worst-start',
] as const;
type SupplyFigureId = `supply.${(typeof SUPPLY_FIGURES)[number]}.${string}`;
export type FigureId = (typeof FIGURE_IDS)[number] | DeviceFigureId | SupplyFigureId;
/** Known only when the brief gives the payload, or when there is such a device or supply. */
type OptionalFigureId = 'payload.left' | DeviceFigureId | SupplyFigureId;
export type Figures = Readonly<Record<Exclude<(typeof FIGURE_IDS)[number], 'payload.left'>, Figure>> &
  Readonly<Partial<Record<OptionalFigureId, Figure>>>;

/** Collects figures while the pipeline runs; refuses a value that is not a number, so that no NaN leaves the core. */
export class FigureBook {
  readonly #figures: Partial<Record<FigureId, Figure>> = {};

  /** Records a figure and hands its plain value back for the next step. */
  set(id: FigureId, figure: Figure): number {
    if (!Number.isFinite(figure.value)) throw new RangeError(`figure ${id} is not a finite number`);
    // No figure is −0: it would be shown with a sign.
    const value = figure.value + 0;
    this.#figures[id] = { ...figure, value };
    return value;
  }

  value(id: FigureId): number {
    return this.#get(id).value;
  }

  /** An input of another figure's working that refers to this figure. */
  input(symbol: string, id: FigureId): WorkingInput {
    const { value, unit, label, basis } = this.#get(id);
    return { symbol, label, value, unit, origin: basis, figure: id };
  }

  all(): Figures {
    for (const id of FIGURE_IDS) if (id !== 'payload.left') this.#get(id);
    return this.#figures as Figures;
  }

  #get(id: FigureId): Figure {
    const found = this.#figures[id];
    if (!found) throw new Error(`figure ${id} has not been computed yet`);
    return found;
  }
}
