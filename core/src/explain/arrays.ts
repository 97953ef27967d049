import { panelsOf } from '../panels/panels.ts';
import { type Draft, familyOf } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { offeredWh } from '../sources/source.ts';
import type { Window } from '../sources/window.ts';
import { monthName } from '../sun/months.ts';
import { computed, ofJob } from './inputs.ts';

const ARRAY_KEYS = ['yield', 'cold', 'hot'] as const;
type ArrayKey = (typeof ARRAY_KEYS)[number];

/** What the figures of an array are called. */
export const arrayFigure = <K extends ArrayKey>(id: string, key: K): `array[${string}].${K}` => `array[${id}].${key}`;

/** Of every array what it brings, and the volts of its panels cold and hot where they are known. */
export const explainArrays = (settled: Settled) =>
  familyOf<'array', ArrayKey>(
    'array',
    settled.windows.map((window) => ({
      id: window.arrayId,
      members: {
        yield: yielded(settled, window),
        ...(window.coldVoc ? { cold: end(settled, window, window.coldVoc.value, 'cold') } : {}),
        ...(window.hotVmp ? { hot: end(settled, window, window.hotVmp.value, 'hot') } : {}),
      },
    })),
  );

function yielded(settled: Settled, { arrayId, name }: Window): Draft {
  const found = settled.sources.find(({ id, kind }) => kind === 'sun' && id === arrayId);
  const chain = settled.solar.sources.find(({ id }) => id === arrayId)?.chain;
  const value = found ? offeredWh(found) : 0;
  const loss = (symbol: string, label: string, wh: number) => computed(symbol, label, wh, 'Wh');
  const losses = chain
    ? [
        loss('shade', 'Shade, and hours not set out', chain.shadeWh),
        loss('dirt', 'Dirt', chain.dirtWh),
        loss('heat', 'Heat', chain.heatWh),
        loss('mismatch', 'Mismatch', chain.mismatchWh),
        loss('wiring', 'Wiring', chain.wiringWh),
        loss('controller', 'Controller', chain.controllerWh),
        loss('clipped', 'Held back at a limit', found?.clippedWh ?? 0),
      ].filter(({ value: wh }) => Math.abs(Number(wh)) > 1e-9)
    : [];
  return {
    value,
    unit: 'Wh/day',
    label: `${name}, ${monthName(settled.sun.month)}`,
    basis: ORIGIN.noct,
    working: {
      formula: ['{light}', ...losses.map(({ symbol }) => `− {${symbol}}`)].join(' '),
      inputs: [computed('light', 'Laboratory watts in the light on them', chain?.lightWh ?? 0, 'Wh'), ...losses],
    },
  };
}

/** V of its strings at one end: the highest of groups side by side when cold, the lowest when hot; the sum in a row. */
function end({ solar }: Settled, window: Window, value: number, which: 'cold' | 'hot'): Draft {
  const array = solar.arrays.find(({ id }) => id === window.arrayId);
  const celsius = which === 'cold' ? window.coldC : window.hotC;
  const only = array?.panels.length === 1 ? array.panels[0] : undefined;
  const label = which === 'cold' ? 'with nothing connected, cold' : 'at the best point, hot';
  const beta = only ? panelsOf(only).vocPerK : DEFAULT.panelVocPerK.value;
  return {
    value,
    unit: 'V',
    label: `${window.name}: ${label}`,
    basis: ORIGIN.practice,
    working: {
      formula: only
        ? '{volts} × {series} × (1 + {perK} × ({celsius} − 25))'
        : 'as each group of panels has it, joined as they are',
      inputs: [
        ...(only
          ? [
              ofJob(
                'volts',
                which === 'cold' ? 'V open, by its label' : 'V at the best point',
                (which === 'cold' ? only.vocV : only.vmpV) ?? 0,
                'V',
              ),
              ofJob('series', 'Panels in series', only.series, ''),
            ]
          : []),
        {
          symbol: 'perK',
          label: 'Share for each K',
          value: beta,
          unit: '',
          origin: only?.vocPerK === null || !only ? DEFAULT.panelVocPerK.origin : ORIGIN.job,
        },
        computed(
          'celsius',
          which === 'cold' ? 'Coldest night of the months of use' : 'Cells in full light on the warmest afternoon',
          celsius,
          '°C',
        ),
      ],
      note: 'The voltage at the best point is taken to fall as the open voltage does.',
    },
  };
}
