/**
 * A panel's curve of current against voltage by the one-diode model:
 * I = I_L − I₀·(e^((V + I·R_s)/a) − 1) − (V + I·R_s)/R_sh.
 * Its five parameters follow from the data sheet, and move with light and temperature after De Soto, Klein & Beckman
 * (2006), Solar Energy 80, 78–88.
 */
export interface OneDiode {
  /** I_L, A: made by the light. */
  readonly lightA: number;
  /** I₀, A: saturation of the diode. */
  readonly saturationA: number;
  readonly seriesOhm: number;
  /** 1/R_sh, S. */
  readonly shuntS: number;
  /** a, V: ideality × cells in series × thermal voltage. */
  readonly idealityV: number;
}

/** What a data sheet says at 1,000 W/m² and 25 °C. */
export interface DataSheet {
  readonly vmpV: number;
  readonly impA: number;
  readonly vocV: number;
  readonly iscA: number;
  /** Share of V_oc gained for each K, below 0. */
  readonly vocPerK: number;
  /** Share of I_sc gained for each K. */
  readonly iscPerK: number;
}

const REFERENCE_K = 298.15;
const REFERENCE_WM2 = 1000;
/** Boltzmann constant, eV/K; band gap of silicon at 25 °C, eV, and its share lost for each K (De Soto 2006). */
const BOLTZMANN_EV = 8.617333e-5;
const GAP_EV = 1.121;
const GAP_PER_K = -0.0002677;
/** Between these shares of V_oc lies the ideality of any silicon panel: 0.7 to 2 × the thermal voltage of its cells. */
const IDEALITY = { from: 0.025, to: 0.085, steps: 48 } as const;
/** K over which the open voltage is compared with its coefficient. */
const WARMER_K = 10;

/**
 * Fits the model through short circuit, best point (with no slope of power there) and open circuit, its ideality so
 * that the open voltage falls by its coefficient.
 * @returns null where no such curve exists: the figures are not those of one panel
 */
export function fitOneDiode(sheet: DataSheet): OneDiode | null {
  // The best point lies inside the ends.
  if (sheet.vmpV >= sheet.vocV || sheet.impA >= sheet.iscA) return null;
  const offBy = (fit: OneDiode): number => {
    const warm = openVoltage(movedTo(fit, sheet, REFERENCE_WM2, 25 + WARMER_K));
    return warm / sheet.vocV - 1 - sheet.vocPerK * WARMER_K;
  };
  let best: { fit: OneDiode; off: number } | null = null;
  let before: { idealityV: number; off: number } | null = null;
  for (let i = 0; i <= IDEALITY.steps; i++) {
    const idealityV = sheet.vocV * (IDEALITY.from + ((IDEALITY.to - IDEALITY.from) * i) / IDEALITY.steps);
    const fit = fitWithIdeality(sheet, idealityV);
    if (!fit) {
      before = null;
      continue;
    }
    const off = offBy(fit);
    if (!best || Math.abs(off) < Math.abs(best.off)) best = { fit, off };
    if (before && before.off * off < 0) return between(sheet, offBy, before.idealityV, idealityV) ?? best.fit;
    before = { idealityV, off };
  }
  return best?.fit ?? null;
}

function between(sheet: DataSheet, offBy: (fit: OneDiode) => number, fromV: number, toV: number): OneDiode | null {
  let [low, high] = [fromV, toV];
  const first = fitWithIdeality(sheet, low);
  if (!first) return null;
  const sign = Math.sign(offBy(first));
  let found: OneDiode | null = first;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    const fit = fitWithIdeality(sheet, middle);
    if (!fit) return found;
    found = fit;
    if (Math.sign(offBy(fit)) === sign) low = middle;
    else high = middle;
  }
  return found;
}

/** The other four parameters for an ideality: three are linear once R_s is known, and R_s is found by halving. */
function fitWithIdeality(sheet: DataSheet, idealityV: number): OneDiode | null {
  const { vmpV, impA, vocV } = sheet;
  const most = (vocV - vmpV) / impA;
  /** Slope of the curve at the best point, less what makes its power flat there. */
  const steepness = (fit: OneDiode) => {
    const { seriesOhm, shuntS, saturationA } = fit;
    const slope = (saturationA / idealityV) * Math.exp((vmpV + impA * seriesOhm) / idealityV) + shuntS;
    return slope / (1 + slope * seriesOhm) - impA / vmpV;
  };
  const at = (seriesOhm: number) => withSeries(sheet, idealityV, seriesOhm);
  let [low, high] = [0, most * 0.999];
  const [atLow, atHigh] = [steepness(at(low)), steepness(at(high))];
  if (!(atLow * atHigh < 0)) return null;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (steepness(at(middle)) * atLow > 0) low = middle;
    else high = middle;
  }
  const fit = at((low + high) / 2);
  return fit.shuntS >= 0 && fit.saturationA > 0 && fit.lightA > 0 ? fit : null;
}

function withSeries({ vmpV, impA, vocV, iscA }: DataSheet, idealityV: number, seriesOhm: number): OneDiode {
  // e^(x/a) against e^(V_oc/a), so that nothing overflows.
  const scaled = (x: number) => Math.exp((x - vocV) / idealityV);
  const [short, best] = [iscA * seriesOhm, vmpV + impA * seriesOhm];
  const [a1, b1] = [1 - scaled(short), vocV - short];
  const [a2, b2] = [1 - scaled(best), vocV - best];
  const determinant = a1 * b2 - a2 * b1;
  const saturation = (iscA * b2 - impA * b1) / determinant;
  const shuntS = (a1 * impA - a2 * iscA) / determinant;
  return {
    saturationA: saturation * Math.exp(-vocV / idealityV),
    lightA: saturation * (1 - scaled(0)) + shuntS * vocV,
    seriesOhm,
    shuntS,
    idealityV,
  };
}

/**
 * The same panel in other light and at another temperature.
 * @param irradianceWm2 above 0
 * @param cellC °C of its cells
 */
export function movedTo(
  fit: OneDiode,
  { iscA, iscPerK }: Pick<DataSheet, 'iscA' | 'iscPerK'>,
  irradianceWm2: number,
  cellC: number,
): OneDiode {
  const kelvin = cellC + 273.15;
  const light = irradianceWm2 / REFERENCE_WM2;
  const gap = GAP_EV * (1 + GAP_PER_K * (kelvin - REFERENCE_K));
  const climb = GAP_EV / (BOLTZMANN_EV * REFERENCE_K) - gap / (BOLTZMANN_EV * kelvin);
  return {
    lightA: light * (fit.lightA + iscPerK * iscA * (kelvin - REFERENCE_K)),
    saturationA: fit.saturationA * (kelvin / REFERENCE_K) ** 3 * Math.exp(climb),
    seriesOhm: fit.seriesOhm,
    shuntS: fit.shuntS * light,
    idealityV: (fit.idealityV * kelvin) / REFERENCE_K,
  };
}

const NEWTON_STEPS = 200;
const NEAR = 1e-12;

/** A at the diode's own voltage. */
const currentInside = ({ lightA, saturationA, idealityV, shuntS }: OneDiode, diodeV: number): number =>
  lightA - saturationA * Math.expm1(diodeV / idealityV) - shuntS * diodeV;

const slopeInside = ({ saturationA, idealityV, shuntS }: OneDiode, diodeV: number): number =>
  -(saturationA / idealityV) * Math.exp(diodeV / idealityV) - shuntS;

/** A that it gives at a voltage; below 0 above its open voltage. Newton's method from the side where it cannot miss. */
export function currentAt(panel: OneDiode, volts: number): number {
  const { seriesOhm, lightA } = panel;
  let diodeV = volts + seriesOhm * lightA;
  for (let i = 0; i < NEWTON_STEPS; i++) {
    const off = diodeV - seriesOhm * currentInside(panel, diodeV) - volts;
    const step = off / (1 - seriesOhm * slopeInside(panel, diodeV));
    diodeV -= step;
    if (Math.abs(step) < NEAR * Math.max(1, Math.abs(diodeV))) break;
  }
  return currentInside(panel, diodeV);
}

/** V across a panel whose bypass diodes carry what it cannot. Common practice. */
const BYPASS_V = 1.5;

/** V at which it gives a current; what is more than its light makes goes round it through its bypass diodes. */
export function voltageAt(panel: OneDiode, amps: number): number {
  const { lightA, saturationA, idealityV, seriesOhm } = panel;
  if (amps >= lightA) return -BYPASS_V;
  let diodeV = idealityV * Math.log1p((lightA - amps) / saturationA);
  for (let i = 0; i < NEWTON_STEPS; i++) {
    const step = (currentInside(panel, diodeV) - amps) / slopeInside(panel, diodeV);
    diodeV -= step;
    if (Math.abs(step) < NEAR * Math.max(1, Math.abs(diodeV))) break;
  }
  return Math.max(-BYPASS_V, diodeV - seriesOhm * amps);
}

export const openVoltage = (panel: OneDiode): number => voltageAt(panel, 0);
