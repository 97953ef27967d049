import type { Brief, System } from '../job/schema.ts';
import type { FigureBook } from '../quantity/figure.ts';
import { formatNumber } from '../quantity/format.ts';
import { CHEMISTRY, nominalVoltageV } from '../reference/chemistries.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Demand } from './demand.ts';
import { givesWh, lastsDays, type StoreFactors, type StoreState, storeNeed } from './requirement.ts';

/** Less than this a day, Wh, is nothing. */
const LEAST_WH = 1e-6;

/** Records what the store must hold and what the fitted one does. */
export function recordStore(
  book: FigureBook,
  brief: Brief,
  system: System,
  demand: Demand,
  factors: StoreFactors,
): void {
  const data = CHEMISTRY[system.store.chemistry];
  const days = Math.max(1, brief.sunlessDays);
  const need = storeNeed(system, demand, days, factors, book.value('peak.current'));
  const drawn = need.heaviestWh >= LEAST_WH;
  const givenOr = (given: number | null) => (given === null ? data.origin : ORIGIN.job);
  const depth = {
    symbol: 'depth',
    label: `Usable depth, ${data.name}`,
    value: factors.usableDepth,
    unit: 'share',
    origin: givenOr(system.store.usableDepth),
  };
  const discharge = {
    symbol: 'discharge',
    label: 'Discharge efficiency, √ of round trip',
    value: factors.dischargeEfficiency,
    unit: 'share',
    origin: givenOr(system.store.roundTripEfficiency),
  };
  const cold = {
    symbol: 'cold',
    label: `Capacity left at ${system.store.coldestC} °C`,
    value: factors.coldFactor,
    unit: 'share',
    origin: data.origin,
  };
  const age = {
    symbol: 'age',
    label: 'Left when it is old',
    value: factors.ageingReserve,
    unit: 'share',
    origin: data.origin,
  };
  book.set('demand.heaviest', {
    value: need.heaviestWh,
    unit: 'Wh',
    label: `Heaviest ${days === 1 ? 'day' : `${formatNumber(days, 1)} days in a row`}`,
    basis: ORIGIN.si,
    working: {
      formula: demand.occasional.length === 0 ? '{everyDay} × {days}' : '{everyDay} × {days} + {occasional}',
      inputs: [
        {
          symbol: 'everyDay',
          label: 'Drawn on every day',
          value: demand.everyDayWh,
          unit: 'Wh/day',
          origin: ORIGIN.computed,
          figure: 'demand.bus',
        },
        { symbol: 'days', label: 'Sunless days to ride through', value: days, unit: 'days', origin: ORIGIN.job },
        ...(demand.occasional.length === 0
          ? []
          : [
              {
                symbol: 'occasional',
                label: `${demand.occasional.length} of some days of the week, on as many of these as may fall together`,
                value: need.heaviestWh - demand.everyDayWh * days,
                unit: 'Wh' as const,
                origin: ORIGIN.computed,
              },
            ]),
      ],
      note: 'Means over the week are for the income; a store must carry the wash on the day it runs.',
    },
  });
  const byCurrent = need.decidedBy === 'current';
  const requiredWh = book.set('store.required', {
    value: need.requiredWh,
    unit: 'Wh',
    label: 'Store needed',
    basis: byCurrent ? data.origin : ORIGIN.ieee1013,
    working: {
      formula: byCurrent
        ? '{amps} ÷ {limit} × {volts}'
        : '{heaviest} × {peukert} ÷ ({depth} × {cold} × {age} × {discharge})',
      inputs: byCurrent
        ? [
            book.input('amps', 'peak.current'),
            {
              symbol: 'limit',
              label: `What ${data.name} may give, A for each Ah`,
              value: data.dischargeLimitC,
              unit: 'C',
              origin: data.origin,
            },
            {
              symbol: 'volts',
              label: 'Nominal voltage',
              value: factors.nominalV,
              unit: 'V',
              origin: data.origin,
            },
            {
              symbol: 'energy',
              label: 'The energy alone would ask for',
              value: need.byEnergyWh,
              unit: 'Wh',
              origin: ORIGIN.ieee1013,
            },
          ]
        : [
            book.input('heaviest', 'demand.heaviest'),
            depth,
            cold,
            age,
            discharge,
            {
              symbol: 'peukert',
              label: `Peukert, k ${data.peukert}, at ${factors.typicalA.toFixed(1)} A`,
              value: need.peukertFactor,
              unit: '',
              origin: ORIGIN.peukert,
            },
          ],
      note: byCurrent
        ? 'The current at the worst moment decides, not the energy.'
        : brief.sunlessDays < 1
          ? 'At least one day is taken, so that it lasts a night.'
          : 'Nothing is counted on from sun or alternator in these days.',
    },
  });
  const { strings } = system.store;
  const capacityAh = strings?.reduce((sum, one) => sum + one.capacityAh, 0) ?? null;
  const capacityWh = book.set('store.capacity', {
    value: capacityAh === null ? requiredWh : capacityAh * factors.nominalV,
    unit: 'Wh',
    label: 'Store',
    basis: capacityAh === null ? ORIGIN.computed : ORIGIN.job,
    working: {
      formula: capacityAh === null ? 'as required' : '{ah} × {volts}',
      inputs: [
        ...(capacityAh === null
          ? []
          : [
              { symbol: 'ah', label: 'Fitted', value: capacityAh, unit: 'Ah', origin: ORIGIN.job },
              { symbol: 'volts', label: 'Nominal voltage', value: factors.nominalV, unit: 'V', origin: data.origin },
            ]),
        book.input('required', 'store.required'),
      ],
    },
  });
  book.set('store.usable', {
    value: capacityWh * factors.usableDepth,
    unit: 'Wh',
    label: 'Usable',
    basis: depth.origin,
    working: {
      formula: '{capacity} × {depth}',
      inputs: [book.input('capacity', 'store.capacity'), depth],
      note: 'New and at 25 °C, before the loss of getting it out.',
    },
  });
  const lasts = (id: 'store.daysOld' | 'store.days', state: StoreState, label: string, note: string) =>
    book.set(id, {
      value: lastsDays(capacityWh, demand, factors, state),
      unit: 'days',
      label,
      basis: ORIGIN.ieee1013,
      working: {
        formula: drawn ? 'the days whose heaviest case it carries' : 'nothing draws on it yet',
        inputs: [
          {
            symbol: 'gives',
            label: state === 'old' ? 'It gives, old and at its coldest' : 'It gives, new and warm',
            value: givesWh(capacityWh, factors, state),
            unit: 'Wh',
            origin: ORIGIN.computed,
          },
          book.input('capacity', 'store.capacity'),
          depth,
          ...(state === 'old' ? [cold, age] : []),
          discharge,
          book.input('heaviest', 'demand.heaviest'),
        ],
        note,
      },
    });
  lasts(
    'store.daysOld',
    'old',
    'Lasts with no sun, old and cold',
    'By the factors that size it: a store of the size asked for lasts the days asked for, old and at its coldest.',
  );
  lasts(
    'store.days',
    'new',
    'Lasts with no sun, new',
    'By its label: new, warm and drawn slowly. It is not sized for that.',
  );
  recordAmpHours(book, system, factors.nominalV);
}

function recordAmpHours(book: FigureBook, system: System, nominalV: number): void {
  const { chemistry } = system.store;
  const ah = (
    id: 'store.ah' | 'store.ah12' | 'store.ah24',
    from: 'store.capacity' | 'store.required',
    volts: number,
    label: string,
  ) =>
    book.set(id, {
      value: book.value(from) / volts,
      unit: 'Ah',
      label,
      basis: ORIGIN.si,
      working: {
        formula: '{energy} ÷ {volts}',
        inputs: [
          book.input('energy', from),
          {
            symbol: 'volts',
            label: `Nominal voltage, ${CHEMISTRY[chemistry].name}`,
            value: volts,
            unit: 'V',
            origin: CHEMISTRY[chemistry].origin,
          },
        ],
        note: '12 V lead is counted at 12.0 V, LFP at 12.8 V: 6.7 % apart.',
      },
    });
  ah('store.ah', 'store.capacity', nominalV, `Store at ${nominalV} V`);
  ah('store.ah12', 'store.required', nominalVoltageV(chemistry, 12), 'Needed at 12 V');
  ah('store.ah24', 'store.required', nominalVoltageV(chemistry, 24), 'Needed at 24 V');
}
