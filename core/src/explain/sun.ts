import { type Draft, family, refer, type WorkingInput } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { SKY } from '../reference/skies.ts';
import type { Settled } from '../settle/settle.ts';
import { monthName } from '../sun/months.ts';
import { besidesInputs, computed } from './inputs.ts';

/** The sun of the month designed for, and the panels. */
export const explainSun = (settled: Settled) => ({
  ...family('sun', { hours: hours(settled), yield: yielded(settled) }),
  ...family('array', { required: required(settled), rating: rating(settled) }),
  ...family('balance', { net: net(settled) }),
});

const month = ({ sun }: Settled): string => monthName(sun.month);

function hours(settled: Settled): Draft {
  const { sun, brief } = settled;
  const { place, day } = brief;
  const isTyped = place.peakSunHours !== null;
  return {
    value: sun.sunHours,
    unit: 'h',
    label: `Peak sun hours, ${month(settled)}`,
    basis: isTyped ? ORIGIN.job : ORIGIN.duffieBeckman,
    working: isTyped
      ? { formula: 'as given', inputs: [] }
      : {
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
          note: `${month(settled)} has the ${day.season === 'summer' ? 'most' : 'least'} sun of the months of use.`,
        },
  };
}

/** What is left of laboratory watts: by each cause, or one flat factor. */
function factors({ job, solar }: Settled): WorkingInput[] {
  const { heatFactor, otherFactor } = solar.flat;
  const share = (symbol: string, label: string, value: number, origin: WorkingInput['origin']): WorkingInput => ({
    symbol,
    label,
    value,
    unit: 'share',
    origin,
  });
  if (job.rules.arrayFactor !== null) return [share('rest', 'Flat factor', otherFactor, ORIGIN.job)];
  return [
    share('heat', 'Left when hot', heatFactor, ORIGIN.noct),
    share('rest', 'Dirt, wiring, mismatch, controller', otherFactor, ORIGIN.practice),
  ];
}

const productOf = (inputs: readonly WorkingInput[]): string => inputs.map(({ symbol }) => `{${symbol}}`).join(' × ');

function required(settled: Settled): Draft {
  const { job, solar } = settled;
  const everything = job.rules.arrayCovers === 'everything';
  const shares = factors(settled);
  const besides = besidesInputs(settled);
  const asks = ['{need}', ...besides.map(({ symbol }) => ` + {${symbol}}`), ...(everything ? [] : [' − {alternator}'])];
  const fills = solar.moreW > 0;
  const covers = `${asks.length > 1 ? `(${asks.join('')})` : asks.join('')} ÷ ({sun} × ${productOf(shares)})`;
  const formula = !solar.sunRises
    ? settled.sun.extraterrestrialKwh > 0
      ? '0: next to no sun'
      : '0: the sun does not rise'
    : solar.toCoverWh <= 0
      ? fills
        ? '{fills}'
        : '0: driving already covers the need'
      : `${covers}${fills ? ' + {fills}' : ''}`;
  return {
    value: solar.requiredW,
    unit: 'W',
    label: 'Array needed',
    basis: ORIGIN.computed,
    working: {
      formula,
      inputs: [
        refer('need', 'demand.battery'),
        ...besides,
        ...(everything ? [] : [refer('alternator', 'alternator.counts')]),
        refer('sun', 'sun.hours'),
        ...shares,
        ...(fills ? [computed('fills', 'More, as a store that fills takes less', solar.moreW, 'W')] : []),
      ],
      note: solar.sunRises
        ? `Flat on the roof, unshaded, in ${month(settled)}. ${everything ? 'The alternator is not counted on.' : 'The alternator gives its share first.'}${fills ? ' By that alone the day played through goes short, as a store takes less the fuller it is: the array is made larger in steps until it does not.' : ''}`
        : settled.sun.extraterrestrialKwh > 0
          ? 'Next to no sun in that month by the figure given: no array can help.'
          : 'The sun does not rise in that month: no array can help.',
    },
  };
}

const rating = ({ solar }: Settled): Draft => ({
  value: solar.ratingW,
  unit: 'W',
  label: 'Solar array',
  basis: solar.isChosen ? ORIGIN.job : ORIGIN.practice,
  working: {
    formula: solar.isChosen ? 'as chosen' : `rounded up to whole steps of ${ARRAY_STEP_W} W`,
    inputs: [refer('required', 'array.required')],
  },
});

function yielded(settled: Settled): Draft {
  const { sources, income } = settled;
  const yieldWh = income.sunWh;
  const clippedWh = sources.reduce((sum, { kind, clippedWh: held }) => sum + (kind === 'sun' ? held : 0), 0);
  const flatWh = settled.solar.ratingW * settled.solar.flat.whPerRatedW;
  const lieFactor = flatWh > 0 ? (yieldWh + clippedWh) / flatWh : 1;
  const flat = Math.abs(lieFactor - 1) < 1e-9;
  const lie = computed('lie', 'By how they lie, shade, panels and controllers', lieFactor, '');
  const shares = flat ? factors(settled) : [...factors(settled), lie];
  const clips = clippedWh > 0;
  const clipped = computed('clipped', 'Held back by controllers at their limit', clippedWh, 'Wh');
  return {
    value: yieldWh,
    unit: 'Wh/day',
    label: `From the sun, ${month(settled)}`,
    basis: ORIGIN.noct,
    working: {
      formula: `{array} × {sun} × ${productOf(shares)}${clips ? ' − {clipped}' : ''}`,
      inputs: [refer('array', 'array.rating'), refer('sun', 'sun.hours'), ...shares, ...(clips ? [clipped] : [])],
      note: 'Laboratory watts are not roof watts: heat, dirt and wiring take their share.',
    },
  };
}

/** Wh a day that are not worth a term. */
const WORTH_WH = 0.05;

function net({ income, heater }: Settled): Draft {
  const { balanceWh, sparedWh, lockedWh, selfWh } = income;
  const [spares, locks, loses] = [Math.abs(sparedWh) >= WORTH_WH, lockedWh >= WORTH_WH, selfWh > 0];
  return {
    value: balanceWh,
    unit: 'Wh/day',
    label: 'Income less need',
    basis: ORIGIN.si,
    working: {
      formula: `{sun} + {alternator} − {need}${heater.wh > 0 ? ' − {heater}' : ''}${spares ? ' + {spared}' : ''}${locks ? ' − {locked}' : ''}${loses ? ' − {self}' : ''}`,
      inputs: [
        refer('sun', 'sun.yield'),
        refer('alternator', 'alternator.counts'),
        refer('need', 'demand.battery'),
        ...(heater.wh > 0 ? [refer('heater', 'store.heater')] : []),
        ...(spares
          ? [computed('spared', 'Not lost in the battery: what runs while something comes', sparedWh, 'Wh/day')]
          : []),
        ...(locks ? [computed('locked', 'Not taken while it is too cold to be charged', lockedWh, 'Wh/day')] : []),
        ...(loses ? [computed('self', 'Self-discharge of the battery', selfWh, 'Wh/day')] : []),
      ],
      note: 'What the battery gains over such a day, below 0 what it loses.',
    },
  };
}
