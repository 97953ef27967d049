import type { Device, Inverter, Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { type Feed, feedOf } from '../paths/feed.ts';
import type { FigureBook, FigureId, WorkingInput } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import { MARGIN } from '../reference/sizes.ts';
import { inverterNeed, standardInverter } from './inverterSize.ts';
import { type WorstMoment, worstMoment } from './worstMoment.ts';

/** An inverter of the option, with what its loads ask of it. */
export interface SizedInverter {
  readonly device: Inverter;
  readonly moment: WorstMoment;
  readonly ids: InverterIds;
  /** Equal units counted when no single common size is enough; 0 when nothing uses it. */
  readonly units: number;
  readonly ratingW: number;
  /** Null when nothing uses it. */
  readonly feed: Feed | null;
}

type InverterIds = Readonly<Record<'continuous' | 'apparent' | 'surge' | 'required' | 'rating' | 'idle', FigureId>>;

const MAIN: InverterIds = {
  continuous: 'peak.continuous',
  apparent: 'peak.apparent',
  surge: 'peak.surge',
  required: 'inverter.required',
  rating: 'inverter.rating',
  idle: 'inverter.idle',
};

const furtherIds = (id: string): InverterIds => ({
  continuous: `device.continuous.${id}`,
  apparent: `device.apparent.${id}`,
  surge: `device.surge.${id}`,
  required: `device.required.${id}`,
  rating: `device.rating.${id}`,
  idle: `device.idle.${id}`,
});

/**
 * Records what each inverter of the option must carry and its size. The first that carries loads is the main
 * one, whose figures are the job's vitals; the others have figures of their own. Main first.
 */
export function recordMoments(
  book: FigureBook,
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  job: Pick<Job, 'neverTogether' | 'rules'>,
): SizedInverter[] {
  const found = devices
    .filter((device) => device.kind === 'inverter')
    .map((device) => ({
      device,
      moment: worstMoment(profiles, devices, device.id, job.neverTogether, job.rules.twoMayStart),
    }));
  const main = found.find(({ moment }) => moment.acLoads.length > 0) ?? found[0];
  const ordered = [...found].sort((a, b) => Number(b === main) - Number(a === main));
  return ordered.map(({ device, moment }) =>
    recordInverter(book, moment, job.rules, device, device === main?.device ? MAIN : furtherIds(device.id)),
  );
}

function recordInverter(
  book: FigureBook,
  moment: WorstMoment,
  rules: Job['rules'],
  device: Inverter,
  ids: InverterIds,
): SizedInverter {
  const byId = new Map(moment.acLoads.map((load) => [load.id, load]));
  const members = (ids: readonly string[], key: 'runningW' | 'apparentVa', unit: string): WorkingInput[] =>
    ids.flatMap((id, i) => {
      const load = byId.get(id);
      return load && load[key] > 0
        ? [{ symbol: `load${i}`, label: load.name, value: load[key], unit, origin: ORIGIN.job }]
        : [];
    });
  const left = moment.acLoads.length - moment.continuous.ids.length;
  const continuousW = book.set(ids.continuous, {
    value: moment.continuous.weight,
    unit: 'W',
    label: 'Worst moment',
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set of inverter loads that may coincide',
      inputs: members(moment.continuous.ids, 'runningW', 'W'),
      note: left > 0 ? `${left} more never run at the same time as these.` : 'Every inverter load may coincide.',
    },
  });
  const apparentVa = book.set(ids.apparent, {
    value: moment.apparent.weight,
    unit: 'VA',
    label: 'Worst moment, apparent',
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set by W ÷ power factor',
      inputs: members(moment.apparent.ids, 'apparentVa', 'VA'),
    },
  });
  const surgeW = book.set(ids.surge, {
    value: moment.surge.weight,
    unit: 'W',
    label: 'Heaviest start',
    basis: ORIGIN.practiceRecalled,
    working: {
      formula: 'what runs + (start − run) of what starts',
      inputs: [
        ...members(moment.surge.ids, 'runningW', 'W'),
        ...moment.surge.starters.map((id, i) => ({
          symbol: `start${i}`,
          label: `${byId.get(id)?.name ?? id} starting`,
          value: byId.get(id)?.startExtraW ?? 0,
          unit: 'W',
          origin: ORIGIN.practiceRecalled,
        })),
      ],
      note: rules.twoMayStart ? 'Two may start in the same instant.' : 'One starts at a time.',
    },
  });

  const margin = MARGIN[rules.inverterMargin];
  const need = inverterNeed(continuousW, apparentVa, surgeW, margin.factor);
  const formulas = {
    power: '{continuous} × {margin}',
    apparent: '{apparent} × {margin} × {perVa}',
    surge: '{surge} ÷ {holds}',
  } as const;
  book.set(ids.required, {
    value: need.requiredW,
    unit: 'W',
    label: 'Inverter needed',
    basis: ORIGIN.practice,
    working: {
      formula: formulas[need.decidedBy],
      inputs: [
        book.input('continuous', ids.continuous),
        book.input('apparent', ids.apparent),
        book.input('surge', ids.surge),
        { symbol: 'margin', label: `Margin: ${margin.name}`, value: margin.factor, unit: '', origin: ORIGIN.job },
        perVa,
        {
          symbol: 'holds',
          label: 'Held for a second, × rating',
          value: DEFAULT.inverterSurgeFactor.value,
          unit: '',
          origin: DEFAULT.inverterSurgeFactor.origin,
        },
      ],
      note: `${margin.name}: ${margin.why}.`,
    },
  });
  const standard = standardInverter(need.requiredW);
  const ratingW = moment.acLoads.length === 0 ? 0 : (device.ratingW ?? standard.ratingW);
  const chosen = device.ratingW !== null && ratingW > 0;
  book.set(ids.rating, {
    value: ratingW,
    unit: 'W',
    label: device.name,
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : standard.units > 1 ? `${standard.units} equal units` : 'next standard size up',
      inputs: [book.input('required', ids.required)],
      note: ratingW === 0 ? 'Nothing in this job needs an inverter.' : undefined,
    },
  });
  const feed = ratingW > 0 ? feedOf(device, ratingW, rules.inverterCurve) : null;
  recordIdle(book, device, feed, ids);
  return { device, moment, ids, units: moment.acLoads.length === 0 ? 0 : standard.units, ratingW, feed };
}

function recordIdle(book: FigureBook, device: Inverter, feed: Feed | null, ids: InverterIds): void {
  const fitted = device.points.length >= 2 && device.idleW === null;
  const given = device.idleW !== null || fitted;
  book.set(ids.idle, {
    value: feed ? feed.curve.c0 * feed.ratingW : 0,
    unit: 'W',
    label: `${device.name} idle`,
    basis: given ? ORIGIN.job : DEFAULT.inverterIdleShare.origin,
    working: {
      formula: fitted
        ? 'the loss that is left at no load, fitted to the measured pairs'
        : given
          ? 'as given'
          : '{share} × {rating}',
      inputs: [
        {
          symbol: 'share',
          label: 'Idle, share of rating',
          value: DEFAULT.inverterIdleShare.value,
          unit: 'share',
          origin: DEFAULT.inverterIdleShare.origin,
        },
        book.input('rating', ids.rating),
      ],
      note: 'Read it off the data sheet, or measure it: it runs all the hours the inverter is on.',
    },
  });
}

const perVa: WorkingInput = {
  symbol: 'perVa',
  label: 'W per VA of rating',
  value: DEFAULT.inverterWattsPerVa.value,
  unit: '',
  origin: DEFAULT.inverterWattsPerVa.origin,
};
