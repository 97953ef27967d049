import type { Brief, Job, System } from '../job/schema.ts';
import type { Figure, FigureBook, WorkingInput } from '../quantity/figure.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { SKY } from '../reference/skies.ts';
import type { SunDay } from '../sun/day.ts';
import { alternatorLimit, standardDcdc } from './alternator.ts';
import { type ArrayDay, arrayOutput } from './array.ts';

const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** Less driving than a minute is none. */
const SHORTEST_DRIVE_H = 1 / 60;
/** An array of which 1 W yields less than this a day, Wh, helps nobody. */
const LEAST_YIELD_WH = 1e-3;

export const monthName = (month: number): string => MONTHS[month - 1] ?? String(month);

export function recordAlternator(book: FigureBook, brief: Brief, system: System, nominalV: number): void {
  const limit = alternatorLimit(brief.alternator, nominalV);
  const chargeLimitA = (book.value('store.capacity') / nominalV) * CHEMISTRY[system.store.chemistry].chargeLimitC;
  const volts: WorkingInput = {
    symbol: 'volts',
    label: 'Nominal voltage of the store',
    value: nominalV,
    unit: 'V',
    origin: CHEMISTRY[system.store.chemistry].origin,
  };
  const hours: WorkingInput = {
    symbol: 'hours',
    label: 'Driving a day',
    value: brief.driveHoursPerDay,
    unit: 'h',
    origin: ORIGIN.job,
  };
  const limitA = book.set('alternator.limit', {
    value: limit.outputA,
    unit: 'A',
    label: 'The alternator can feed',
    basis: ORIGIN.practice,
    working: {
      formula:
        limit.decidedBy === 'share'
          ? '{rating} × {share} × {inputV} × {eta} ÷ {volts}'
          : '({rating} × {hot} − {own}) × {inputV} × {eta} ÷ {volts}',
      inputs: [
        { symbol: 'rating', label: 'Alternator', value: brief.alternator.ratingA, unit: 'A', origin: ORIGIN.job },
        fromDefault('share', 'Largest share for charging', 'alternatorShare', 'share'),
        fromDefault('hot', 'Left when hot', 'alternatorHotFactor', 'share'),
        fromDefault('own', 'The vehicle’s own loads', 'alternatorOwnLoadA', 'A'),
        { symbol: 'inputV', label: 'At the alternator', value: limit.inputV, unit: 'V', origin: ORIGIN.memory },
        fromDefault('eta', 'DC-DC efficiency', 'dcdcEfficiency', 'share'),
        volts,
      ],
    },
  });
  const drives = brief.driveHoursPerDay >= SHORTEST_DRIVE_H;
  const requiredA = book.set('dcdc.required', {
    value: drives ? book.value('demand.battery') / (brief.driveHoursPerDay * nominalV) : 0,
    unit: 'A',
    label: 'DC-DC to cover the day',
    basis: ORIGIN.si,
    working: {
      formula: drives ? '{need} ÷ ({hours} × {volts})' : '0: no driving on a usual day',
      inputs: [book.input('need', 'demand.battery'), hours, volts],
    },
  });
  const { driving } = system;
  const fittedA = driving?.reduce((sum, one) => sum + one.ratingA, 0) ?? null;
  const chosen = fittedA !== null;
  const ratingA = book.set('dcdc.rating', {
    value: fittedA ?? standardDcdc(requiredA, Math.min(limitA, chargeLimitA)),
    unit: 'A',
    label: 'DC-DC charger',
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : 'next standard size, within alternator and battery limits',
      inputs: [
        book.input('required', 'dcdc.required'),
        book.input('limit', 'alternator.limit'),
        {
          symbol: 'charge',
          label: `Charge limit, ${CHEMISTRY[system.store.chemistry].chargeLimitC} C`,
          value: chargeLimitA,
          unit: 'A',
          origin: CHEMISTRY[system.store.chemistry].origin,
        },
      ],
    },
  });
  const usedA = Math.min(ratingA, limitA);
  book.set('alternator.yield', {
    value: usedA * nominalV * brief.driveHoursPerDay,
    unit: 'Wh/day',
    label: 'From the alternator',
    basis: ORIGIN.practice,
    working: {
      formula: '{amps} × {volts} × {hours}',
      inputs: [
        {
          symbol: 'amps',
          label: ratingA > limitA ? 'DC-DC, held to the alternator’s limit' : 'DC-DC charger',
          value: usedA,
          unit: 'A',
          origin: ORIGIN.computed,
          figure: ratingA > limitA ? 'alternator.limit' : 'dcdc.rating',
        },
        volts,
        hours,
      ],
      note: 'A store that is nearly full takes less: the day’s simulation counts what it takes.',
    },
  });
}

export function recordSun(book: FigureBook, job: Job, system: System, sun: SunDay, array: ArrayDay): void {
  const { place } = job.brief;
  const month = monthName(sun.month);
  book.set('sun.hours', {
    value: sun.sunHours,
    unit: 'h',
    label: `Peak sun hours, ${month}`,
    basis: place.peakSunHours === null ? ORIGIN.duffieBeckman : ORIGIN.job,
    working:
      place.peakSunHours === null
        ? {
            formula: '{clearness} × {above}',
            inputs: [
              {
                symbol: 'clearness',
                label: `Clearness, ${SKY[place.sky].name} sky`,
                value: SKY[place.sky].clearness,
                unit: '',
                origin: ORIGIN.practiceRecalled,
              },
              {
                symbol: 'above',
                label: `Sun above the air at ${place.latitudeDeg}°`,
                value: sun.extraterrestrialKwh,
                unit: 'kWh/m²',
                origin: ORIGIN.duffieBeckman,
              },
            ],
            note: `${month} has the ${job.brief.day.season === 'summer' ? 'most' : 'least'} sun of the months of use.`,
          }
        : { formula: 'as given', inputs: [] },
  });
  const factors: WorkingInput[] =
    job.rules.arrayFactor === null
      ? [
          { symbol: 'heat', label: 'Left when hot', value: array.heatFactor, unit: 'share', origin: ORIGIN.noct },
          {
            symbol: 'rest',
            label: 'Dirt, wiring, mismatch, controller',
            value: array.otherFactor,
            unit: 'share',
            origin: ORIGIN.practice,
          },
        ]
      : [{ symbol: 'rest', label: 'Flat factor', value: array.otherFactor, unit: 'share', origin: ORIGIN.job }];
  const product = factors.map(({ symbol }) => `{${symbol}}`).join(' × ');

  const everything = job.rules.arrayCovers === 'everything';
  const toCover = Math.max(0, book.value('demand.battery') - (everything ? 0 : book.value('alternator.yield')));
  const perW = array.whPerRatedW;
  const sunRises = perW >= LEAST_YIELD_WH;
  const requiredW = book.set('array.required', {
    value: sunRises ? toCover / perW : 0,
    unit: 'W',
    label: 'Array needed',
    basis: ORIGIN.computed,
    working: {
      formula: arrayFormula(everything, sunRises, toCover > 0, product),
      inputs: [
        book.input('need', 'demand.battery'),
        ...(everything ? [] : [book.input('alternator', 'alternator.yield')]),
        book.input('sun', 'sun.hours'),
        ...factors,
      ],
      note: sunRises
        ? `Flat on the roof, unshaded, in ${month}. ${everything ? 'The alternator is not counted on.' : 'The alternator gives its share first.'}`
        : 'The sun does not rise in that month: no array can help.',
    },
  });
  const { arrays } = system;
  const fittedW = arrays?.reduce((sum, one) => sum + one.ratingW, 0) ?? null;
  const chosen = fittedW !== null;
  const ratingW = book.set('array.rating', {
    value: fittedW ?? Math.ceil(requiredW / ARRAY_STEP_W - 1e-9) * ARRAY_STEP_W,
    unit: 'W',
    label: 'Solar array',
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : `rounded up to whole steps of ${ARRAY_STEP_W} W`,
      inputs: [book.input('required', 'array.required')],
    },
  });
  const { clippedWh } = arrayOutput(arrays, ratingW, array, system.busVoltageV);
  const clips = clippedWh > 0;
  book.set('sun.yield', {
    value: ratingW * perW - clippedWh,
    unit: 'Wh/day',
    label: `From the sun, ${month}`,
    basis: ORIGIN.noct,
    working: {
      formula: `{array} × {sun} × ${product}${clips ? ' − {clipped}' : ''}`,
      inputs: [
        book.input('array', 'array.rating'),
        book.input('sun', 'sun.hours'),
        ...factors,
        ...(clips
          ? [
              {
                symbol: 'clipped',
                label: 'Held back by controllers at their limit',
                value: clippedWh,
                unit: 'Wh' as const,
                origin: ORIGIN.computed,
              },
            ]
          : []),
      ],
      note: 'Laboratory watts are not roof watts: heat, dirt and wiring take their share.',
    },
  });
  recordControllers(book);
  book.set('balance.net', {
    value: book.value('sun.yield') + book.value('alternator.yield') - book.value('demand.battery'),
    unit: 'Wh/day',
    label: 'Income less need',
    basis: ORIGIN.si,
    working: {
      formula: '{sun} + {alternator} − {need}',
      inputs: [
        book.input('sun', 'sun.yield'),
        book.input('alternator', 'alternator.yield'),
        book.input('need', 'demand.battery'),
      ],
    },
  });
}

/** What the controllers lose of the day's income before it reaches the store: no part of the need. */
function recordControllers(book: FigureBook): void {
  book.set('loss.controllers', {
    value:
      book.value('sun.yield') * (1 / DEFAULT.mpptEfficiency.value - 1) +
      book.value('alternator.yield') * (1 / DEFAULT.dcdcEfficiency.value - 1),
    unit: 'Wh/day',
    label: 'In the controllers, on the way in',
    basis: ORIGIN.practice,
    working: {
      formula: '{sun} × (1 ÷ {mppt} − 1) + {alternator} × (1 ÷ {dcdc} − 1)',
      inputs: [
        book.input('sun', 'sun.yield'),
        fromDefault('mppt', 'Solar controller', 'mpptEfficiency', 'share'),
        book.input('alternator', 'alternator.yield'),
        fromDefault('dcdc', 'DC-DC charger', 'dcdcEfficiency', 'share'),
      ],
      note: 'Lost before the store, so it is in what the sources are sized for and not in the need.',
    },
  });
}

function arrayFormula(everything: boolean, sunRises: boolean, uncovered: boolean, product: string): string {
  if (!sunRises) return '0: the sun does not rise';
  if (!uncovered) return '0: driving already covers the need';
  return `${everything ? '{need}' : '({need} − {alternator})'} ÷ ({sun} × ${product})`;
}

function fromDefault(symbol: string, label: string, key: keyof typeof DEFAULT, unit: Figure['unit']): WorkingInput {
  return { symbol, label, value: DEFAULT[key].value, unit, origin: DEFAULT[key].origin };
}
