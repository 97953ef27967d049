import { EVIDENCE_SPREAD } from '../loads/evidence.ts';
import { type Draft, family, refer, type WorkingInput } from '../quantity/figure.ts';
import { formatNumber } from '../quantity/format.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { computed, ofJob, roundTrip } from './inputs.ts';

/** The day's need, from the appliances to the store. */
export const explainDemand = (settled: Settled) =>
  family('demand', {
    useful: useful(settled),
    bus: bus(settled),
    battery: battery(settled),
    heaviest: heaviest(settled),
    night: night(settled),
    low: atLimit(settled, 'below'),
    high: atLimit(settled, 'above'),
  });

const UNIT = 'Wh/day';

const useful = ({ ledger, profiles }: Settled): Draft => ({
  value: ledger.total.usefulWh,
  unit: UNIT,
  label: 'At the appliances',
  basis: ORIGIN.si,
  working: {
    formula: 'sum over the loads of pieces × power × time',
    inputs: profiles.map(({ load, energyWh }, i) => ({
      symbol: `load${i}`,
      label: load.quantity > 1 ? `${load.quantity} × ${load.name}` : load.name,
      value: energyWh,
      unit: 'Wh',
      origin: { label: 'job' as const, source: load.evidence.replace('-', ' ') },
    })),
  },
});

const bus = ({ ledger: { total } }: Settled): Draft => ({
  value: total.usefulWh + total.conversionWh + total.idleWh + total.cableWh,
  unit: UNIT,
  label: 'Drawn from the store',
  basis: ORIGIN.si,
  working: {
    formula: '{useful} + {conversion} + {idle} + {cable}',
    inputs: [
      refer('useful', 'demand.useful'),
      refer('conversion', 'loss.conversion'),
      refer('idle', 'loss.idle'),
      refer('cable', 'loss.cable'),
    ],
  },
});

const battery = ({ ledger: { total } }: Settled): Draft => ({
  // Exactly the sum of the two figures it is shown to be.
  value: total.usefulWh + (total.conversionWh + total.idleWh + total.cableWh + total.storageWh),
  unit: UNIT,
  label: 'Need per day',
  basis: ORIGIN.si,
  working: {
    formula: '{useful} + {loss}',
    inputs: [refer('useful', 'demand.useful'), refer('loss', 'loss.total')],
    note: 'What the store must be given back each day: useful energy and every loss on the way.',
  },
});

function heaviest({ store, demand }: Settled): Draft {
  const { daysAsked: days, need } = store;
  const { everyDayWh, occasional } = demand;
  const everyDay = { ...computed('everyDay', 'Drawn on every day', everyDayWh, 'Wh/day'), figure: 'demand.bus' };
  const inputs = [everyDay, ofJob('days', 'Sunless days to ride through', days, 'days')];
  const falling = computed(
    'occasional',
    `${occasional.length} of some days of the week, on as many of these as may fall together`,
    need.heaviestWh - everyDayWh * days,
    'Wh',
  );
  const some = occasional.length > 0;
  return {
    value: need.heaviestWh,
    unit: 'Wh',
    label: `Heaviest ${days === 1 ? 'day' : `${formatNumber(days, 1)} days in a row`}`,
    basis: ORIGIN.si,
    working: {
      formula: some ? '{everyDay} × {days} + {occasional}' : '{everyDay} × {days}',
      inputs: some ? [...inputs, falling] : inputs,
      note: 'Means over the week are for the income; a store must carry the wash on the day it runs.',
    },
  };
}

/** What the store gives while there is no sun: the part that no array feeds directly. */
const night = (settled: Settled): Draft => ({
  value: settled.night.busWh / settled.roundTripEfficiency,
  unit: UNIT,
  label: 'Need by night',
  basis: ORIGIN.si,
  working: {
    formula: '{bus} ÷ {roundTrip}',
    inputs: [
      computed('bus', 'Drawn without sun', settled.night.busWh, 'Wh'),
      roundTrip(settled),
      computed('dark', 'From sunset to sunrise', settled.night.darkH, 'h'),
    ],
    note: 'All of it passes through the store, whatever the array.',
  },
});

/** How many loads the working names: what to measure first. */
const NAMED = 8;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The best or the worst case of the need; its working lists what to measure first. */
function atLimit({ job, evidence }: Settled, side: 'below' | 'above'): Draft {
  const byId = new Map(job.loads.map((load) => [load.id, load]));
  const widest = evidence.ranked.slice(0, NAMED).map(
    (doubt, i): WorkingInput => ({
      symbol: `load${i}`,
      label: `${i + 1}. ${byId.get(doubt.loadId)?.name ?? doubt.loadId}`,
      value: side === 'below' ? doubt.lowWh : doubt.highWh,
      unit: 'Wh',
      origin: { label: 'job', source: (byId.get(doubt.loadId)?.evidence ?? '').replace('-', ' ') },
    }),
  );
  const rests = Object.entries(EVIDENCE_SPREAD).map(
    ([kind, spread]): WorkingInput => ({
      symbol: kind,
      label: `Rests on ${kind.replace('-', ' ')}, ${percent(spread[side])} ${side}`,
      value: evidence.shares[kind as keyof typeof evidence.shares],
      unit: 'share',
      origin: ORIGIN.practice,
    }),
  );
  return {
    value: side === 'below' ? evidence.lowWh : evidence.highWh,
    unit: UNIT,
    label: side === 'below' ? 'Need, at the least' : 'Need, at the most',
    basis: ORIGIN.practice,
    working: {
      formula: `every load at its ${side === 'below' ? 'lowest' : 'highest'} at once`,
      inputs: [...widest, ...rests],
      note: 'The loads are listed by how much their doubt moves the day: measure them in this order. All loads at their limit at once is rare; the truth is likely nearer the middle.',
    },
  };
}
