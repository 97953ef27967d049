import { panelKg, panelKgPerW } from '../panels/panels.ts';
import { type Draft, type Drafts, family, refer } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { chemistryOf, computed, fromDefault, ofJob } from './inputs.ts';

/** What battery, array and inverters weigh, and the payload that leaves where one is given. */
export const explainMass = (settled: Settled) => ({
  ...family('mass', { kit: kit(settled) }),
  ...payload(settled),
});

function kit(settled: Settled): Draft {
  const data = chemistryOf(settled);
  const { bank } = settled.store;
  const listed = settled.solar.arrays.some(({ panels }) => panels.length > 0);
  const { saidKg, usualW, cablesKg } = settled.kit;
  return {
    value: settled.kit.kg,
    unit: 'kg',
    label: 'Kit weighs',
    basis: ORIGIN.practice,
    working: {
      formula: `${bank ? '{bank}' : '{ah} ÷ 100 × {battery}'} + ${listed ? '{panels}' : '{array} × {panel}'} + {inverter} ÷ 1000 × {perKw}${saidKg > 0 ? ' + {said}' : ''}${settled.leads ? ' + {cables}' : ''}`,
      inputs: [
        ...(bank
          ? [computed('bank', bank.units === 1 ? 'The battery' : `The bank, ${bank.units} units`, bank.kg, 'kg')]
          : [
              computed('ah', 'Store, counted at 12 V', settled.store.capacityWh / data.nominal12V, 'Ah'),
              {
                symbol: 'battery',
                label: `${data.name} per 100 Ah at 12 V`,
                value: data.kgPer100Ah12V,
                unit: 'kg',
                origin: data.origin,
              },
            ]),
        ...(listed
          ? [computed('panels', 'The panels', panelKg(settled.solar.arrays), 'kg')]
          : [
              refer('array', 'array.rating'),
              {
                symbol: 'panel',
                label: 'Rigid panel per W',
                value: panelKgPerW(),
                unit: 'kg',
                origin: DEFAULT.panelKgPerM2.origin,
              },
            ]),
        computed('inverter', saidKg > 0 ? 'Inverters of which no kg are said' : 'Inverters together', usualW, 'W'),
        fromDefault('perKw', 'Inverter per kW', 'inverterKgPerKw', 'kg'),
        ...(saidKg > 0 ? [computed('said', 'What converts and charges, as said of it', saidKg, 'kg')] : []),
        ...(settled.leads ? [computed('cables', 'Copper of the runs', cablesKg, 'kg')] : []),
      ],
      note: settled.leads ? 'Fuses and mountings come on top.' : 'Cables, fuses and mountings come on top.',
    },
  };
}

function payload({ brief, kit: { kg: kitKg } }: Settled): Partial<Drafts<'payload.left'>> {
  if (brief.payloadKg === null) return {};
  return family('payload', {
    left: {
      value: brief.payloadKg - kitKg,
      unit: 'kg',
      label: 'Payload left',
      basis: ORIGIN.job,
      working: {
        formula: '{payload} − {kit}',
        inputs: [ofJob('payload', 'Payload before this kit', brief.payloadKg, 'kg'), refer('kit', 'mass.kit')],
        note: 'Weigh the vehicle: this is an estimate. Axle limits count as well.',
      },
    },
  });
}
