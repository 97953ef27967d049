import { blankArray } from '../job/blank.ts';
import type { SolarArray, System } from '../job/schema.ts';
import { arrayRatingW } from '../panels/panels.ts';
import type { Leads } from '../paths/cables.ts';
import { remembering } from '../quantity/remember.ts';
import { type Charged, chargingVoltageV } from '../reference/chemistries.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { type ArrayChain, type ArrayDay, type ArrayYield, arrayDay, arrayYield, mpptEfficiency } from './array.ts';
import type { Source } from './source.ts';

/** An array of which 1 W yields less than this a day, Wh, helps nobody. */
const LEAST_YIELD_WH = 1e-3;

/** An array with its controller, and what became of its laboratory watts. */
export interface ArraySource extends Source {
  readonly chain: ArrayChain;
}

/** The panels: what the day asks of them and what is fitted. */
export interface SolarSize {
  /** What 1 W of panel gives flat and unshaded. */
  readonly flat: ArrayDay;
  /** Wh a day that is left for the sun to cover. */
  readonly toCoverWh: number;
  /** W on top, since a store takes less as it fills. */
  readonly moreW: number;
  /** Whether there is sun enough in that month for any array to help. */
  readonly sunRises: boolean;
  readonly requiredW: number;
  readonly ratingW: number;
  /** Whether the rating is chosen, or as the day asks. */
  readonly isChosen: boolean;
  readonly arrays: readonly SolarArray[];
  /** One for each array, before any shares its output with what charges while driving. */
  readonly sources: readonly ArraySource[];
}

/** The sky over the arrays, and what they work on. */
export interface Sky {
  /** In each minute on a plane that lies so; `follows` is aimed at the sun all day. */
  readonly onPlane: (plane: Pick<SolarArray, 'slopeDeg' | 'azimuthDeg' | 'follows'>) => Float64Array;
  readonly ambientC: Float64Array;
  /** One flat factor on laboratory watts; null = computed. */
  readonly flatFactor: number | null;
}

const rememberedFlat = remembering<Float64Array, ArrayDay>();

/** @param toCoverWh Wh a day; `leads` of the arrays where they are laid; `moreW` on top of what covers it */
export function sizeSolar(
  system: System,
  sky: Sky,
  toCoverWh: number,
  leads: Pick<Leads, 'ofArray'> | null,
  moreW = 0,
): SolarSize {
  const { arrays } = system;
  const { ambientC, flatFactor } = sky;
  const light = sky.onPlane({ slopeDeg: 0, azimuthDeg: null, follows: false });
  const flat = rememberedFlat(light, [ambientC, flatFactor], () => arrayDay(light, ambientC, flatFactor));
  const sunRises = flat.whPerRatedW >= LEAST_YIELD_WH;
  const requiredW = sunRises ? toCoverWh / flat.whPerRatedW + moreW : 0;
  const isChosen = arrays !== null;
  const suggestedW = Math.ceil(requiredW / ARRAY_STEP_W - 1e-9) * ARRAY_STEP_W;
  const fitted = arrays ?? [blankArray('array', 'Solar array', suggestedW)];
  const sources = fitted.map((array) => arraySource(array, sky, system, leads));
  return {
    flat,
    toCoverWh,
    moreW,
    sunRises,
    requiredW,
    ratingW: fitted.reduce((sum, array) => sum + arrayRatingW(array), 0),
    isChosen,
    arrays: fitted,
    sources,
  };
}

/** W that the controller of an array gives at most; null = no limit is known. */
export function controllerLimitW({ controller: { maxA, maxW } }: SolarArray, chargingV: number): number | null {
  const limits = [...(maxA === null ? [] : [maxA * chargingV]), ...(maxW === null ? [] : [maxW])];
  return limits.length > 0 ? Math.min(...limits) : null;
}

/** Yields kept of one array: twelve months under a bright, a dull and a mean sky. */
const KEPT_SKIES = 12 * 3;

const remembered = remembering<SolarArray, ArrayYield>(KEPT_SKIES);

/** An array under a sky, with what its controller lets through. */
export function arraySource(
  array: SolarArray,
  { onPlane, ambientC, flatFactor }: Sky,
  system: Charged,
  leads: Pick<Leads, 'ofArray'> | null,
): ArraySource {
  const { kind } = array.controller;
  const chargingV = chargingVoltageV(system);
  const around = { irradianceWm2: onPlane(array), ambientC, flatFactor, chargingV, busV: system.busVoltageV };
  const lead = leads?.ofArray.get(array.id) ?? null;
  const from = [...Object.values(around), lead?.panelsOhm, lead?.panelsV, lead?.controllerOhm];
  const { watts, chain } = remembered(array, from, () => arrayYield(array, around, lead));
  return {
    id: array.id,
    name: array.name,
    kind: 'sun',
    priority: 0,
    limitW: controllerLimitW(array, chargingV),
    // One that joins the panels straight to the store converts nothing.
    efficiency: kind === 'mppt' ? mpptEfficiency(array.controller) : 1,
    watts,
    clippedWh: chain.clippedWh,
    chain,
  };
}
