import { type Draft, familyOf, type WorkingInput } from '../quantity/figure.ts';
import { remembering } from '../quantity/remember.ts';
import { DROP_LIMIT } from '../reference/conductors.ts';
import { ORIGIN } from '../reference/origins.ts';
import { PROTECTION } from '../reference/protection.ts';
import type { LaidRuns, RunRow } from '../runs/laid.ts';
import type { Settled } from '../settle/settle.ts';
import { computed, fromDefault, ofJob } from './inputs.ts';

export const RUN_KEYS = ['carries', 'ohm', 'drop', 'way', 'ampacity', 'fuse', 'loss'] as const;

export type RunKey = (typeof RUN_KEYS)[number];

/** What the figures of a run are called. */
export const runFigure = <K extends RunKey>(id: string, key: K): `run[${string}].${K}` => `run[${id}].${key}`;

/** Of every run that is laid: what it carries, resists, loses and bears. None while they are only proposed. */
export const explainRuns = (settled: Settled, runs: LaidRuns | null) =>
  familyOf<'run', RunKey>(
    'run',
    (runs?.rows ?? []).map((row) => {
      const before = runs?.rows[row.parent];
      const members = () => ({
        carries: carries(row),
        ohm: ohm(row, settled),
        drop: drop(row),
        way: way(row, before, settled),
        ampacity: ampacity(row, settled),
        fuse: fuse(row),
        loss: loss(row),
      });
      return { id: row.run.id, members: remembered(row, [], members) };
    }),
  );

/** A row is another object as soon as anything that sizes it, or what stands before it, is other. */
const remembered = remembering<RunRow, Record<RunKey, Draft>>();

const areaInput = ({ run, areaMm2 }: RunRow): WorkingInput =>
  run.areaMm2 === null ? computed('area', 'Area, as it needs', areaMm2, 'mm²') : ofJob('area', 'Area', areaMm2, 'mm²');

const lengthInput = ({ isUsualLength, lengthM }: RunRow): WorkingInput =>
  isUsualLength
    ? { ...computed('length', 'Length one way, as usual', lengthM, 'm'), origin: ORIGIN.memory }
    : ofJob('length', 'Length one way', lengthM, 'm');

const currentInput = ({ carried }: RunRow): WorkingInput =>
  computed('amps', 'Carried at nominal volts', carried.nominalA, 'A');

const carries = ({ carried }: RunRow): Draft => ({
  value: carried.lowA,
  unit: 'A',
  label: 'Carried for hours at most',
  basis: ORIGIN.practice,
  working: {
    formula: 'the larger of what is drawn at a low battery and what charges',
    inputs: [
      computed('nominal', 'At nominal volts', carried.nominalA, 'A'),
      computed('charge', 'From sources', carried.chargeA, 'A'),
      computed('start', 'For a moment, when something starts', carried.startA, 'A'),
    ],
    note: 'Inverters and converters count with their full rating at 11 V for each 12: anything may be plugged into them. Loads count with the heaviest set that may coincide.',
  },
});

const ohm = (row: RunRow, { job }: Settled): Draft => ({
  value: row.hotOhm * 1000,
  unit: 'mΩ',
  label: 'Resistance there and back, hot',
  basis: ORIGIN.cables,
  working: {
    formula: 'both conductors by their table at the hot copper’s °C, with joints; through a chassis what that has',
    inputs: [
      areaInput(row),
      computed('parallel', 'Beside one another', row.parallel, 'conductors'),
      lengthInput(row),
      ofJob('hot', 'Copper, hot', job.rules.cables.hotC, '°C'),
      computed('cold', 'Cold', row.coldOhm * 1000, 'mΩ'),
      ofJob('joints', 'Joints', row.run.joints, ''),
      row.run.jointMohm === null
        ? fromDefault('joint', 'Each of them', 'jointMohm', 'mΩ')
        : ofJob('joint', 'Each of them', row.run.jointMohm, 'mΩ'),
    ],
  },
});

const drop = (row: RunRow): Draft => ({
  value: row.dropV,
  unit: 'V',
  label: 'Lost on it while it carries that',
  basis: ORIGIN.si,
  working: {
    formula: '{amps} × {ohm} ÷ 1000',
    inputs: [currentInput(row), computed('ohm', 'Resistance, hot', row.hotOhm * 1000, 'mΩ')],
    note: 'Both conductors. At nominal volts; what a load really gets is solved for the whole network.',
  },
});

function way(row: RunRow, before: RunRow | undefined, { job }: Settled): Draft {
  const { cables } = job.rules;
  const limit = DROP_LIMIT[cables.limits];
  const upTo = before && before.volts === row.volts ? (row.carried.nominalA * before.wayOhm) / row.volts : 0;
  return {
    value: row.wayShare,
    unit: 'share',
    label: 'Lost from the store to its end',
    basis: limit.origin,
    working: {
      formula: '{before} ÷ 100 + {drop} ÷ {volts}',
      inputs: [
        computed('before', 'On the way to where it begins', upTo * 100, '%'),
        computed('drop', 'Lost on it', row.dropV, 'V'),
        ofJob('volts', 'Of', row.volts, 'V'),
        { ...computed('limit', 'At most', row.limitShare * 100, '%'), origin: limit.origin },
      ],
      note: `What its own current loses, as handbooks reckon; what others draw through the same cables is in the volts at each appliance. The limit chosen: ${limit.says}.`,
    },
  };
}

const ampacity = (row: RunRow, { job }: Settled): Draft => ({
  value: row.ampacityA,
  unit: 'A',
  label: 'Bears for hours as it lies',
  basis: ORIGIN.abyc,
  working: {
    formula: 'table by area × √((insulation − air) ÷ (insulation − 30)) × bundle × conductors',
    inputs: [
      areaInput(row),
      ofJob('insulation', 'Insulation', row.run.insulationC, '°C'),
      row.run.ambientC === null
        ? { ...computed('air', 'Air', 30, '°C'), origin: ORIGIN.practice }
        : ofJob('air', 'Air', row.run.ambientC, '°C'),
      ofJob('bundle', 'Side by side', row.run.bundled, 'conductors'),
      computed('parallel', 'For each pole', row.parallel, 'conductors'),
      { symbol: 'school', label: 'Bundles by', value: job.rules.cables.bundling, unit: '', origin: ORIGIN.job },
    ],
    note: `Single conductors in free air, 105 °C insulation; areas between AWG sizes straight in the logarithms.${row.run.engine ? ' The engine space is taken as 50 °C.' : ''} Where the local code has a table, that counts.`,
  },
});

const fuse = ({ fuse: { kind, ratingA, neededA, mustInterruptA, interruptA }, ampacityA, carried }: RunRow): Draft => ({
  value: ratingA ?? 0,
  unit: 'A',
  label: kind === null ? 'No fuse' : `Its ${PROTECTION[kind].name}`,
  basis: ORIGIN.practice,
  working: {
    formula:
      kind === null
        ? 'none'
        : 'a size that is sold, from 1.25 × what it carries up to what the cable bears, that outlasts its start',
    inputs: [
      computed('needed', '1.25 × carried', neededA, 'A'),
      computed('bears', 'The cable bears', ampacityA, 'A'),
      computed('start', 'Start', carried.startA, 'A'),
      ...(mustInterruptA === null
        ? []
        : [
            computed('short', 'Short circuit there', mustInterruptA, 'A'),
            computed('interrupts', 'It interrupts', interruptA, 'A'),
          ]),
    ],
    note: 'As near the source as possible. Short circuit: the bank full at rest, half of its usual resistance, cold copper.',
  },
});

const loss = (row: RunRow): Draft => ({
  value: row.lostWh,
  unit: 'Wh/day',
  label: 'Lost in it on the day',
  basis: ORIGIN.cables,
  working: {
    formula: 'each minute: R × I², cold copper; what cycles by its current while it is on',
    inputs: [computed('cold', 'Resistance, cold', row.coldOhm * 1000, 'mΩ'), fromTable(row)],
  },
});

const fromTable = ({ carried }: RunRow): WorkingInput =>
  computed('loads', 'Loads through it', carried.loads.length, '');
