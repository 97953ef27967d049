import type { SupplyMoment } from '../moment/supplyMoment.ts';
import { efficiencyAt } from '../paths/curve.ts';
import { type Draft, familyOf, refer, type WorkingInput } from '../quantity/figure.ts';
import { formatClock, formatNumber } from '../quantity/format.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { nominalVolts, ofJob } from './inputs.ts';

export const SUPPLY_KEYS = [
  'limit',
  'worst',
  'full',
  'charging',
  'assist',
  'assist-battery',
  'start',
  'worst-start',
] as const;

type SupplyKey = (typeof SUPPLY_KEYS)[number];

/** What the figures of a supply are called. */
export const supplyFigure = <K extends SupplyKey>(id: string, key: K): `supply[${string}].${K}` =>
  `supply[${id}].${key}`;

/** Of every supply what it bears, what it must give, what is left for charging and what must be added. */
export const explainSupplies = (settled: Settled) =>
  familyOf<'supply', SupplyKey>(
    'supply',
    settled.supplies.map((moment) => ({
      id: moment.limit.supply.id,
      members: {
        limit: limit(moment),
        worst: worst(moment),
        full: full(moment),
        charging: charging(moment),
        ...(moment.assisting ? { assist: assist(moment), 'assist-battery': fromBattery(moment, settled) } : {}),
        start: start(moment),
        'worst-start': worstStart(moment),
      },
    })),
  );

const idOf = ({ limit }: SupplyMoment): string => limit.supply.id;
const nameOf = ({ limit }: SupplyMoment): string => limit.supply.name;
const loadName = ({ loads }: SupplyMoment, id: string): string => loads.find((one) => one.id === id)?.name ?? id;

const LIMIT_NOTE = {
  hookup: 'A breaker in the sun or loaded for hours trips below its label; other vans share the same line.',
  generator: 'Full load for hours wears an engine; thin air takes 3.5 % for each 300 m.',
  outlet: 'It switches off by itself when it is too much, often by a timer, and below a reserve of its battery.',
} as const;

function limit({ limit: { supply, unit, runningSize, ratedSize, share } }: SupplyMoment): Draft {
  const origin = supply.share === null ? DEFAULT.supplyShare.origin : ORIGIN.job;
  return {
    value: runningSize,
    unit,
    label: `${supply.name}, to be used`,
    basis: origin,
    working: {
      formula: '{rated} × {share}',
      inputs: [
        ofJob('rated', supply.kind === 'hookup' ? 'Its breaker' : 'What it gives for hours', ratedSize, unit),
        { symbol: 'share', label: 'Share of it that is used', value: share, unit: 'share', origin },
      ],
      note: LIMIT_NOTE[supply.kind],
    },
  };
}

function worst(moment: SupplyMoment): Draft {
  const { ids, weight, startMin } = moment.worst;
  const { unit } = moment.limit;
  return {
    value: weight,
    unit,
    label: `Worst moment on ${nameOf(moment)}`,
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set that may coincide, chargers that can be turned down apart',
      inputs: ids.flatMap((id, i) => {
        const load = moment.loads.find((one) => one.id === id);
        return load && load.size > 0 ? [ofJob(`load${i}`, load.name, load.size, unit)] : [];
      }),
      note: startMin === null ? undefined : `By the lanes, from ${formatClock(startMin)}, each in its phase then.`,
    },
  };
}

const full = (moment: SupplyMoment): Draft => ({
  value: moment.fullSize,
  unit: moment.limit.unit,
  label: `The same on ${nameOf(moment)}, chargers at full`,
  basis: ORIGIN.practice,
  working: {
    formula: '{worst} + what the chargers take at full',
    inputs: [
      refer('worst', supplyFigure(idOf(moment), 'worst')),
      ...moment.loads.flatMap(({ name, size, leastSize }, i) =>
        leastSize === null ? [] : [ofJob(`charger${i}`, name, size, moment.limit.unit)],
      ),
    ],
  },
});

/** What turns the supply's unit into watts. */
const wattsPer = ({ limit: { unit, wattsPerUnit } }: SupplyMoment): WorkingInput =>
  ofJob('volts', unit === 'A' ? 'Volts × legs' : 'W for each W', wattsPerUnit, unit === 'A' ? 'V' : '');

const charging = (moment: SupplyMoment): Draft => ({
  value: moment.chargingSize * moment.limit.wattsPerUnit,
  unit: 'W',
  label: `Left for charging on ${nameOf(moment)}`,
  basis: ORIGIN.practice,
  working: {
    formula: 'limit − worst moment, at most what the charger takes, off below its lowest setting',
    inputs: [
      refer('limit', supplyFigure(idOf(moment), 'limit')),
      refer('worst', supplyFigure(idOf(moment), 'worst')),
      wattsPer(moment),
    ],
    note: 'At power factor 1. Turn the charger down to it before the rest starts.',
  },
});

const assistW = ({ assistSize, limit: { wattsPerUnit } }: SupplyMoment): number => assistSize * wattsPerUnit;

const assist = (moment: SupplyMoment): Draft => ({
  value: assistW(moment),
  unit: 'W',
  label: `Added from the battery on ${nameOf(moment)}`,
  basis: ORIGIN.practice,
  working: {
    formula: assistW(moment) > 0 ? '({worst} − {limit}) × {volts}' : 'nothing: the supply carries it alone',
    inputs: [
      refer('worst', supplyFigure(idOf(moment), 'worst')),
      refer('limit', supplyFigure(idOf(moment), 'limit')),
      wattsPer(moment),
    ],
    note: 'The assisting inverter holds the supply at its limit and adds what is missing.',
  },
});

function fromBattery(moment: SupplyMoment, settled: Settled): Draft {
  const watts = assistW(moment);
  const feed = moment.assisting?.feed;
  const efficiency = feed && watts > 0 ? efficiencyAt(feed.curve, watts / feed.ratingW) : 1;
  return {
    value: watts / efficiency / settled.nominalV,
    unit: 'A',
    label: 'From the battery meanwhile',
    basis: ORIGIN.si,
    working: {
      formula: '{assist} ÷ {efficiency} ÷ {nominal}',
      inputs: [
        refer('assist', supplyFigure(idOf(moment), 'assist')),
        {
          symbol: 'efficiency',
          label: 'Of the inverter at that load',
          value: efficiency,
          unit: 'share',
          origin: ORIGIN.schmidtSauer,
        },
        nominalVolts(settled, 'nominal'),
      ],
    },
  };
}

function start(moment: SupplyMoment): Draft {
  const { order, limit, allAtOnce } = moment;
  const named = (id: string) => loadName(moment, id);
  const last = order.because.at(-1);
  return {
    value: order.peak,
    unit: limit.unit,
    label: `Highest start on ${nameOf(moment)}, best order`,
    basis: ORIGIN.practice,
    working: {
      formula: 'what runs + (start − run) of what starts, largest first',
      inputs: order.steps.map(({ id, peak }, i) => ({
        symbol: `start${i}`,
        label: `${i + 1}. ${named(id)} starting`,
        value: peak,
        unit: limit.unit,
        origin: ORIGIN.practiceRecalled,
      })),
      note: last
        ? `No order peaks lower: whichever of ${order.because.map(named).join(', ')} starts last has the others running, and starts at least as hard as ${named(last)}. All in the same instant: ${formatNumber(allAtOnce, 1)} ${limit.unit}.`
        : undefined,
    },
  };
}

const worstStart = (moment: SupplyMoment): Draft => ({
  value: moment.worstOrder,
  unit: moment.limit.unit,
  label: `Highest start on ${nameOf(moment)}, worst order`,
  basis: ORIGIN.practice,
  working: {
    formula: 'all that may coincide, chargers at full, the hardest start last',
    inputs: [refer('full', supplyFigure(idOf(moment), 'full'))],
  },
});
