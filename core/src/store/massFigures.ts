import type { Brief, System } from '../job/schema.ts';
import type { FigureBook } from '../quantity/figure.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';

/** What battery, array and inverter weigh together, kg, and the payload that leaves. Common practice. */
export function recordMass(book: FigureBook, brief: Brief, system: System, invertersW: number): void {
  const data = CHEMISTRY[system.store.chemistry];
  const ahAt12V = book.value('store.capacity') / data.nominal12V;
  const panelKgPerW = DEFAULT.panelKgPerM2.value / DEFAULT.panelWPerM2.value;
  const kit = book.set('mass.kit', {
    value:
      (ahAt12V / 100) * data.kgPer100Ah12V +
      book.value('array.rating') * panelKgPerW +
      (invertersW / 1000) * DEFAULT.inverterKgPerKw.value,
    unit: 'kg',
    label: 'Kit weighs',
    basis: ORIGIN.practice,
    working: {
      formula: '{ah} ÷ 100 × {battery} + {array} × {panel} + {inverter} ÷ 1000 × {perKw}',
      inputs: [
        { symbol: 'ah', label: 'Store, counted at 12 V', value: ahAt12V, unit: 'Ah', origin: ORIGIN.computed },
        {
          symbol: 'battery',
          label: `${data.name} per 100 Ah at 12 V`,
          value: data.kgPer100Ah12V,
          unit: 'kg',
          origin: data.origin,
        },
        book.input('array', 'array.rating'),
        {
          symbol: 'panel',
          label: 'Rigid panel per W',
          value: panelKgPerW,
          unit: 'kg',
          origin: DEFAULT.panelKgPerM2.origin,
        },
        { symbol: 'inverter', label: 'Inverters together', value: invertersW, unit: 'W', origin: ORIGIN.computed },
        {
          symbol: 'perKw',
          label: 'Inverter per kW',
          value: DEFAULT.inverterKgPerKw.value,
          unit: 'kg',
          origin: DEFAULT.inverterKgPerKw.origin,
        },
      ],
      note: 'Cables, fuses and mountings come on top.',
    },
  });
  if (brief.payloadKg === null) return;
  book.set('payload.left', {
    value: brief.payloadKg - kit,
    unit: 'kg',
    label: 'Payload left',
    basis: ORIGIN.job,
    working: {
      formula: '{payload} − {kit}',
      inputs: [
        { symbol: 'payload', label: 'Payload before this kit', value: brief.payloadKg, unit: 'kg', origin: ORIGIN.job },
        book.input('kit', 'mass.kit'),
      ],
      note: 'Weigh the vehicle: this is an estimate. Axle limits count as well.',
    },
  });
}
