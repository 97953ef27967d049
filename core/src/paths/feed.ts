import type { Device, Job } from '../job/schema.ts';
import { DEFAULT, type Default } from '../reference/defaults.ts';
import { curveFromIdleAndPeak, flatCurve, type LossCurve } from './curve.ts';
import { fitCurve } from './fit.ts';

/** A device with its size settled: what the ledger reckons with. */
export interface Feed {
  readonly device: Device;
  /** W it gives at most, above 0. */
  readonly ratingW: number;
  readonly curve: LossCurve;
}

const USUAL: Readonly<Record<Device['kind'], { idleShare: Default; peak: Default }>> = {
  inverter: { idleShare: DEFAULT.inverterIdleShare, peak: DEFAULT.inverterPeakEfficiency },
  converter: { idleShare: DEFAULT.converterIdleShare, peak: DEFAULT.converterEfficiency },
  port: { idleShare: DEFAULT.portIdleShare, peak: DEFAULT.portEfficiency },
};

/** What is taken for a kind of device whose data sheet is not at hand. */
export const usualOf = (kind: Device['kind']) => USUAL[kind];

/**
 * The device's loss curve: through its measured pairs if there are any, otherwise from its idle and best
 * efficiency by the school of the job (`curve`: best at 35 % load; `flat`: the same at every load).
 */
export function feedOf(device: Device, ratingW: number, school: Job['rules']['inverterCurve']): Feed {
  const usual = USUAL[device.kind];
  const { points, idleW } = device;
  if (points.length >= (idleW === null ? 2 : 1)) return { device, ratingW, curve: fitCurve(points, ratingW, idleW) };
  const idleShare = idleW === null ? usual.idleShare.value : idleW / ratingW;
  const peak = device.peakEfficiency ?? usual.peak.value;
  // A port's efficiency counts its whole station, store included: one figure is all that is ever known of it.
  const flat = school === 'flat' || device.kind === 'port';
  return {
    device,
    ratingW,
    curve: flat ? flatCurve(idleShare, peak) : curveFromIdleAndPeak(idleShare, peak, DEFAULT.inverterPeakAt.value),
  };
}

/** W that a converter or port gives at most; an inverter's rating may be left to the worst moment. */
export function givenRatingW(device: Device): number | null {
  if (device.kind !== 'port') return device.ratingW;
  const byAmps = device.limitA === null ? Number.POSITIVE_INFINITY : device.limitA * device.outputV;
  const limit = Math.min(byAmps, device.limitW ?? Number.POSITIVE_INFINITY);
  return Number.isFinite(limit) ? limit : DEFAULT.portRatingW.value;
}
