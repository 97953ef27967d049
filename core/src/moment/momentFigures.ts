import type { Job } from '../job/schema.ts';
import { efficiencyAt } from '../paths/curve.ts';
import { idleBetween } from '../paths/fit.ts';
import type { FigureBook, WorkingInput } from '../quantity/figure.ts';
import { formatClock, formatNumber } from '../quantity/format.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import { MARGIN } from '../reference/sizes.ts';
import { factorsOf, heatFactor } from './inverterSize.ts';
import type { SizedInverter } from './sizeInverters.ts';

/** Records what each inverter must carry, its size, and what it asks of the store at full rating. */
export function recordInverters(
  book: FigureBook,
  inverters: readonly SizedInverter[],
  rules: Job['rules'],
  nominalV: number,
): void {
  for (const inverter of inverters) {
    recordInverter(book, inverter, rules);
    recordFullCurrent(book, inverter, nominalV);
  }
}

function recordFullCurrent(book: FigureBook, { device, feed, ids, ratingW }: SizedInverter, nominalV: number): void {
  const efficiency = feed ? efficiencyAt(feed.curve, 1) : 1;
  book.set(ids.current, {
    value: ratingW / efficiency / nominalV,
    unit: 'A',
    label: `${device.name} at full rating`,
    basis: ORIGIN.si,
    working: {
      formula: '{rating} ÷ {efficiency} ÷ {volts}',
      inputs: [
        book.input('rating', ids.rating),
        {
          symbol: 'efficiency',
          label: 'Of the inverter at full load',
          value: efficiency,
          unit: 'share',
          origin: ORIGIN.schmidtSauer,
        },
        { symbol: 'volts', label: 'Nominal voltage', value: nominalV, unit: 'V', origin: ORIGIN.practiceRecalled },
      ],
      note: 'The table below reckons with a low battery, where cables and fuses are sized.',
    },
  });
}

function recordInverter(book: FigureBook, inverter: SizedInverter, rules: Job['rules']): void {
  const { device, moment, need, ids, units, ratingW, bears } = inverter;
  const byId = new Map(moment.acLoads.map((load) => [load.id, load]));
  const members = (ids: readonly string[], key: 'runningW' | 'apparentVa', unit: string): WorkingInput[] =>
    ids.flatMap((id, i) => {
      const load = byId.get(id);
      return load && load[key] > 0
        ? [{ symbol: `load${i}`, label: load.name, value: load[key], unit, origin: ORIGIN.job }]
        : [];
    });
  const left = moment.acLoads.length - moment.continuous.ids.length;
  book.set(ids.continuous, {
    value: moment.continuous.weight,
    unit: 'W',
    label: moment.continuous.isProved ? 'Worst moment' : 'Worst moment, at most',
    basis: ORIGIN.practice,
    working: {
      formula: moment.continuous.isProved
        ? 'heaviest set of inverter loads that may coincide'
        : 'at most: the heaviest found is this, the search was cut short',
      inputs: members(moment.continuous.ids, 'runningW', 'W'),
      note: [
        left > 0 ? `${left} more never run at the same time as these.` : 'Every inverter load may coincide.',
        ...(moment.continuous.startMin === null
          ? []
          : [`By the lanes, from ${formatClock(moment.continuous.startMin)}; each with the phase it is in then.`]),
      ].join(' '),
    },
  });
  book.set(ids.apparent, {
    value: moment.apparent.weight,
    unit: 'VA',
    label: 'Worst moment, apparent',
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set by W ÷ power factor',
      inputs: members(moment.apparent.ids, 'apparentVa', 'VA'),
    },
  });
  book.set(ids.surge, {
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
  const formulas = {
    power: '{continuous} × {margin} ÷ {heat}',
    apparent: '{apparent} × {margin} × {perVa} ÷ {heat}',
    surge: '{surge} ÷ {holds}',
    'long-start': '{long} ÷ {minute}',
  } as const;
  const heat: WorkingInput = {
    symbol: 'heat',
    label: device.ambientC === null ? 'Left of it at 25 °C' : `Left of it at ${device.ambientC} °C around it`,
    value: heatFactor(device.ambientC),
    unit: 'share',
    origin: DEFAULT.inverterHeatPerK.origin,
  };
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
        {
          symbol: 'perVa',
          label: 'W per VA of rating',
          value: factorsOf(device).wattsPerVa,
          unit: '',
          origin: device.ratingVa === null ? DEFAULT.inverterWattsPerVa.origin : ORIGIN.job,
        },
        heat,
        {
          symbol: 'long',
          label: `Heaviest start of more than ${bears.holdSeconds} s`,
          value: moment.longStart?.weight ?? 0,
          unit: 'W',
          origin: ORIGIN.practiceRecalled,
        },
        {
          symbol: 'minute',
          label: 'Carried for up to a minute, × rating',
          value: DEFAULT.inverterOverloadFactor.value,
          unit: '',
          origin: DEFAULT.inverterOverloadFactor.origin,
        },
        {
          symbol: 'holds',
          label: 'Held for a second, × rating',
          value: DEFAULT.inverterSurgeFactor.value,
          unit: '',
          origin: DEFAULT.inverterSurgeFactor.origin,
        },
      ],
      note: `${margin.name}: ${margin.why}; ${margin.against}.`,
    },
  });
  const chosen = device.ratingW !== null && ratingW > 0;
  book.set(ids.rating, {
    value: ratingW,
    unit: 'W',
    label: device.name,
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : units > 1 ? `${units} equal units` : 'next standard size up',
      inputs: [book.input('required', ids.required)],
      note: ratingW === 0 ? 'Nothing in this job needs an inverter.' : undefined,
    },
  });
  book.set(ids.hot, {
    value: bears.hotW,
    unit: 'W',
    label: `${device.name}, in the heat around it`,
    basis: DEFAULT.inverterHeatPerK.origin,
    working: {
      formula: '{rating} × {heat}',
      inputs: [book.input('rating', ids.rating), heat],
      note: 'Full to 25 °C, 1 % less for each K to 40 °C, 2 % above: a cupboard in summer is warmer than the label.',
    },
  });
  const saidSurge = device.surgeW !== null && device.ratingW === ratingW;
  book.set(ids.holds, {
    value: bears.surgeW,
    unit: 'W',
    label: `${device.name}, held while something starts`,
    basis: saidSurge ? ORIGIN.job : DEFAULT.inverterSurgeFactor.origin,
    working: {
      formula: saidSurge ? 'as given' : '{rating} × {factor}',
      inputs: [
        book.input('rating', ids.rating),
        {
          symbol: 'factor',
          label: 'Surge ÷ rating',
          value: DEFAULT.inverterSurgeFactor.value,
          unit: '',
          origin: DEFAULT.inverterSurgeFactor.origin,
        },
        {
          symbol: 'seconds',
          label: 'For how long',
          value: bears.holdSeconds,
          unit: 's',
          origin: DEFAULT.inverterSurgeSeconds.origin,
        },
      ],
      note: 'Data sheets mean milliseconds or seconds by it: ask for the time as well as for the watts.',
    },
  });
  recordIdle(book, inverter);
}

function recordIdle(book: FigureBook, { device, feed, ids }: SizedInverter): void {
  const fitted = device.points.length >= 2 && device.idleW === null;
  const between = idleBetween(device.points);
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
      note:
        fitted && between
          ? `Two pairs leave it between ${formatNumber(between.lowW)} and ${formatNumber(between.highW)} W, as the loss grows with the load or its square: measure it with nothing connected.`
          : 'Read it off the data sheet, or measure it: it runs all the hours the inverter is on.',
    },
  });
}
