import { efficiencyAt } from '../paths/curve.ts';
import type { FigureBook, WorkingInput } from '../quantity/figure.ts';
import { formatClock, formatNumber } from '../quantity/format.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { SupplyMoment } from './supplyMoment.ts';

/** Records of every supply what it bears, what it must give, what is left for charging and what must be added. */
export function recordSupplies(book: FigureBook, supplies: readonly SupplyMoment[], nominalV: number): void {
  for (const supply of supplies) recordSupply(book, supply, nominalV);
}

function recordSupply(book: FigureBook, moment: SupplyMoment, nominalV: number): void {
  const { limit, loads, worst, order } = moment;
  const { supply, unit } = limit;
  const { id, name } = supply;
  const nameOf = (load: string) => loads.find((one) => one.id === load)?.name ?? load;
  book.set(`supply.limit.${id}`, {
    value: limit.runningSize,
    unit,
    label: `${name}, to be used`,
    basis: supply.share === null ? DEFAULT.supplyShare.origin : ORIGIN.job,
    working: {
      formula: '{rated} × {share}',
      inputs: [
        {
          symbol: 'rated',
          label: supply.kind === 'hookup' ? 'Its breaker' : 'What it gives for hours',
          value: limit.ratedSize,
          unit,
          origin: ORIGIN.job,
        },
        {
          symbol: 'share',
          label: 'Share of it that is used',
          value: limit.share,
          unit: 'share',
          origin: supply.share === null ? DEFAULT.supplyShare.origin : ORIGIN.job,
        },
      ],
      note: LIMIT_NOTE[supply.kind],
    },
  });
  book.set(`supply.worst.${id}`, {
    value: worst.weight,
    unit,
    label: `Worst moment on ${name}`,
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set that may coincide, chargers that can be turned down apart',
      inputs: worst.ids.flatMap((load, i) => {
        const found = loads.find((one) => one.id === load);
        return found && found.size > 0
          ? [{ symbol: `load${i}`, label: found.name, value: found.size, unit, origin: ORIGIN.job }]
          : [];
      }),
      note:
        worst.startMin === null
          ? undefined
          : `By the lanes, from ${formatClock(worst.startMin)}, each in its phase then.`,
    },
  });
  book.set(`supply.full.${id}`, {
    value: moment.fullSize,
    unit,
    label: `The same on ${name}, chargers at full`,
    basis: ORIGIN.practice,
    working: {
      formula: '{worst} + what the chargers take at full',
      inputs: [
        book.input('worst', `supply.worst.${id}`),
        ...loads.flatMap(({ name: charger, size, leastSize }, i) =>
          leastSize === null ? [] : [{ symbol: `charger${i}`, label: charger, value: size, unit, origin: ORIGIN.job }],
        ),
      ],
    },
  });
  const limitInput = book.input('limit', `supply.limit.${id}`);
  const worstInput = book.input('worst', `supply.worst.${id}`);
  const wattsPer: WorkingInput = {
    symbol: 'volts',
    label: unit === 'A' ? 'Volts × legs' : 'W for each W',
    value: limit.wattsPerUnit,
    unit: unit === 'A' ? 'V' : '',
    origin: ORIGIN.job,
  };
  book.set(`supply.charging.${id}`, {
    value: moment.chargingSize * limit.wattsPerUnit,
    unit: 'W',
    label: `Left for charging on ${name}`,
    basis: ORIGIN.practice,
    working: {
      formula: 'limit − worst moment, at most what the charger takes, off below its lowest setting',
      inputs: [limitInput, worstInput, wattsPer],
      note: 'At power factor 1. Turn the charger down to it before the rest starts.',
    },
  });
  const assistW = moment.assistSize * limit.wattsPerUnit;
  if (moment.assisting) {
    const { feed } = moment.assisting;
    const efficiency = feed && assistW > 0 ? efficiencyAt(feed.curve, assistW / feed.ratingW) : 1;
    book.set(`supply.assist.${id}`, {
      value: assistW,
      unit: 'W',
      label: `Added from the battery on ${name}`,
      basis: ORIGIN.practice,
      working: {
        formula: assistW > 0 ? '({worst} − {limit}) × {volts}' : 'nothing: the supply carries it alone',
        inputs: [worstInput, limitInput, wattsPer],
        note: 'The assisting inverter holds the supply at its limit and adds what is missing.',
      },
    });
    book.set(`supply.assist-battery.${id}`, {
      value: assistW / efficiency / nominalV,
      unit: 'A',
      label: 'From the battery meanwhile',
      basis: ORIGIN.si,
      working: {
        formula: '{assist} ÷ {efficiency} ÷ {nominal}',
        inputs: [
          book.input('assist', `supply.assist.${id}`),
          {
            symbol: 'efficiency',
            label: 'Of the inverter at that load',
            value: efficiency,
            unit: 'share',
            origin: ORIGIN.schmidtSauer,
          },
          { symbol: 'nominal', label: 'Nominal voltage', value: nominalV, unit: 'V', origin: ORIGIN.practiceRecalled },
        ],
      },
    });
  }
  const last = order.because.at(-1);
  book.set(`supply.start.${id}`, {
    value: order.peak,
    unit,
    label: `Highest start on ${name}, best order`,
    basis: ORIGIN.practice,
    working: {
      formula: 'what runs + (start − run) of what starts, largest first',
      inputs: order.steps.map(({ id: load, peak }, i) => ({
        symbol: `start${i}`,
        label: `${i + 1}. ${nameOf(load)} starting`,
        value: peak,
        unit,
        origin: ORIGIN.practiceRecalled,
      })),
      note: last
        ? `No order peaks lower: whichever of ${order.because.map(nameOf).join(', ')} starts last has the others running, and starts at least as hard as ${nameOf(last)}. All in the same instant: ${formatNumber(moment.allAtOnce, 1)} ${unit}.`
        : undefined,
    },
  });
  book.set(`supply.worst-start.${id}`, {
    value: moment.worstOrder,
    unit,
    label: `Highest start on ${name}, worst order`,
    basis: ORIGIN.practice,
    working: {
      formula: 'all that may coincide, chargers at full, the hardest start last',
      inputs: [book.input('full', `supply.full.${id}`)],
    },
  });
}

const LIMIT_NOTE = {
  hookup: 'A breaker in the sun or loaded for hours trips below its label; other vans share the same line.',
  generator: 'Full load for hours wears an engine; thin air takes 3.5 % for each 300 m.',
  outlet: 'It switches off by itself when it is too much, often by a timer, and below a reserve of its battery.',
} as const;
