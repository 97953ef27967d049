import { UNIT_UNSAID } from '../job/blank.ts';
import type { Inverter, Job } from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import { type DcSide, dcSide } from '../moment/inverterCable.ts';
import { heatFactor, inverterNeed, standardInverter, surgeHeldW } from '../moment/inverterSize.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import { INVERTER_SIZES_W, MARGIN } from '../reference/sizes.ts';
import { settleDay } from '../settle/day.ts';

/** One standard size as it would do in this very job. */
export interface SizeChoice {
  readonly ratingW: number;
  /** What it does not give of what is asked; empty when it passes. */
  readonly fails: readonly ('power' | 'apparent' | 'surge' | 'long-start')[];
  /** Room above the worst moment, as a share of it; below 0 it is too small. */
  readonly marginTaken: number;
  /** Wh a day: idling, and lost converting, with everything else of the job the same. */
  readonly idleWh: number;
  readonly conversionWh: number;
  /** Wh a day that the bus gives, all devices and loads. */
  readonly busWh: number;
  readonly dc: readonly DcSide[];
}

/** What each school of margin asks, and the size that follows. */
export interface SchoolChoice {
  readonly margin: Job['rules']['inverterMargin'];
  readonly requiredW: number;
  readonly ratingW: number;
}

/** Sizes shown above the first that passes, and below it. */
const ABOVE = 3;
const BELOW = 2;

/**
 * The standard sizes around what is needed, each with the whole day settled anew. A measured curve or idle is of the
 * unit it was measured on: other sizes are taken as usual for theirs.
 */
export function sizeChoices(
  job: Job,
  optionId: string,
  { device, need, moment, ratingW }: SizedInverter,
): SizeChoice[] {
  if (moment.acLoads.length === 0 || need.requiredW <= 0) return [];
  const passing = INVERTER_SIZES_W.findIndex((size) => size >= need.requiredW - 1e-9);
  const from = passing < 0 ? INVERTER_SIZES_W.length - BELOW : Math.max(0, passing - BELOW);
  const to = passing < 0 ? INVERTER_SIZES_W.length : passing + ABOVE + 1;
  const sizes: number[] = [...INVERTER_SIZES_W.slice(from, to)];
  if (!sizes.includes(ratingW)) sizes.push(ratingW);
  return sizes
    .sort((a, b) => a - b)
    .map((sizeW): SizeChoice => {
      const settled = settleDay(withSize(job, optionId, device, sizeW), optionId, new Effort(SIZE_EFFORT));
      const day = settled.bus.devices.find(({ feed }) => feed.device.id === device.id);
      const feed = day?.feed;
      const lossW = feed ? sizeW * (feed.curve.c0 + feed.curve.c1 + feed.curve.c2) : 0;
      const over = (neededW: number) => neededW > sizeW + 1e-9;
      return {
        ratingW: sizeW,
        fails: [
          ...(over(need.byPowerW) ? (['power'] as const) : []),
          ...(over(need.byApparentW) ? (['apparent'] as const) : []),
          ...(moment.surge.weight > surgeHeldW(device, sizeW) + 1e-9 ? (['surge'] as const) : []),
          ...(over(need.byLongStartW) ? (['long-start'] as const) : []),
        ],
        marginTaken: (sizeW * heatFactor(device.ambientC)) / moment.continuous.weight - 1,
        idleWh: (day?.heldIdleWh ?? 0) + (day?.unattendedIdleWh ?? 0),
        conversionWh: day?.conversionWh ?? 0,
        busWh: settled.bus.busW.reduce((sum, w) => sum + w, 0) / 60,
        dc: ([12, 24, 48] as const).map((busV) => dcSide(sizeW + lossW, busV)),
      };
    });
}

/** What the margin of each school comes to. */
export function schoolChoices({ moment, device }: SizedInverter): SchoolChoice[] {
  return (Object.keys(MARGIN) as Job['rules']['inverterMargin'][]).map((margin) => {
    const { requiredW } = inverterNeed(moment, MARGIN[margin].factor, heatFactor(device.ambientC));
    return { margin, requiredW, ratingW: standardInverter(requiredW).ratingW };
  });
}

/** What the searches of a day with a size that is given may cost: its losses do not hang on them. */
export const SIZE_EFFORT = 1;

/** The job with an inverter of that size; what was measured on another size is not taken over. */
export function withSize(job: Job, optionId: string, { id, ratingW }: Inverter, sizeW: number): Job {
  const own = ratingW === sizeW ? {} : UNIT_UNSAID;
  return {
    ...job,
    options: job.options.map((option) =>
      option.id !== optionId
        ? option
        : {
            ...option,
            system: {
              ...option.system,
              devices: option.system.devices.map((device) =>
                device.id === id && device.kind === 'inverter' ? { ...device, ...own, ratingW: sizeW } : device,
              ),
            },
          },
    ),
  };
}
