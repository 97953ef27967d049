import type { Job, System } from '../job/schema.ts';
import { curveFromIdleAndPeak, flatCurve } from '../paths/curve.ts';
import type { Inverter } from '../paths/ledger.ts';
import type { FigureBook, WorkingInput } from '../quantity/figure.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import { MARGIN } from '../reference/sizes.ts';
import { inverterNeed, standardInverter } from './inverterSize.ts';
import type { WorstMoment } from './worstMoment.ts';

/** Records the worst moment and the inverter it asks for; returns the inverter, or null when nothing uses one. */
export function recordMoment(
  book: FigureBook,
  moment: WorstMoment,
  rules: Job['rules'],
  system: System['inverter'],
): Inverter | null {
  const byId = new Map(moment.acLoads.map((load) => [load.id, load]));
  const members = (ids: readonly string[], key: 'runningW' | 'apparentVa', unit: string): WorkingInput[] =>
    ids.flatMap((id, i) => {
      const load = byId.get(id);
      return load && load[key] > 0
        ? [{ symbol: `load${i}`, label: load.name, value: load[key], unit, origin: ORIGIN.job }]
        : [];
    });
  const left = moment.acLoads.length - moment.continuous.ids.length;
  const continuousW = book.set('peak.continuous', {
    value: moment.continuous.weight,
    unit: 'W',
    label: 'Worst moment',
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set of inverter loads that may coincide',
      inputs: members(moment.continuous.ids, 'runningW', 'W'),
      note: left > 0 ? `${left} more never run at the same time as these.` : 'Every inverter load may coincide.',
    },
  });
  const apparentVa = book.set('peak.apparent', {
    value: moment.apparent.weight,
    unit: 'VA',
    label: 'Worst moment, apparent',
    basis: ORIGIN.practice,
    working: {
      formula: 'heaviest set by W ÷ power factor',
      inputs: members(moment.apparent.ids, 'apparentVa', 'VA'),
    },
  });
  const surgeW = book.set('peak.surge', {
    value: moment.surge.weight,
    unit: 'W',
    label: 'Heaviest start',
    basis: ORIGIN.practiceRecalled,
    working: {
      formula: 'what runs + (start − run) of what starts',
      inputs: [
        ...members(moment.surge.ids, 'runningW', 'W'),
        ...moment.surge.starters.map((id, i) => ({
          symbol: `start${i}`,
          label: `${byId.get(id)?.name ?? id} starting`,
          value: byId.get(id)?.startExtraW ?? 0,
          unit: 'W',
          origin: ORIGIN.practiceRecalled,
        })),
      ],
      note: rules.twoMayStart ? 'Two may start in the same instant.' : 'One starts at a time.',
    },
  });

  const margin = MARGIN[rules.inverterMargin];
  const need = inverterNeed(continuousW, apparentVa, surgeW, margin.factor);
  const formulas = {
    power: '{continuous} × {margin}',
    apparent: '{apparent} × {margin} × {perVa}',
    surge: '{surge} ÷ {holds}',
  } as const;
  book.set('inverter.required', {
    value: need.requiredW,
    unit: 'W',
    label: 'Inverter needed',
    basis: ORIGIN.practice,
    working: {
      formula: formulas[need.decidedBy],
      inputs: [
        book.input('continuous', 'peak.continuous'),
        book.input('apparent', 'peak.apparent'),
        book.input('surge', 'peak.surge'),
        { symbol: 'margin', label: `Margin: ${margin.name}`, value: margin.factor, unit: '', origin: ORIGIN.job },
        perVa,
        {
          symbol: 'holds',
          label: 'Held for a second, × rating',
          value: DEFAULT.inverterSurgeFactor.value,
          unit: '',
          origin: DEFAULT.inverterSurgeFactor.origin,
        },
      ],
      note: `${margin.name}: ${margin.why}.`,
    },
  });
  const standard = standardInverter(need.requiredW);
  const ratingW = moment.acLoads.length === 0 ? 0 : (system.ratingW ?? standard.ratingW);
  const chosen = system.ratingW !== null && ratingW > 0;
  book.set('inverter.rating', {
    value: ratingW,
    unit: 'W',
    label: 'Inverter',
    basis: chosen ? ORIGIN.job : ORIGIN.practice,
    working: {
      formula: chosen ? 'as chosen' : standard.units > 1 ? `${standard.units} equal units` : 'next standard size up',
      inputs: [book.input('required', 'inverter.required')],
      note: ratingW === 0 ? 'Nothing in this job needs an inverter.' : undefined,
    },
  });
  const inverter = ratingW > 0 ? inverterOf(ratingW, rules, system) : null;
  const idleGiven = system.idleW !== null;
  book.set('inverter.idle', {
    value: inverter ? inverter.curve.c0 * ratingW : 0,
    unit: 'W',
    label: 'Inverter idle',
    basis: idleGiven ? ORIGIN.job : DEFAULT.inverterIdleShare.origin,
    working: {
      formula: idleGiven ? 'as given' : '{share} of {rating}',
      inputs: [
        {
          symbol: 'share',
          label: 'Idle, share of rating',
          value: DEFAULT.inverterIdleShare.value,
          unit: 'share',
          origin: DEFAULT.inverterIdleShare.origin,
        },
        book.input('rating', 'inverter.rating'),
      ],
      note: 'Read it off the data sheet, or measure it: it runs all the hours the inverter is on.',
    },
  });
  return inverter;
}

const perVa: WorkingInput = {
  symbol: 'perVa',
  label: 'W per VA of rating',
  value: DEFAULT.inverterWattsPerVa.value,
  unit: '',
  origin: DEFAULT.inverterWattsPerVa.origin,
};

function inverterOf(ratingW: number, rules: Job['rules'], system: System['inverter']): Inverter {
  const idleShare = system.idleW === null ? DEFAULT.inverterIdleShare.value : system.idleW / ratingW;
  const peak = system.peakEfficiency ?? DEFAULT.inverterPeakEfficiency.value;
  const curve =
    rules.inverterCurve === 'flat'
      ? flatCurve(idleShare, peak)
      : curveFromIdleAndPeak(idleShare, peak, DEFAULT.inverterPeakAt.value);
  return { ratingW, curve, policy: system.policy };
}
