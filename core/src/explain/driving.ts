import { type Draft, family, refer } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { besidesInputs, chargingVolts, chemistryOf, computed, fromDefault, ofJob } from './inputs.ts';

/** What charges from the alternator. */
export const explainDriving = (settled: Settled) => ({
  ...family('alternator', { limit: limit(settled), yield: yielded(settled), counts: counts(settled) }),
  ...family('dcdc', { required: required(settled), rating: rating(settled) }),
});

const hours = ({ driving }: Settled) => ofJob('hours', 'Driving a day', driving.hours, 'h');

function limit(settled: Settled): Draft {
  const { alternator } = settled.brief;
  const { outputA, inputV, decidedBy } = settled.driving.limit;
  return {
    value: outputA,
    unit: 'A',
    label: 'The alternator can feed',
    basis: ORIGIN.practice,
    working: {
      formula:
        decidedBy === 'share'
          ? '{rating} × {share} × {inputV} × {eta} ÷ {volts}'
          : '({rating} × {hot} − {own}) × {inputV} × {eta} ÷ {volts}',
      inputs: [
        ofJob('rating', 'Alternator', alternator.ratingA, 'A'),
        fromDefault('share', 'Largest share for charging', 'alternatorShare', 'share'),
        alternator.hotFactor === null
          ? fromDefault('hot', 'Left when hot', 'alternatorHotFactor', 'share')
          : ofJob('hot', 'Left when hot', alternator.hotFactor, 'share'),
        alternator.ownLoadA === null
          ? fromDefault('own', 'The vehicle’s own loads', 'alternatorOwnLoadA', 'A')
          : ofJob('own', 'The vehicle’s own loads', alternator.ownLoadA, 'A'),
        {
          symbol: 'inputV',
          label: 'At the alternator',
          value: inputV,
          unit: 'V',
          origin: alternator.volts === null ? ORIGIN.memory : ORIGIN.job,
        },
        fromDefault('eta', 'DC-DC efficiency', 'dcdcEfficiency', 'share'),
        chargingVolts(settled),
      ],
    },
  };
}

function required(settled: Settled): Draft {
  const besides = besidesInputs(settled);
  const asked = ['{need}', ...besides.map(({ symbol }) => `{${symbol}}`)].join(' + ');
  return {
    value: settled.driving.requiredA,
    unit: 'A',
    label: 'DC-DC to cover the day',
    basis: ORIGIN.si,
    working: {
      formula: settled.driving.drives
        ? `${besides.length > 0 ? `(${asked})` : asked} ÷ ({hours} × {volts} × {counted})${settled.driving.requiredLeadA > 0 ? ' + {lead}' : ''}`
        : '0: no driving on a usual day',
      inputs: [
        refer('need', 'demand.battery'),
        ...besides,
        hours(settled),
        chargingVolts(settled),
        counted(settled),
        ...(settled.driving.requiredLeadA > 0
          ? [computed('lead', 'Lost on its lead, as laid', settled.driving.requiredLeadA, 'A')]
          : []),
      ],
      note: AMPS,
    },
  };
}

function rating(settled: Settled): Draft {
  const { ratingA, isChosen, chargeLimitA } = settled.driving;
  const data = chemistryOf(settled);
  return {
    value: ratingA,
    unit: 'A',
    label: 'DC-DC charger',
    basis: isChosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: isChosen ? 'as chosen' : 'next standard size, within alternator and battery limits',
      inputs: [
        refer('required', 'dcdc.required'),
        refer('limit', 'alternator.limit'),
        {
          symbol: 'charge',
          label: settled.store.bank ? 'Charge limit of the bank' : `Charge limit, ${data.chargeLimitC} C`,
          value: chargeLimitA,
          unit: 'A',
          origin: data.origin,
        },
      ],
    },
  };
}

function yielded(settled: Settled): Draft {
  const { usedA, links, ratingA, limit, yieldWh } = settled.driving;
  const { drivingWh } = settled.income;
  // Chargers whose cables are not reckoned give their rating, or what the alternator can feed.
  const loses = links.some(({ link }) => (settled.leads?.ofLink.get(link.id) ?? 0) > 0);
  const plain = !loses && links.every(({ link, cableM }) => link.kind === 'dc-dc' && cableM === 0);
  const held = plain && ratingA > limit.outputA;
  const label = held
    ? 'DC-DC, held to the alternator’s limit'
    : plain
      ? 'DC-DC charger'
      : `Chargers and relays${loses ? ', less what their leads lose' : ''}`;
  const sunFirst = yieldWh - drivingWh;
  return {
    value: drivingWh,
    unit: 'Wh/day',
    label: 'From the alternator',
    basis: ORIGIN.practice,
    working: {
      formula: `{amps} × {volts} × {hours}${sunFirst > 1e-6 ? ' − {sun}' : ''}`,
      inputs: [
        plain
          ? { ...computed('amps', label, usedA, 'A'), figure: held ? 'alternator.limit' : 'dcdc.rating' }
          : computed('amps', label, usedA, 'A'),
        ...(sunFirst > 1e-6 ? [computed('sun', 'Not taken: outputs and inputs that are shared', sunFirst, 'Wh')] : []),
        chargingVolts(settled),
        hours(settled),
      ],
      note: 'A store that is nearly full takes less: the day’s simulation counts what it takes.',
    },
  };
}

/** Amps are limited as amps: what they are worth does not rise with the volts at which they come. */
const AMPS =
  'A charger is limited in amps, and amps are counted as amps: what it gives at charging volts counts as so many ampere-hours at the store’s own.';

const counted = ({ driving }: Settled) =>
  computed(
    'counted',
    'Ampere-hours at the store’s own volts, as against the watts they come with',
    driving.countsShare,
    'share',
  );

const counts = (settled: Settled): Draft => ({
  value: settled.income.drivingCountsWh,
  unit: 'Wh/day',
  label: 'Of it counts against the need',
  basis: ORIGIN.practice,
  working: {
    formula: '{yield} × {counted}',
    inputs: [refer('yield', 'alternator.yield'), counted(settled)],
    note: AMPS,
  },
});
