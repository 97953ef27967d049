import { type Draft, family, refer, type WorkingInput } from '../quantity/figure.ts';
import { showText } from '../quantity/format.ts';
import { nominalVoltageV } from '../reference/chemistries.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { chemistryOf, computed, ofJob } from './inputs.ts';

/** What the store must hold and what the fitted one does. */
export const explainStore = (settled: Settled) =>
  family('store', {
    required: required(settled),
    capacity: capacity(settled),
    usable: usable(settled),
    daysOld: lasts(settled, 'old'),
    days: lasts(settled, 'new'),
    ah: ampHours(settled, 'store.capacity', settled.nominalV, `Store at ${settled.nominalV} V`),
    ah12: ampHours(settled, 'store.required', at(settled, 12), 'Needed at 12 V'),
    ah24: ampHours(settled, 'store.required', at(settled, 24), 'Needed at 24 V'),
    heater: heater(settled),
  });

const heater = ({ heater: { wh }, option, store }: Settled): Draft => {
  const { heaterW, coldestC } = option.system.store;
  const { holdC } = store.heating;
  return {
    value: wh,
    unit: 'Wh/day',
    label: 'Heater of the store',
    basis: ORIGIN.memory,
    working: {
      formula: heaterW === null ? '0: it has none' : 'while something charges: {power} until the store has {warm}',
      inputs:
        heaterW === null
          ? []
          : [
              ofJob('power', 'Heater', heaterW, 'W'),
              computed('warm', 'Heated to', holdC, '°C'),
              ofJob('coldest', 'Not below', coldestC, '°C'),
            ],
      note: 'Of what charges, never of what is stored. The store follows the air of the month with a time constant of 6 h and takes 1 kJ/(kg·K); from memory.',
    },
  };
};

/** Less than this a day, Wh, is nothing. */
const LEAST_WH = 1e-6;

const at = ({ option }: Settled, busV: 12 | 24): number => nominalVoltageV(option.system.store.chemistry, busV);

/** What ends the part of the capacity that is planned with. */
const DEPTH_BY = {
  depth: (chemistry: string) => `Usable depth, ${chemistry}`,
  'cut-off': () => 'Usable down to the cut-off',
  critical: () => 'Usable down to what is kept for critical loads',
} as const;

/** What stands between label and use, each with where it is from. */
function factorInputs(settled: Settled): Record<'depth' | 'cold' | 'age' | 'ageOfFitted' | 'discharge', WorkingInput> {
  const data = chemistryOf(settled);
  const { factors } = settled.store;
  const { coldestC, usableDepth, roundTripEfficiency } = settled.option.system.store;
  const share = (symbol: string, label: string, value: number, given: number | null): WorkingInput => ({
    symbol,
    label,
    value,
    unit: 'share',
    origin: given === null ? data.origin : ORIGIN.job,
  });
  return {
    depth: {
      ...share('depth', DEPTH_BY[factors.levels.decidedBy](data.name), factors.usableDepth, usableDepth),
      ...(factors.levels.decidedBy !== 'depth' && { origin: ORIGIN.job }),
    },
    cold: share(
      'cold',
      `Capacity left at ${showText(coldestC, '°C', settled.job.brief.region.units)}`,
      factors.coldFactor,
      null,
    ),
    age: share('age', 'Left when it is old', factors.ageingReserve, null),
    ageOfFitted: {
      ...share('age', 'Left of it when it is old', settled.store.ageing, null),
      origin: settled.option.system.store.strings?.some(({ health }) => health !== null) ? ORIGIN.job : data.origin,
    },
    discharge: share(
      'discharge',
      'Discharge efficiency, √ of round trip',
      factors.dischargeEfficiency,
      roundTripEfficiency,
    ),
  };
}

function required(settled: Settled): Draft {
  const { need } = settled.store;
  const byCurrent = need.decidedBy === 'current';
  return {
    value: need.requiredWh,
    unit: 'Wh',
    label: 'Store needed',
    basis: byCurrent ? chemistryOf(settled).origin : ORIGIN.ieee1013,
    working: byCurrent ? currentDecides(settled) : energyDecides(settled),
  };
}

const CURRENT_OF = { long: 'peak.long', worst: 'peak.current', start: 'peak.start' } as const;
const DECIDES = {
  long: 'The current of what runs for long',
  worst: 'The current at the worst moment',
  start: 'The current at the largest start',
} as const;

function currentDecides(settled: Settled): Draft['working'] {
  const data = chemistryOf(settled);
  const { need, factors } = settled.store;
  const { kind, limitC } = need.current;
  return {
    formula: '{amps} ÷ {limit} × {volts}',
    inputs: [
      refer('amps', CURRENT_OF[kind]),
      {
        symbol: 'limit',
        label: `What ${data.name} may give ${kind === 'long' ? 'for long' : 'for a short time'}, A for each Ah`,
        value: limitC,
        unit: 'C',
        origin: data.origin,
      },
      { symbol: 'volts', label: 'Nominal voltage', value: factors.nominalV, unit: 'V', origin: data.origin },
      {
        symbol: 'energy',
        label: 'The energy alone would ask for',
        value: need.byEnergyWh,
        unit: 'Wh',
        origin: ORIGIN.ieee1013,
      },
    ],
    note: `${DECIDES[kind]} decides, not the energy.`,
  };
}

function energyDecides(settled: Settled): Draft['working'] {
  const { need, factors } = settled.store;
  const { depth, cold, age, discharge } = factorInputs(settled);
  const loses = need.selfShare > 0;
  const { selfDischarge } = settled.option.system.store;
  const self: WorkingInput = {
    symbol: 'self',
    label: `Self-discharge in ${showText(settled.store.daysAsked, 'days')}`,
    value: need.selfShare,
    unit: 'share',
    origin: selfDischarge === null ? chemistryOf(settled).origin : ORIGIN.job,
  };
  return {
    formula: `{heaviest} × {peukert} ÷ (${loses ? '({depth} × {cold} − {self})' : '{depth} × {cold}'} × {age} × {discharge})`,
    inputs: [
      refer('heaviest', 'demand.heaviest'),
      depth,
      cold,
      ...(loses ? [self] : []),
      age,
      discharge,
      {
        symbol: 'peukert',
        label: `Peukert, k ${chemistryOf(settled).peukert}, at ${factors.typicalA.toFixed(1)} A`,
        value: need.peukertFactor,
        unit: '',
        origin: ORIGIN.peukert,
      },
    ],
    note:
      settled.brief.sunlessDays < 1
        ? 'At least one day is taken, so that it lasts a night.'
        : 'Nothing is counted on from sun or alternator in these days.',
  };
}

function capacity(settled: Settled): Draft {
  const { capacityWh, bank, factors } = settled.store;
  const fitted =
    bank === null
      ? []
      : [
          ofJob('ah', bank.units === 1 ? 'Fitted' : `Fitted, ${bank.units} units`, bank.ah, 'Ah'),
          {
            symbol: 'volts',
            label: 'Nominal voltage',
            value: factors.nominalV,
            unit: 'V',
            origin: chemistryOf(settled).origin,
          },
        ];
  return {
    value: capacityWh,
    unit: 'Wh',
    label: 'Store',
    basis: bank === null ? ORIGIN.computed : ORIGIN.job,
    working: {
      formula: bank === null ? 'as required' : '{ah} × {volts}',
      inputs: [...fitted, refer('required', 'store.required')],
    },
  };
}

function usable(settled: Settled): Draft {
  const { depth } = factorInputs(settled);
  return {
    value: settled.store.usableWh,
    unit: 'Wh',
    label: 'Usable',
    basis: depth.origin,
    working: {
      formula: '{capacity} × {depth}',
      inputs: [refer('capacity', 'store.capacity'), depth],
      note: 'New and at 25 °C, before the loss of getting it out.',
    },
  };
}

const STATE = {
  old: {
    label: 'Lasts with no sun, old and cold',
    gives: 'It gives, old and at its coldest',
    note: 'By the factors that size it: a store of the size asked for lasts the days asked for, old and at its coldest. In days of the mean; Days plays it by the clock.',
  },
  new: {
    label: 'Lasts with no sun, new',
    gives: 'It gives, new and warm',
    note: 'By its label: new, warm and drawn slowly. It is not sized for that.',
  },
} as const;

function lasts(settled: Settled, state: keyof typeof STATE): Draft {
  const { store } = settled;
  const { depth, cold, ageOfFitted, discharge } = factorInputs(settled);
  const { label, gives, note } = STATE[state];
  return {
    value: store[state].days,
    unit: 'days',
    label,
    basis: ORIGIN.ieee1013,
    working: {
      formula:
        store.need.heaviestWh >= LEAST_WH ? 'the days whose heaviest case it carries' : 'nothing draws on it yet',
      inputs: [
        computed('gives', gives, store[state].givesWh, 'Wh'),
        refer('capacity', 'store.capacity'),
        depth,
        ...(state === 'old' ? [cold, ageOfFitted] : []),
        discharge,
        refer('heaviest', 'demand.heaviest'),
        ...(store.factors.selfPerDay > 0
          ? [computed('self', 'Self-discharge, of its capacity a day', store.factors.selfPerDay, 'share')]
          : []),
      ],
      note,
    },
  };
}

function ampHours(settled: Settled, from: 'store.capacity' | 'store.required', volts: number, label: string): Draft {
  const { store } = settled;
  const data = chemistryOf(settled);
  return {
    value: (from === 'store.capacity' ? store.capacityWh : store.need.requiredWh) / volts,
    unit: 'Ah',
    label,
    basis: ORIGIN.si,
    working: {
      formula: '{energy} ÷ {volts}',
      inputs: [
        refer('energy', from),
        { symbol: 'volts', label: `Nominal voltage, ${data.name}`, value: volts, unit: 'V', origin: data.origin },
      ],
      note: '12 V lead is counted at 12.0 V, LFP at 12.8 V: 6.7 % apart.',
    },
  };
}
