import { type Band, band } from './band.ts';
import type { LogPhase } from './logSchema.ts';

/** A phase of a cycle as it was put down, with all that can be told of its energy. */
export interface StatedPhase {
  readonly label: string;
  readonly minutes: number | null;
  /** Wh by each way: the label's watts × time, the watts measured × time, the meter within its step. */
  readonly byLabelWh: number | null;
  readonly byPowerWh: number | null;
  readonly byMeterWh: Band | null;
  /** What it can be at most: the most it can draw, all the time. */
  readonly mostWh: number | null;
  readonly wh: number | null;
  readonly by: 'meter' | 'power' | 'label' | null;
  readonly meanW: number | null;
  readonly ah: number | null;
  /** Share of the cycle's energy. */
  readonly share: number | null;
  readonly perDayWh: number | null;
  readonly perDayAh: number | null;
  /** Share of the store that a day of it takes. */
  readonly ofStorePerDay: number | null;
}

export interface Contradiction {
  readonly code:
    | 'above-most'
    | 'meter-against-power'
    | 'claimed'
    | 'more-out-than-in'
    | 'loss-falls'
    | 'pairs-differ'
    | 'idle-untold'
    | 'percent'
    | 'ways-disagree'
    | 'time-to-go';
  readonly where: string;
  /** In plain words, with the figures. */
  readonly says: string;
  /** What was probably meant, in the same unit; null = only a person can say. */
  readonly offer: number | null;
  /** Whether the figures concerned are kept out of the results until one is chosen. */
  readonly refused: boolean;
}

/** Beyond what a reading's doubt explains; watts of a plug-in meter are good to 1 %, from memory. */
const POWER_DOUBT = 0.01;

const round = (value: number): string =>
  Math.abs(value) >= 100 ? value.toFixed(1) : value.toPrecision(4).replace(/\.?0+$/, '');

/**
 * Phases one after the other.
 * @param nominalV of the store, V
 * @param capacityAh null = not known
 */
export function statedPhases(
  phases: readonly LogPhase[],
  logMaxW: number | null,
  nominalV: number,
  capacityAh: number | null,
): { readonly phases: StatedPhase[]; readonly contradictions: Contradiction[] } {
  const contradictions: Contradiction[] = [];
  const raw = phases.map((phase) => phaseOf(phase, logMaxW, nominalV, contradictions));
  const all = raw.reduce((sum, { wh }) => sum + (wh ?? 0), 0);
  return {
    contradictions,
    phases: raw.map((phase, i) => {
      const { perDay = null } = phases[i] as LogPhase;
      const perDayAh = perDay === null || phase.ah === null ? null : phase.ah * perDay;
      return {
        ...phase,
        share: phase.wh === null || all === 0 ? null : phase.wh / all,
        perDayWh: perDay === null || phase.wh === null ? null : phase.wh * perDay,
        perDayAh,
        ofStorePerDay: perDayAh === null || capacityAh === null ? null : perDayAh / capacityAh,
      };
    }),
  };
}

function phaseOf(
  phase: LogPhase,
  logMaxW: number | null,
  nominalV: number,
  contradictions: Contradiction[],
): Omit<StatedPhase, 'share' | 'perDayWh' | 'perDayAh' | 'ofStorePerDay'> {
  const { label, minutes = null, labelW = null, wh = null, claimedWh = null, a = null, chosen } = phase;
  const hours = minutes === null ? null : minutes / 60;
  const v = phase.v ?? nominalV;
  const measuredW = phase.w ?? (a === null ? null : a * v);
  const over = (watts: number | null): number | null => (watts === null || hours === null ? null : watts * hours);
  const [byLabelWh, byPowerWh, mostWh] = [over(labelW), over(measuredW), over(phase.maxW ?? logMaxW)];
  const half = (phase.whStep ?? meterStep(wh)) / 2;
  const byMeterWh = wh === null ? null : band(wh, Math.max(0, wh - half), wh + half);
  const add = (code: Contradiction['code'], says: string, offer: number | null): void => {
    contradictions.push({ code, where: label, says, offer, refused: chosen === undefined });
  };
  let impossible = false;
  for (const [value, low] of [
    [wh, byMeterWh?.low ?? null],
    [claimedWh, claimedWh],
  ] as const) {
    if (value === null || low === null || mostWh === null || low <= mostWh) continue;
    impossible ||= value === wh;
    const tenth = value / 10;
    const thousandth = value / 1000;
    const offer =
      tenth <= mostWh && tenth >= mostWh / 20
        ? tenth
        : thousandth <= mostWh && thousandth >= mostWh / 20
          ? thousandth
          : null;
    add(
      'above-most',
      `${round(value)} Wh in ${round(minutes ?? 0)} min is more than it can take: at most ${round(mostWh)} Wh${offer === null ? '' : `. ${round(offer)} Wh?`}`,
      offer,
    );
  }
  if (byMeterWh !== null && byPowerWh !== null && !impossible) {
    const [low, high] = [byPowerWh * (1 - POWER_DOUBT), byPowerWh * (1 + POWER_DOUBT)];
    if (high < byMeterWh.low || low > byMeterWh.high)
      add(
        'meter-against-power',
        `the meter counted ${round(byMeterWh.low)} to ${round(byMeterWh.high)} Wh, ${round(measuredW ?? 0)} W for ${round(minutes ?? 0)} min are ${round(byPowerWh)} Wh: one of them is not of this phase`,
        null,
      );
  }
  if (claimedWh !== null && claimedWh !== 0) {
    const truth = byMeterWh?.value ?? byPowerWh ?? byLabelWh;
    if (
      truth !== null &&
      Math.abs(claimedWh - truth) > 0.02 * Math.max(truth, 1e-9) &&
      !(mostWh !== null && claimedWh > mostWh)
    )
      add('claimed', `${round(claimedWh)} Wh was put down; the figures given come to ${round(truth)} Wh`, truth);
  }
  const counts =
    chosen ??
    (byMeterWh !== null && !impossible ? 'meter' : byPowerWh !== null ? 'power' : byLabelWh !== null ? 'label' : null);
  const value = counts === 'meter' ? wh : counts === 'power' ? byPowerWh : counts === 'label' ? byLabelWh : null;
  const ah =
    counts === 'power' && a !== null && hours !== null && phase.w == null
      ? a * hours
      : value === null
        ? null
        : value / nominalV;
  return {
    label,
    minutes,
    byLabelWh,
    byPowerWh,
    byMeterWh,
    mostWh,
    wh: value,
    by: value === null ? null : counts,
    meanW: value === null || hours === null || hours === 0 ? null : value / hours,
    ah,
  };
}

/** The step of a meter whose step was not said: one of the last digit that was written; a kWh display of two digits shows 10 Wh. */
function meterStep(wh: number | null): number {
  if (wh === null || wh === 0) return 0;
  for (const step of [10, 1, 0.1, 0.01]) if (Math.abs(wh / step - Math.round(wh / step)) < 1e-9) return step;
  return 0;
}
