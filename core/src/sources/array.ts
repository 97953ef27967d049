import type { PanelGroup, SolarArray } from '../job/schema.ts';
import { ampsTogether } from '../panels/operating.ts';
import { arrayRatingW, groupsAt, panelsOf, unlikeOf } from '../panels/panels.ts';
import type { ArrayLead } from '../paths/cables.ts';
import { lostIn } from '../paths/lead.ts';
import { eachMinute } from '../quantity/minutes.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';

export interface ArrayDay {
  /** W that reach the store's terminals per W of laboratory rating, in each minute. */
  readonly perRatedW: Float64Array;
  /** Wh a day per W of rating. */
  readonly whPerRatedW: number;
  /** Share of the laboratory figure kept because of heat, energy-weighted; 1 with a flat factor. */
  readonly heatFactor: number;
  /** Share kept of everything else: dirt, wiring, mismatch, controller; or the flat factor. */
  readonly otherFactor: number;
}

/** What panels are and how they stand, as far as it changes what a W of them gives. */
interface Standing {
  readonly noctC: number;
  readonly powerPerK: number;
  /** K by which they run hotter in 800 W/m² than with air behind them. */
  readonly extraK: number;
  /** Share of the light that dirt leaves. */
  readonly clean: number;
}

/** Usual panels close to the roof. */
export const USUAL_STANDING: Standing = {
  noctC: DEFAULT.panelNoctC.value,
  powerPerK: DEFAULT.panelTemperatureCoefficient.value,
  extraK: DEFAULT.panelRoofExtraK.value,
  clean: DEFAULT.soiling.value,
};

/** How an array stands: its groups' figures weighted by their watts. */
export function standingOf({ panels, mount, clean }: SolarArray): Standing {
  const weighted = (of: (group: PanelGroup) => number, usual: number): number => {
    const total = panels.reduce((sum, group) => sum + panelsOf(group).ratingW, 0);
    return total > 0 ? panels.reduce((sum, group) => sum + of(group) * panelsOf(group).ratingW, 0) / total : usual;
  };
  return {
    noctC: weighted((group) => panelsOf(group).noctC, USUAL_STANDING.noctC),
    powerPerK: weighted((group) => panelsOf(group).powerPerK, USUAL_STANDING.powerPerK),
    extraK: mount === 'roof' ? USUAL_STANDING.extraK : 0,
    clean: clean ?? USUAL_STANDING.clean,
  };
}

/** °C of cells: T_a + (NOCT − 20)/800·G, and hotter by as much again as the air behind them is held up. */
export const cellTemperatureC = ({ noctC, extraK }: Standing, ambientC: number, irradianceWm2: number): number =>
  ambientC + ((noctC - 20) / 800) * irradianceWm2 + extraK * Math.min(1, irradianceWm2 / 800);

/**
 * Yield of panels per W of rating, by the light on their plane: P = P_stc·G/1000·(1 + γ(T_c − 25)), then dirt, wiring,
 * mismatch and controller. With `flatFactor` the product of all of these is that one figure.
 * @param irradianceWm2 on the plane of the panels, in each minute
 */
export function arrayDay(
  irradianceWm2: Float64Array,
  ambientC: Float64Array,
  flatFactor: number | null,
  standing: Standing = USUAL_STANDING,
): ArrayDay {
  const otherFactor =
    flatFactor ?? standing.clean * DEFAULT.arrayWiring.value * DEFAULT.mismatch.value * DEFAULT.mpptEfficiency.value;
  const perRatedW = new Float64Array(MINUTES_PER_DAY);
  let hot = 0;
  let cool = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const g = irradianceWm2[m] as number;
    if (g === 0) continue;
    const cellC = cellTemperatureC(standing, ambientC[m] as number, g);
    const heat = flatFactor === null ? 1 + standing.powerPerK * (cellC - 25) : 1;
    perRatedW[m] = (g / 1000) * heat * otherFactor;
    hot += g * heat;
    cool += g;
  }
  let wattMinutes = 0;
  for (const w of perRatedW) wattMinutes += w;
  return { perRatedW, whPerRatedW: wattMinutes / 60, heatFactor: cool > 0 ? hot / cool : 1, otherFactor };
}

/** What becomes of an array's laboratory watts, Wh a day: its light, less what each cause takes, is what it gives. */
export interface ArrayChain {
  readonly lightWh: number;
  readonly shadeWh: number;
  readonly dirtWh: number;
  /** Below 0 where cold panels give more. */
  readonly heatWh: number;
  /** Between like panels, and of unlike ones on one controller. */
  readonly mismatchWh: number;
  readonly wiringWh: number;
  /** In converting; of one that joins panels straight to the store, what their best point would have given more. */
  readonly controllerWh: number;
  /** Held back at the controller's limit. */
  readonly clippedWh: number;
}

export interface ArrayYield {
  readonly watts: Float64Array;
  readonly chain: ArrayChain;
}

/** Where an array is and what it works on. */
export interface ArraySurroundings {
  /** On the plane of the panels, unshaded, in each minute. */
  readonly irradianceWm2: Float64Array;
  readonly ambientC: Float64Array;
  readonly flatFactor: number | null;
  /** V at which the store is charged, and of its bus. */
  readonly chargingV: number;
  readonly busV: number;
}

/** Share that a controller lets through while it seeks the best point: its own, or the usual. */
export const mpptEfficiency = ({ efficiency }: SolarArray['controller']): number =>
  efficiency ?? DEFAULT.mpptEfficiency.value;

/** Share of the light left by shade in each minute; 0 while it is not set out. */
export function shadeLeft({ shade, shaded, setOut }: Pick<SolarArray, 'shade' | 'shaded' | 'setOut'>): Float64Array {
  const left = new Float64Array(MINUTES_PER_DAY).fill(setOut.length === 0 ? 1 - shade : 0);
  for (const { startMin, minutes } of setOut)
    eachMinute(startMin, minutes, (m, share) => {
      left[m] = Math.min(1 - shade, (left[m] as number) + (1 - shade) * share);
    });
  for (const { startMin, minutes, share: taken } of shaded)
    eachMinute(startMin, minutes, (m, share) => {
      left[m] = (left[m] as number) * (1 - taken * share);
    });
  return left;
}

/** What becomes of an array's watts on their way, W; each is what is left after one cause more. */
interface OnTheWay {
  light: number;
  lit: number;
  clean: number;
  hot: number;
  matched: number;
  wired: number;
  given: number;
  letThrough: number;
  used: number;
}

export const noLight = (): OnTheWay => ({
  light: 0,
  lit: 0,
  clean: 0,
  hot: 0,
  matched: 0,
  wired: 0,
  given: 0,
  letThrough: 0,
  used: 0,
});

/**
 * What an array makes of a moment's light, written into `way`.
 * @param lead its own leads where they are laid: they lose R·(W ÷ V)²; null = the usual share
 */
export function arrayAt(
  array: SolarArray,
  around: Omit<ArraySurroundings, 'irradianceWm2' | 'ambientC'>,
  lead: ArrayLead | null,
): (way: OnTheWay, irradianceWm2: number, left: number, ambientC: number) => void {
  const { flatFactor, chargingV } = around;
  const { panels, wiring, controller } = array;
  const ratingW = arrayRatingW(array);
  const standing = standingOf(array);
  const isFlat = flatFactor !== null;
  const unlike = isFlat ? 1 : (unlikeOf(panels, wiring)?.factor ?? 1);
  const straight = controller.kind === 'pwm' && !isFlat ? straightShare(array, around) : null;
  const most = Math.min(
    controller.maxA === null ? Number.POSITIVE_INFINITY : controller.maxA * chargingV,
    controller.maxW ?? Number.POSITIVE_INFINITY,
  );
  const [wiringFactor, mismatch, mppt] = [
    DEFAULT.arrayWiring.value,
    DEFAULT.mismatch.value,
    mpptEfficiency(controller),
  ];
  return (way, g, left, ambientC) => {
    way.light = (ratingW * g) / 1000;
    way.lit = way.light * left;
    const cellC = cellTemperatureC(standing, ambientC, g);
    way.clean = isFlat ? way.lit : way.lit * standing.clean;
    way.hot = isFlat ? way.clean : way.clean * (1 + standing.powerPerK * (cellC - 25));
    way.matched = isFlat ? way.hot : way.hot * mismatch * unlike;
    way.wired = isFlat
      ? way.matched
      : lead
        ? way.matched - lostIn(way.matched, lead.panelsOhm, lead.panelsV)
        : way.matched * wiringFactor;
    way.given = way.wired * (isFlat ? flatFactor : straight ? straight(g * left, cellC) : mppt);
    way.letThrough = Math.min(way.given, most);
    way.used =
      isFlat || !lead ? way.letThrough : way.letThrough - lostIn(way.letThrough, lead.controllerOhm, chargingV);
  };
}

const rememberedShade = remembering<SolarArray, Float64Array>();

/** W that an array gives at the store in each minute, and what became of the rest. */
export function arrayYield(array: SolarArray, around: ArraySurroundings, lead: ArrayLead | null = null): ArrayYield {
  const { irradianceWm2, ambientC } = around;
  const left = rememberedShade(array, [], () => shadeLeft(array));
  const at = arrayAt(array, around, lead);
  const way = noLight();
  const watts = new Float64Array(MINUTES_PER_DAY);
  // In variables of the loop: a field written in each minute costs as much as the rest of it.
  let light = 0,
    shade = 0,
    dirt = 0,
    heat = 0,
    mismatch = 0,
    wiring = 0,
    controller = 0,
    clipped = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const g = irradianceWm2[m] as number;
    if (g === 0) continue;
    at(way, g, left[m] as number, ambientC[m] as number);
    watts[m] = way.used;
    light += way.light;
    shade += way.light - way.lit;
    dirt += way.lit - way.clean;
    heat += way.clean - way.hot;
    mismatch += way.hot - way.matched;
    wiring += way.matched - way.wired + way.letThrough - way.used;
    controller += way.wired - way.given;
    clipped += way.given - way.letThrough;
  }
  return {
    watts,
    chain: {
      lightWh: light / 60,
      shadeWh: shade / 60,
      dirtWh: dirt / 60,
      heatWh: heat / 60,
      mismatchWh: mismatch / 60,
      wiringWh: wiring / 60,
      controllerWh: controller / 60,
      clippedWh: clipped / 60,
    },
  };
}

/** Light is told apart in steps of this, W/m², and temperature in steps of this, K, where curves are followed. */
const LIGHT_STEP = 25;
const HEAT_STEP_K = 3;

/** Shares already found: a list of groups is never changed in place. */
const knownShares = new WeakMap<readonly PanelGroup[], Map<string, number>>();

/**
 * What panels joined straight to the store give of what their best point would: the current of their curve at the
 * store's voltage. Where no curve is known, the store's volts ÷ those of a panel made for its bus.
 */
function straightShare(
  { panels }: SolarArray,
  { chargingV, busV }: Pick<ArraySurroundings, 'chargingV' | 'busV'>,
): (irradianceWm2: number, cellC: number) => number {
  if (!panels.every((group) => panelsOf(group).fit) || panels.length === 0) {
    const share = Math.min(1, (chargingV * 12) / (DEFAULT.panelVmp12V.value * busV));
    return () => share;
  }
  const known = knownShares.get(panels) ?? new Map<string, number>();
  knownShares.set(panels, known);
  const shareAt = (irradianceWm2: number, cellC: number): number => {
    const groups = groupsAt(panels, irradianceWm2, () => cellC);
    if (!groups) return 0;
    const best = panels.reduce((sum, group) => {
      const { ratingW, powerPerK } = panelsOf(group);
      return sum + ((ratingW * irradianceWm2) / 1000) * (1 + powerPerK * (cellC - 25));
    }, 0);
    const amps = Math.max(0, ampsTogether(groups, chargingV));
    return best > 0 ? Math.min(1, (amps * chargingV) / best) : 0;
  };
  return (irradianceWm2, cellC) => {
    const g = Math.max(LIGHT_STEP, Math.round(irradianceWm2 / LIGHT_STEP) * LIGHT_STEP);
    const t = Math.round(cellC / HEAT_STEP_K) * HEAT_STEP_K;
    const key = `${chargingV} ${g} ${t}`;
    const share = known.get(key) ?? shareAt(g, t);
    known.set(key, share);
    return share;
  };
}
