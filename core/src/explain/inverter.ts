import { factorsOf, heatFactor } from '../moment/inverterSize.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import { efficiencyAt } from '../paths/curve.ts';
import { idleBetween } from '../paths/fit.ts';
import { type Draft, type Drafts, familyOf, refer, type WorkingInput } from '../quantity/figure.ts';
import { formatClock, formatNumber } from '../quantity/format.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import { MARGIN } from '../reference/sizes.ts';
import type { Settled } from '../settle/settle.ts';
import { fromDefault, nominalVolts, ofJob } from './inputs.ts';
import { type InverterKey, inverterFigures } from './inverterIds.ts';

/** What each inverter must carry, its size, and what it asks of the store at full rating. */
export function explainInverters(
  settled: Settled,
): Drafts<MainFigures> & Partial<Drafts<`inverter[${string}].${InverterKey}`>> {
  const explained = (inverter: SizedInverter): Record<InverterKey, Draft> => ({
    continuous: continuous(inverter),
    apparent: apparent(inverter),
    surge: surge(inverter, settled),
    required: required(inverter, settled),
    rating: rating(inverter),
    hot: hot(inverter),
    holds: holds(inverter),
    current: current(inverter, settled),
    idle: idle(inverter),
  });
  const [main, ...others] = settled.inverters;
  return {
    ...(main ? named(main, explained(main)) : ({} as never)),
    ...familyOf(
      'inverter',
      others.map((inverter) => ({ id: inverter.device.id, members: explained(inverter) })),
    ),
  };
}

type MainFigures =
  | `peak.${'continuous' | 'apparent' | 'surge'}`
  | `inverter.${'required' | 'rating' | 'hot' | 'holds' | 'current' | 'idle'}`;

function named(main: SizedInverter, members: Record<InverterKey, Draft>): Drafts<MainFigures> {
  const ids = inverterFigures(main);
  return Object.fromEntries(
    Object.entries(members).map(([key, draft]) => [ids[key as InverterKey], draft]),
  ) as Drafts<MainFigures>;
}

/** The loads of a set, each with what it asks. */
function members({ moment }: SizedInverter, ids: readonly string[], key: 'runningW' | 'apparentVa'): WorkingInput[] {
  const byId = new Map(moment.acLoads.map((load) => [load.id, load]));
  return ids.flatMap((id, i) => {
    const load = byId.get(id);
    return load && load[key] > 0 ? [ofJob(`load${i}`, load.name, load[key], key === 'runningW' ? 'W' : 'VA')] : [];
  });
}

function continuous(inverter: SizedInverter): Draft {
  const { acLoads, continuous: worst } = inverter.moment;
  const left = acLoads.length - worst.ids.length;
  return {
    value: worst.weight,
    unit: 'W',
    label: worst.isProved ? 'Worst moment' : 'Worst moment, at most',
    basis: ORIGIN.practice,
    working: {
      formula: worst.isProved
        ? 'heaviest set of inverter loads that may coincide'
        : 'at most: the heaviest found is this, the search was cut short',
      inputs: members(inverter, worst.ids, 'runningW'),
      note: [
        left > 0 ? `${left} more never run at the same time as these.` : 'Every inverter load may coincide.',
        ...(worst.startMin === null
          ? []
          : [`By the lanes, from ${formatClock(worst.startMin)}; each with the phase it is in then.`]),
      ].join(' '),
    },
  };
}

const apparent = (inverter: SizedInverter): Draft => ({
  value: inverter.moment.apparent.weight,
  unit: 'VA',
  label: 'Worst moment, apparent',
  basis: ORIGIN.practice,
  working: {
    formula: 'heaviest set by W ÷ power factor',
    inputs: members(inverter, inverter.moment.apparent.ids, 'apparentVa'),
  },
});

function surge(inverter: SizedInverter, { job }: Settled): Draft {
  const { acLoads, surge: worst } = inverter.moment;
  const starting = worst.starters.map((id, i): WorkingInput => {
    const load = acLoads.find((one) => one.id === id);
    return {
      symbol: `start${i}`,
      label: `${load?.name ?? id} starting`,
      value: load?.startExtraW ?? 0,
      unit: 'W',
      origin: ORIGIN.practiceRecalled,
    };
  });
  return {
    value: worst.weight,
    unit: 'W',
    label: 'Heaviest start',
    basis: ORIGIN.practiceRecalled,
    working: {
      formula: 'what runs + (start − run) of what starts',
      inputs: [...members(inverter, worst.ids, 'runningW'), ...starting],
      note: job.rules.twoMayStart ? 'Two may start in the same instant.' : 'One starts at a time.',
    },
  };
}

const heat = ({ device }: SizedInverter): WorkingInput => ({
  symbol: 'heat',
  label: device.ambientC === null ? 'Left of it at 25 °C' : `Left of it at ${device.ambientC} °C around it`,
  value: heatFactor(device.ambientC),
  unit: 'share',
  origin: DEFAULT.inverterHeatPerK.origin,
});

const REQUIRED_BY = {
  power: '{continuous} × {margin} ÷ {heat}',
  apparent: '{apparent} × {margin} × {perVa} ÷ {heat}',
  surge: '{surge} ÷ {holds}',
  'long-start': '{long} ÷ {minute}',
} as const;

function required(inverter: SizedInverter, { job }: Settled): Draft {
  const { device, need, bears, moment } = inverter;
  const ids = inverterFigures(inverter);
  const margin = MARGIN[job.rules.inverterMargin];
  return {
    value: need.requiredW,
    unit: 'W',
    label: 'Inverter needed',
    basis: ORIGIN.practice,
    working: {
      formula: REQUIRED_BY[need.decidedBy],
      inputs: [
        refer('continuous', ids.continuous),
        refer('apparent', ids.apparent),
        refer('surge', ids.surge),
        ofJob('margin', `Margin: ${margin.name}`, margin.factor, ''),
        {
          symbol: 'perVa',
          label: 'W per VA of rating',
          value: factorsOf(device).wattsPerVa,
          unit: '',
          origin: device.ratingVa === null ? DEFAULT.inverterWattsPerVa.origin : ORIGIN.job,
        },
        heat(inverter),
        {
          symbol: 'long',
          label: `Heaviest start of more than ${bears.holdSeconds} s`,
          value: moment.longStart?.weight ?? 0,
          unit: 'W',
          origin: ORIGIN.practiceRecalled,
        },
        fromDefault('minute', 'Carried for up to a minute, × rating', 'inverterOverloadFactor', ''),
        fromDefault('holds', 'Held for a second, × rating', 'inverterSurgeFactor', ''),
      ],
      note: `${margin.name}: ${margin.why}; ${margin.against}.`,
    },
  };
}

function rating(inverter: SizedInverter): Draft {
  const { device, ratingW, units } = inverter;
  const chosen = device.ratingW !== null && ratingW > 0;
  return {
    value: ratingW,
    unit: 'W',
    label: device.name,
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : units > 1 ? `${units} equal units` : 'next standard size up',
      inputs: [refer('required', inverterFigures(inverter).required)],
      note: ratingW === 0 ? 'Nothing in this job needs an inverter.' : undefined,
    },
  };
}

const hot = (inverter: SizedInverter): Draft => ({
  value: inverter.bears.hotW,
  unit: 'W',
  label: `${inverter.device.name}, in the heat around it`,
  basis: DEFAULT.inverterHeatPerK.origin,
  working: {
    formula: '{rating} × {heat}',
    inputs: [refer('rating', inverterFigures(inverter).rating), heat(inverter)],
    note: 'Full to 25 °C, 1 % less for each K to 40 °C, 2 % above: a cupboard in summer is warmer than the label.',
  },
});

function holds(inverter: SizedInverter): Draft {
  const { device, ratingW, bears } = inverter;
  const said = device.surgeW !== null && device.ratingW === ratingW;
  return {
    value: bears.surgeW,
    unit: 'W',
    label: `${device.name}, held while something starts`,
    basis: said ? ORIGIN.job : DEFAULT.inverterSurgeFactor.origin,
    working: {
      formula: said ? 'as given' : '{rating} × {factor}',
      inputs: [
        refer('rating', inverterFigures(inverter).rating),
        fromDefault('factor', 'Surge ÷ rating', 'inverterSurgeFactor', ''),
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
  };
}

function current(inverter: SizedInverter, settled: Settled): Draft {
  const { device, feed, ratingW } = inverter;
  const efficiency = feed ? efficiencyAt(feed.curve, 1) : 1;
  return {
    value: ratingW / efficiency / settled.nominalV,
    unit: 'A',
    label: `${device.name} at full rating`,
    basis: ORIGIN.si,
    working: {
      formula: '{rating} ÷ {efficiency} ÷ {volts}',
      inputs: [
        refer('rating', inverterFigures(inverter).rating),
        {
          symbol: 'efficiency',
          label: 'Of the inverter at full load',
          value: efficiency,
          unit: 'share',
          origin: ORIGIN.schmidtSauer,
        },
        nominalVolts(settled),
      ],
      note: 'The table below reckons with a low battery, where cables and fuses are sized.',
    },
  };
}

function idle(inverter: SizedInverter): Draft {
  const { device, feed } = inverter;
  const fitted = device.points.length >= 2 && device.idleW === null;
  const between = idleBetween(device.points);
  const given = device.idleW !== null || fitted;
  return {
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
        fromDefault('share', 'Idle, share of rating', 'inverterIdleShare', 'share'),
        refer('rating', inverterFigures(inverter).rating),
      ],
      note:
        fitted && between
          ? `Two pairs leave it between ${formatNumber(between.lowW)} and ${formatNumber(between.highW)} W, as the loss grows with the load or its square: measure it with nothing connected.`
          : 'Read it off the data sheet, or measure it: it runs all the hours the inverter is on.',
    },
  };
}
