import type { Brief, System } from '../job/schema.ts';
import type { FigureBook } from '../quantity/figure.ts';
import { CHEMISTRY, nominalVoltageV } from '../reference/chemistries.ts';
import { ORIGIN } from '../reference/origins.ts';
import { storeNeed } from './requirement.ts';

/** Less than this a day, Wh, is nothing. */
const LEAST_WH = 1e-6;

/** Records what the store must hold and what the fitted one does. @param typicalA charge-weighted mean current, A */
export function recordStore(book: FigureBook, brief: Brief, system: System, typicalA: number): void {
  const data = CHEMISTRY[system.store.chemistry];
  const days = Math.max(1, brief.sunlessDays);
  const busWh = book.value('demand.bus');
  const drawn = busWh >= LEAST_WH;
  const need = storeNeed(system, busWh, days, typicalA);
  const givenOr = (given: number | null) => (given === null ? data.origin : ORIGIN.job);
  const depth = {
    symbol: 'depth',
    label: `Usable depth, ${data.name}`,
    value: need.usableDepth,
    unit: 'share',
    origin: givenOr(system.store.usableDepth),
  };
  const requiredWh = book.set('store.required', {
    value: need.requiredWh,
    unit: 'Wh',
    label: 'Store needed',
    basis: ORIGIN.ieee1013,
    working: {
      formula: '{bus} × {days} × {peukert} ÷ ({depth} × {cold} × {age} × {discharge})',
      inputs: [
        book.input('bus', 'demand.bus'),
        { symbol: 'days', label: 'Sunless days to ride through', value: days, unit: 'days', origin: ORIGIN.job },
        depth,
        {
          symbol: 'cold',
          label: `Capacity left at ${system.store.coldestC} °C`,
          value: need.coldFactor,
          unit: 'share',
          origin: data.origin,
        },
        {
          symbol: 'age',
          label: 'Left when it is old',
          value: need.ageingReserve,
          unit: 'share',
          origin: data.origin,
        },
        {
          symbol: 'discharge',
          label: 'Discharge efficiency, √ of round trip',
          value: need.dischargeEfficiency,
          unit: 'share',
          origin: givenOr(system.store.roundTripEfficiency),
        },
        {
          symbol: 'peukert',
          label: `Peukert, k ${data.peukert}, at ${typicalA.toFixed(1)} A`,
          value: need.peukertFactor,
          unit: '',
          origin: ORIGIN.peukert,
        },
      ],
      note:
        brief.sunlessDays < 1
          ? 'At least one day is taken, so that it lasts a night.'
          : 'Nothing is counted on from sun or alternator in these days.',
    },
  });
  const { capacityAh } = system.store;
  const capacityWh = book.set('store.capacity', {
    value: capacityAh === null ? requiredWh : capacityAh * need.nominalV,
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
              { symbol: 'volts', label: 'Nominal voltage', value: need.nominalV, unit: 'V', origin: data.origin },
            ]),
        book.input('required', 'store.required'),
      ],
    },
  });
  const usableWh = book.set('store.usable', {
    value: capacityWh * need.usableDepth,
    unit: 'Wh',
    label: 'Usable',
    basis: depth.origin,
    working: {
      formula: '{capacity} × {depth}',
      inputs: [book.input('capacity', 'store.capacity'), depth],
      note: 'New and at 25 °C. Cold and age are in the capacity asked for, not in this figure.',
    },
  });
  book.set('store.days', {
    value: drawn ? usableWh / busWh : 0,
    unit: 'days',
    label: 'Lasts with no sun',
    basis: ORIGIN.si,
    working: {
      formula: drawn ? '{usable} ÷ {bus}' : 'nothing draws on it yet',
      inputs: [book.input('usable', 'store.usable'), book.input('bus', 'demand.bus')],
    },
  });
  recordAmpHours(book, system, need.nominalV);
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
