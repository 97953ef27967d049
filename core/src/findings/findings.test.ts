import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../assess/assess.ts';
import { RUN_KEYS } from '../explain/runs.ts';
import { SUPPLY_KEYS } from '../explain/supply.ts';
import { blankArray, blankDevice, blankInverter, blankLink, blankPanels, blankString } from '../job/blank.ts';
import { withDriveHours } from '../job/day.ts';
import type {
  BatteryString,
  Device,
  DrivingLink,
  Job,
  PanelGroup,
  SolarArray,
  SolarController,
  System,
} from '../job/schema.ts';
import { Effort } from '../moment/effort.ts';
import type { Figure } from '../quantity/figure.ts';
import { workedOut } from '../test/formula.ts';
import { aGenerator, aHookup, aJob, aLoad, apart, withSupplies, withSystem } from '../test/jobs.ts';
import { aRun, oneLead, withRuns } from '../test/runs.ts';
import { FINDING_CODES, type FindingCode } from './finding.ts';
import { wordsFor } from './words.ts';

const kettle = (watts = 1500) => aLoad({ watts, hours: 0.1, path: 'inverter' });
const brief = (job: Job, change: Partial<Job['brief']>): Job => ({ ...job, brief: { ...job.brief, ...change } });
const place = (job: Job, change: Partial<Job['brief']['place']>): Job =>
  brief(job, { place: { ...job.brief.place, ...change } });

const noon = [{ startMin: 720, minutes: 240 }];
const room = {
  kind: 'room',
  mode: 'cooling',
  capacityW: 1000,
  cop: 3,
  setC: 18,
  volumeM3: 10,
  insulation: 'light',
  glazingM2: 1,
  internalW: 100,
} as const;

const blankPort = blankDevice('port', 'port') as Extract<Device, { kind: 'port' }>;
const blankConverter = blankDevice('converter', 'usb') as Extract<Device, { kind: 'converter' }>;
const withPort = (limitA: number): Device[] => [
  blankInverter('inverter', 'Inverter'),
  { ...blankPort, name: '12 V port', limitA },
];
const withConverter = (ratingW: number): Device[] => [
  blankInverter('inverter', 'Inverter'),
  { ...blankConverter, name: 'USB sockets', outputV: 5, ratingW },
];
const asUsual = (job: Job): Job => withSystem(job, { store: { chargeV: null, selfDischarge: null } });

const heater: Job['loads'][number]['draw'] = {
  kind: 'cycle',
  phases: [
    { label: 'run', powerW: 30, minutes: null, startRatio: null },
    { label: 'burn out', powerW: 90, minutes: 3, startRatio: null },
  ],
};
const usb = (watts: number) => aLoad({ watts, path: 'dc-dc', device: 'usb' });

const motor = () => aLoad({ watts: 300, path: 'inverter', startRatio: 5 });
const waits = (watts: number) => aLoad({ watts, path: 'supply-only' });
const always = (job: Job, ...groups: string[][]): Job => ({ ...job, together: { ...job.together, always: groups } });
const assisted = (job: Job): Job =>
  withSystem(withSupplies(job, aHookup(10, 230)), { inverter: { ratingW: 1000, form: 'assisting' } });

/** A bank of these strings. */
const withBank = (part: Partial<BatteryString>, busVoltageV: 12 | 24, ...more: Partial<BatteryString>[]): Job =>
  withSystem(aJob([aLoad()]), {
    busVoltageV,
    store: { strings: [part, ...more].map((one, i) => ({ ...blankString(`s${i}`, `String ${i}`, 100), ...one })) },
  });

/** A panel of 36 cells, whole by its data sheet. */
const panel: PanelGroup = {
  ...blankPanels('p', 'Panel', 100),
  vmpV: 18,
  impA: 5.56,
  vocV: 21.6,
  iscA: 5.95,
};
const withPanels = (
  panels: readonly Partial<PanelGroup>[],
  controller: Partial<SolarController> = {},
  change: Partial<SolarArray> = {},
): Job => {
  const blank = blankArray('roof', 'Roof', 0);
  const array = {
    ...blank,
    ratingW: null,
    panels: panels.map((one, i) => ({ ...panel, id: `p${i}`, ...one })),
    controller: { ...blank.controller, ...controller },
    ...change,
  };
  const job = aJob([aLoad()], (j) => ({ ...j, brief: { ...j.brief, place: { ...j.brief.place, lowestC: 10 } } }));
  return withParts(job, { arrays: [array] });
};
/** 60 W behind a converter to 24 V, on a long thin lead. */
const behindConverter = (minV: number): Job => {
  const job = aJob([aLoad({ watts: 60, path: 'dc-dc', device: 'up', minV })]);
  const up = { ...blankDevice('converter', 'up'), outputV: 24, ratingW: 100 } as Device;
  return withParts(job, {
    devices: [blankInverter('inverter', 'Inverter'), up],
    arrays: [],
    driving: [],
    runs: [
      aRun('main', 'busbar'),
      aRun('in', 'device', { from: 'main', part: 'up', areaMm2: 6, lengthM: 1 }),
      aRun('out', 'loads', { from: 'in', loads: ['load-0'], areaMm2: 0.75, lengthM: 5 }),
    ],
  });
};
/** 400 W of panels in an all-in-one unit that charges with so much at most. */
const withBox = (chargeA: number): Job => {
  const unit = { id: 'box', name: 'Box', inverter: 'inverter', arrays: ['roof'], charger: null, kg: null, price: null };
  return withParts(withPanels([{ parallel: 4 }]), { allInOnes: [{ ...unit, chargeA }] });
};
/** Two panels, each so far from the front and from the left, on a roof with something in the way at its far corner. */
const onRoof = (
  a: readonly [number, number],
  b: readonly [number, number],
  size = { lengthM: 2, widthM: 1.2 },
  inTheWayM = 0.1,
): Job => {
  const job = withPanels([{}, {}]);
  const corner = { xM: size.lengthM - inTheWayM, yM: size.widthM - 0.1, lengthM: inTheWayM, widthM: 0.1 };
  const placed = withParts(job, {
    roof: [a, b].map(([xM, yM], i) => ({ array: 'roof', group: `p${i}`, index: 0, xM, yM, turned: false })),
  });
  return {
    ...placed,
    brief: { ...placed.brief, roof: { ...size, obstacles: [{ id: 'fan', name: 'Fan', ...corner }] } },
  };
};
const withParts = (job: Job, part: Partial<System>): Job => ({
  ...job,
  options: job.options.map((option) => ({ ...option, system: { ...option.system, ...part } })),
});
const withLink = (
  link: Partial<DrivingLink>,
  alternator: Partial<Job['brief']['alternator']> = {},
  job: Job = aJob([aLoad()]),
): Job =>
  withParts(brief(job, { alternator: { ...job.brief.alternator, ...alternator } }), {
    driving: [{ ...blankLink('d', 'Link', 40), ...link }],
  });

/** Steady watts through the only day away, nothing coming in. */
const night = (powerW: number): Job =>
  aJob([aLoad({ draw: { kind: 'standby', powerW } })], (job) => ({
    ...job,
    brief: { ...job.brief, nightsOffGrid: 1, drives: [] },
  }));

/** A job for each finding, in which it must appear; and the same job mended, in which it must not. */
const CASES: Readonly<Record<FindingCode, { bad: Job; good: Job }>> = {
  'no-loads': { bad: aJob([]), good: aJob([aLoad()]) },
  'double-conversion': {
    bad: aJob([aLoad({ path: 'inverter-adapter' })]),
    good: aJob([aLoad({ path: 'dc-dc' })]),
  },
  'idle-dominates': {
    bad: withSystem(aJob([kettle()]), { inverter: { policy: 'always' } }),
    good: aJob([kettle()]),
  },
  'inverter-too-small': {
    bad: withSystem(aJob([kettle()]), { inverter: { ratingW: 1000 } }),
    good: withSystem(aJob([kettle()]), { inverter: { ratingW: 2000 } }),
  },
  'inverter-oversized': {
    bad: withSystem(aJob([kettle(300)]), { inverter: { ratingW: 3000 } }),
    good: aJob([kettle(300)]),
  },
  'inverter-start': {
    // 300 W × 5 on what holds 1,000 W.
    bad: withSystem(aJob([motor()]), { inverter: { ratingW: 500 } }),
    good: withSystem(aJob([motor()]), { inverter: { ratingW: 800 } }),
  },
  'inverter-heat': {
    bad: withSystem(aJob([kettle(1900)]), { inverter: { ratingW: 2000, ambientC: 40 } }),
    good: withSystem(aJob([kettle(1900)]), { inverter: { ratingW: 2000, ambientC: 25 } }),
  },
  'surge-unknown': {
    bad: withSystem(aJob([motor()]), { inverter: { ratingW: 800 } }),
    good: withSystem(aJob([motor()]), { inverter: { ratingW: 800, surgeW: 1600 } }),
  },
  'together-contradiction': {
    bad: always(apart(aJob([kettle(), kettle()]), ['load-0', 'load-1']), ['load-0', 'load-1']),
    good: always(aJob([kettle(), kettle()]), ['load-0', 'load-1']),
  },
  'supply-overload': {
    bad: withSupplies(aJob([waits(2000), waits(1000)]), aHookup(10, 230)),
    good: withSupplies(apart(aJob([waits(2000), waits(1000)]), ['load-0', 'load-1']), aHookup(10, 230)),
  },
  'supply-charger': {
    bad: withSystem(withSupplies(aJob([waits(2000)]), aHookup(10, 230)), { charger: { ratingA: 60, leastA: 5 } }),
    good: withSystem(withSupplies(aJob([waits(2000)]), aHookup(16, 230)), { charger: { ratingA: 60, leastA: 5 } }),
  },
  'supply-start': {
    bad: withSupplies(aJob([{ ...waits(500), startRatio: 5 }]), aGenerator(2000)),
    good: withSupplies(aJob([{ ...waits(500), startRatio: 5, softStart: true }]), aGenerator(2000)),
  },
  'assist-short': {
    bad: assisted(aJob([waits(3000), kettle(500)])),
    good: assisted(aJob([waits(1000), kettle(1900)])),
  },
  'nothing-passes': {
    bad: withSupplies(aJob([kettle()]), aHookup(16, 230)),
    good: assisted(aJob([kettle()])),
  },
  'hookup-inlet': { bad: withSupplies(aJob([kettle()]), aHookup(16, 230)), good: aJob([kettle()]) },
  'generator-fumes': { bad: withSupplies(aJob([kettle()]), aGenerator(2000)), good: aJob([kettle()]) },
  'inverter-parallel': { bad: aJob([kettle(6000)]), good: aJob([kettle(3000)]) },
  'low-voltage-high-current': {
    bad: aJob([kettle(3500)]),
    good: withSystem(aJob([kettle(3500)]), { busVoltageV: 24 }),
  },
  'store-current': {
    bad: withSystem(aJob([kettle(3000)]), { store: { capacityAh: 100 } }),
    good: withSystem(aJob([kettle(3000)]), { store: { capacityAh: 400 } }),
  },
  'store-short': {
    bad: withSystem(aJob([aLoad({ hours: 10 })]), { store: { capacityAh: 50 } }),
    good: withSystem(aJob([aLoad({ hours: 10 })]), { store: { capacityAh: 500 } }),
  },
  'store-cold': {
    bad: withSystem(aJob([aLoad()]), { store: { coldestC: -1 } }),
    good: withSystem(aJob([aLoad()]), { store: { coldestC: -1, chemistry: 'agm' } }),
  },
  'store-heated': {
    bad: withSystem(aJob([aLoad()]), { store: { coldestC: -10, heaterW: 100, capacityAh: 100 } }),
    good: withSystem(aJob([aLoad()]), { store: { coldestC: -10, heaterW: 10, capacityAh: 100 } }),
  },
  'no-sun': {
    bad: place(brief(aJob([aLoad()]), { months: [12] }), { latitudeDeg: 75 }),
    good: aJob([aLoad()]),
  },
  'sun-hours-doubtful': {
    // December at 45° N: H₀ is about 3.1 kWh/m² (extraterrestrial), a clear sky lets 0.75 of it through.
    bad: place(brief(aJob([aLoad()]), { months: [12] }), { latitudeDeg: 45, peakSunHours: 2.7 }),
    good: place(brief(aJob([aLoad()]), { months: [12] }), { latitudeDeg: 45, peakSunHours: 2.2 }),
  },
  'bank-voltage': {
    bad: withBank({ unitV: 12, series: 1 }, 24),
    good: withBank({ unitV: 12, series: 2 }, 24),
  },
  'bank-uneven': {
    // The new one takes three quarters and is at its 50 A when the old one gives 17.
    bad: withBank({ resistanceMohm: 4, dischargeA: 50 }, 12, { resistanceMohm: 12, dischargeA: 50 }),
    good: withBank({ resistanceMohm: 4, dischargeA: 50 }, 12, { resistanceMohm: 4, dischargeA: 50 }),
  },
  'bank-mixed': {
    bad: withBank({ health: 0.7 }, 12, {}),
    good: withBank({}, 12, {}),
  },
  'unit-doubtful': {
    // A pack of 3.7 V cells is no LFP.
    bad: withBank({ unitV: 11.1 }, 12),
    good: withBank({ unitV: 12.8 }, 12),
  },
  'runs-short': {
    // 960 Wh through the night of 100 Ah × 12.8 V, of which 80 % are left when old; no sun.
    bad: withSystem(night(80), { store: { capacityAh: 100 }, array: { ratingW: 0 } }),
    good: withSystem(night(20), { store: { capacityAh: 100 }, array: { ratingW: 0 } }),
  },
  'balance-short': {
    bad: withSystem(aJob([aLoad({ hours: 12 })]), { array: { ratingW: 0 } }),
    good: aJob([aLoad({ hours: 12 })]),
  },
  'dcdc-limited': {
    bad: withSystem(aJob([aLoad()]), { dcdc: { ratingA: 200 } }),
    good: withSystem(aJob([aLoad()]), { dcdc: { ratingA: 20 } }),
  },
  // 5 kW ÷ 11 V = 455 A, × 1.25 = 568 A: more than 500. 4 kW ask for 455 A.
  'fuse-none': {
    bad: withSystem(aJob([aLoad({ watts: 5000, path: 'direct' })]), { store: { capacityAh: 1000 } }),
    good: withSystem(aJob([aLoad({ watts: 4000, path: 'direct' })]), { store: { capacityAh: 1000 } }),
  },
  // 40 A × 14.2 ÷ 0.9 = 631 W; 8 m of 6 mm² are 48 mΩ at 20 °C: the upper voltage is 10.6 V, below 11.5. Of 16 mm² it is 12.6.
  'dcdc-starved': { bad: withLink({ cableM: 8, cableMm2: 6 }), good: withLink({ cableM: 8, cableMm2: 16 }) },
  // 100 Ah of LFP take 50 A: a charger of 60 A alone is above, one of 20 A with no sun and no driving below.
  'charge-limit': {
    bad: withSystem(aJob([aLoad()]), { store: { capacityAh: 100 }, charger: { ratingA: 60 }, array: { ratingW: 0 } }),
    good: withSystem(aJob([aLoad()]), {
      store: { capacityAh: 100 },
      charger: { ratingA: 20 },
      array: { ratingW: 0 },
      dcdc: { ratingA: 20 },
    }),
  },
  'relay-smart': {
    bad: withLink({ kind: 'relay' }, { voltage: 'smart' }),
    good: withLink({ kind: 'dc-dc' }, { voltage: 'smart' }),
  },
  'relay-volts': { bad: withLink({ kind: 'relay' }, { systemV: 24 }), good: withLink({ kind: 'relay' }) },
  // 40 A × 14.2 ÷ 0.9 = 631 W at 13.5 V; 8 m of 10 mm² are 30.6 mΩ: 1.6 V lost. Of 35 mm², 8.9 mΩ: 0.43 V, above 3 % still; 0.29 V of 50 mm².
  'driving-drop': {
    bad: withLink({ cableM: 8, cableMm2: 35 }),
    good: withLink({ cableM: 8, cableMm2: 50 }),
  },
  // At 10 °C two of 21.6 V are 43.2 × (1 + 0.0029 × 15) = 45.1 V.
  'array-volts': { bad: withPanels([{ series: 2 }], { maxV: 45 }), good: withPanels([{ series: 2 }], { maxV: 46 }) },
  // 24 V of store is charged with 28.4 V and one more; one panel has 18 V.
  'array-low': {
    bad: withSystem(withPanels([{}]), { busVoltageV: 24 }),
    good: withSystem(withPanels([{ series: 2 }]), { busVoltageV: 24 }),
  },
  'array-input': {
    bad: withPanels([{ parallel: 4 }], { maxInputA: 20 }),
    good: withPanels([{ series: 2, parallel: 2 }], { maxInputA: 20 }),
  },
  'array-clips': {
    bad: withPanels([{ parallel: 4 }], { maxA: 10 }),
    good: withPanels([{ parallel: 4 }], { maxA: 40 }),
  },
  'box-clips': { bad: withBox(10), good: withBox(40) },
  'array-unlike': {
    bad: withPanels([{}, { ratingW: 320, vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1 }]),
    good: withPanels([{}, { ratingW: 50, vmpV: 18, impA: 2.78, vocV: 21.6, iscA: 2.98 }]),
  },
  // A panel of 0.5 m² by its watts is 0.894 m × 0.559 m.
  'roof-overlap': { bad: onRoof([0.2, 0.1], [0.9, 0.1]), good: onRoof([0, 0.1], [0.9, 0.1]) },
  'roof-overhang': { bad: onRoof([1.2, 0], [0, 0]), good: onRoof([1.1, 0], [0, 0]) },
  // 1 m² of panels on 1.01 m², a tenth of it taken.
  'roof-full': {
    bad: onRoof([0, 0], [0.9, 0], { lengthM: 1.8, widthM: 0.56 }, 1),
    good: onRoof([0, 0], [0.9, 0], { lengthM: 1.9, widthM: 0.6 }),
  },
  'array-window-unknown': { bad: withPanels([{}]), good: withPanels([{}], { maxV: 100 }) },
  'panel-doubtful': { bad: withPanels([{ impA: 5 }]), good: withPanels([{ impA: 5.5 }]) },
  'pwm-loses': {
    bad: withPanels([{ ratingW: 320, vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1 }], { kind: 'pwm' }),
    good: withPanels([{ ratingW: 320, vmpV: 33.4, impA: 9.58, vocV: 40.3, iscA: 10.1 }]),
  },
  'charger-none': {
    bad: withSupplies(aJob([aLoad()]), aHookup(10, 230)),
    good: withSystem(withSupplies(aJob([aLoad()]), aHookup(10, 230)), { charger: { ratingA: 20 } }),
  },
  // 4 mm² bear 50.8 A in free air by area between 12 and 10 AWG (45 and 60 A); 660 W at 11 V are 60 A.
  'run-undersized': {
    bad: oneLead({ watts: 660 }, { ratingA: 80 }),
    good: oneLead({ watts: 660 }, { areaMm2: 16, ratingA: 80 }),
  },
  'run-over-fused': { bad: oneLead({}, { ratingA: 60 }), good: oneLead({}, { ratingA: 50 }) },
  'run-unfused': {
    bad: oneLead({}, { protection: 'none', ratingA: null }),
    good: oneLead({}, { protection: 'none', ratingA: null }, { main: { ratingA: 40 } }),
  },
  // 34 A: 1.25 × is 42.5 A, 12 AWG bears 45 A, and fuses are sold for 40 and 50 A.
  'run-no-fuse-fits': {
    bad: oneLead({ watts: 374 }, { conductor: 'awg', areaMm2: 3.309, ratingA: null }),
    good: oneLead({ watts: 374 }, { conductor: 'awg', areaMm2: 5.261, ratingA: null }),
  },
  // 132 W at 11 V are 12 A.
  // 48 V are charged with 56.8: a blade is sold for 58 and 80, a breaker for 48.
  'run-fuse-volts': {
    bad: withSystem(oneLead({ maxV: 60 }, { protection: 'breaker' }), { busVoltageV: 48 }),
    good: withSystem(oneLead({ maxV: 60 }, { protection: 'blade' }), { busVoltageV: 48 }),
  },
  'run-fuse-small': { bad: oneLead({ watts: 132 }, { ratingA: 10 }), good: oneLead({ watts: 132 }, { ratingA: 15 }) },
  // 110 W at 11 V are 10 A, 50 A for 0.5 s: 3.3 × of 15 A holds 0.08 s, 1.25 × of 40 A holds 0.75 s.
  'run-start-opens': {
    bad: oneLead({ watts: 110, startRatio: 5 }, { areaMm2: 6, protection: 'blade', ratingA: 15 }),
    good: oneLead({ watts: 110, startRatio: 5 }, { areaMm2: 6, protection: 'blade', ratingA: 40 }),
  },
  // 13.6 V ÷ (2 mΩ + 0.4 m × 0.386 mΩ/m) are 6.3 kA.
  'run-interrupt': {
    bad: oneLead({}, {}, { main: { protection: 'strip' } }),
    good: oneLead({}, {}, { main: { protection: 'high-interrupt' } }),
  },
  'run-not-selective': {
    bad: oneLead({}, { areaMm2: 50, ratingA: 250 }),
    good: oneLead({}, { areaMm2: 50, ratingA: 150 }),
  },
  // 120 W are 10 A on 12 V; 10 m of 2.5 mm² there and back at 70 °C: 0.160 Ω × 1.1965 = 0.191 Ω, 1.9 V, 16 %.
  'run-drop': {
    bad: oneLead({ watts: 120 }, { lengthM: 10, areaMm2: 2.5 }),
    good: oneLead({ watts: 120 }, { lengthM: 10, areaMm2: 6 }),
  },
  // 12.9 V behind 10 m of 1 mm²: 0.39 Ω cold, 0.47 Ω hot lets 89 W through at most.
  'run-collapse': {
    bad: oneLead({ watts: 100 }, { lengthM: 10, areaMm2: 1 }),
    good: oneLead({ watts: 80 }, { lengthM: 10, areaMm2: 1 }),
  },
  // 5 A run and 25 A start: 25 × 0.0477 Ω take 1.2 V of 12.9.
  'run-start-dip': {
    bad: oneLead({ watts: 60, startRatio: 5, minV: 12.3 }, {}),
    good: oneLead({ watts: 60, startRatio: 5, minV: 11 }, {}),
  },
  // A pump of 5 A starts with 25 A on the lead that it shares with a router that needs 12.3 V: 12.6 V run, 11.7 V at its start.
  'run-start-pulls': {
    bad: oneLead(
      { watts: 60, startRatio: 5 },
      { loads: ['load-0', 'load-1'] },
      { more: [{ ...aLoad({ watts: 5 }), minV: 12.3 }] },
    ),
    good: oneLead({ watts: 60 }, { loads: ['load-0', 'load-1'] }, { more: [{ ...aLoad({ watts: 5 }), minV: 12.3 }] }),
  },
  // 60 W at 24 V through 10 m of 0.75 mm², hot: 0.32 Ω, 23.2 V.
  'run-output-low': { bad: behindConverter(23.5), good: behindConverter(23) },
  // 5 A × 0.4 Ω: 2 V.
  'load-drops-out': {
    bad: oneLead({ watts: 60, minV: 11.5 }, { lengthM: 10, areaMm2: 1 }),
    good: oneLead({ watts: 60, minV: 9.5 }, { lengthM: 10, areaMm2: 1 }),
  },
  'socket-overload': { bad: oneLead({ watts: 132 }, { socketA: 10 }), good: oneLead({ watts: 132 }, { socketA: 16 }) },
  'run-solid': { bad: oneLead({}, { conductor: 'solid' }), good: oneLead({}, {}) },
  'run-aluminium': { bad: oneLead({}, { conductor: 'aluminium' }), good: oneLead({}, {}) },
  'run-unkeyed': { bad: oneLead({}, { unkeyed: true }), good: oneLead({}, {}) },
  'without-run': {
    bad: withRuns(aJob([aLoad()]), [aRun('main', 'busbar')]),
    good: withRuns(aJob([aLoad()]), [aRun('lead', 'loads', { loads: ['load-0'] })]),
  },
  'payload-exceeded': {
    bad: brief(aJob([aLoad({ hours: 10 })]), { payloadKg: 5 }),
    good: brief(aJob([aLoad({ hours: 10 })]), { payloadKg: 500 }),
  },
  'measure-first': { bad: aJob([aLoad({ evidence: 'guess' })]), good: aJob([aLoad()]) },
  'critical-single-source': {
    bad: brief(aJob([aLoad({ critical: true })]), { drives: [] }),
    good: withSystem(aJob([aLoad({ critical: true })]), { array: { ratingW: 200 }, dcdc: { ratingA: 20 } }),
  },
  'cannot-hold': {
    bad: aJob([aLoad({ draw: { ...room, capacityW: 200 }, uses: noon })]),
    good: aJob([aLoad({ draw: { ...room, capacityW: 9000 }, uses: noon })]),
  },
  'inverter-loop': {
    bad: aJob([aLoad({ path: 'inverter', chargesStore: true })]),
    good: aJob([aLoad({ path: 'supply-only', chargesStore: true })]),
  },
  'port-overload': {
    // A heater's start of 10.2 A on a port of 10 A; its mean is far below.
    bad: withSystem(aJob([aLoad({ watts: 10.2 * 12, hours: 0.01, path: 'station' })]), { devices: withPort(10) }),
    good: withSystem(aJob([aLoad({ watts: 9.8 * 12, hours: 0.01, path: 'station' })]), { devices: withPort(10) }),
  },
  'no-port': {
    bad: aJob([aLoad({ path: 'station' })]),
    good: withSystem(aJob([aLoad({ path: 'station', watts: 10 })]), { devices: withPort(10) }),
  },
  'stepped-wave': {
    bad: withSystem(aJob([aLoad({ path: 'inverter', startRatio: 5 })]), { inverter: { waveform: 'stepped' } }),
    good: withSystem(aJob([aLoad({ path: 'inverter' })]), { inverter: { waveform: 'stepped' } }),
  },
  'converter-undersized': {
    bad: withSystem(aJob([usb(15), usb(10)]), { devices: withConverter(20) }),
    good: withSystem(aJob([usb(15), usb(4)]), { devices: withConverter(20) }),
  },
  'converter-start': {
    // 18 W run on 20 W; the motor's start adds 30 W, or 5 W, to them: 25 W are held.
    bad: withSystem(aJob([{ ...usb(10), startRatio: 4 }, usb(8)]), { devices: withConverter(20) }),
    good: withSystem(aJob([{ ...usb(10), startRatio: 1.5 }, usb(8)]), { devices: withConverter(20) }),
  },
  'voltage-range': {
    bad: aJob([aLoad({ minV: 10, maxV: 14 })]),
    good: aJob([aLoad({ minV: 10, maxV: 15 })]),
  },
  // Nothing is said of its volts on a bus that reaches 14.6 V; a range of its own, or a converter, is enough.
  'volts-unknown': { bad: aJob([aLoad()]), good: aJob([aLoad({ maxV: 16 }), aLoad({ path: 'dc-dc' })]) },
  'cut-mid-run': {
    bad: aJob([aLoad({ draw: heater })], (job) => ({ ...job, rules: { ...job.rules, keepToStop: false } })),
    good: aJob([aLoad({ draw: heater })]),
  },
  'search-asleep': {
    bad: withSystem(aJob([aLoad({ watts: 5, path: 'inverter' })]), {
      inverter: { policy: 'always', search: { idleW: 2, wakeW: 15 } },
    }),
    good: withSystem(aJob([aLoad({ watts: 25, path: 'inverter' })]), {
      inverter: { policy: 'always', search: { idleW: 2, wakeW: 15 } },
    }),
  },
  'off-hours': {
    bad: withSystem(aJob([aLoad({ path: 'inverter', hours: 2 })]), {
      inverter: { policy: 'hours', hours: [{ startMin: 600, minutes: 60 }] },
    }),
    good: withSystem(aJob([aLoad({ path: 'inverter', hours: 2 })]), {
      inverter: { policy: 'hours', hours: [{ startMin: 1380, minutes: 900 }] },
    }),
  },
  'mains-licensed': { bad: aJob([kettle()]), good: aJob([aLoad()]) },
  // Five in a ring of pairs: two of them may run, but a bound sees two and a half. One pair needs no search.
  'moment-unproved': {
    bad: apart(
      aJob([1, 2, 3, 4, 5].map(() => kettle(1000))),
      ...[0, 1, 2, 3, 4].map((i) => [`load-${i}`, `load-${(i + 1) % 5}`]),
    ),
    good: apart(aJob([kettle(1000), kettle(800)]), ['load-0', 'load-1']),
  },
};

/** With hardly any effort, so that what needs a search shows. */
const assess = (job: Job) => evaluate(job, undefined, new Effort(1)).assessment;
const figuresOf = (job: Job) => Object.entries(assess(job).figures as Readonly<Record<string, Figure>>);
const codes = (job: Job): string[] => assess(job).findings.map(({ code }) => code);

describe('findings', () => {
  it.each(FINDING_CODES)('%s appears where it should, and not in the mended job', (code) => {
    expect(codes(CASES[code].bad)).toContain(code);
    expect(codes(CASES[code].good)).not.toContain(code);
  });

  it('each have full words without a gap in them', () => {
    for (const code of FINDING_CODES) {
      const finding = assess(CASES[code].bad).findings.find((found) => found.code === code);
      if (!finding) throw new Error(code);
      for (const sentence of Object.values(wordsFor(finding))) {
        expect(sentence, code).not.toMatch(/NaN|undefined|null|Infinity|!/);
        expect(sentence, code).toMatch(/[.?]$/);
      }
    }
  });

  it('speak the units of the region: none of them mixes both', () => {
    const inUnits = (code: FindingCode, units: 'metric' | 'imperial') => {
      const finding = assess(CASES[code].bad).findings.find((found) => found.code === code);
      return finding ? Object.values(wordsFor(finding, units)).join(' ') : '';
    };
    for (const code of FINDING_CODES) {
      expect(inUnits(code, 'imperial'), code).not.toMatch(/\d\s?(°C|kg|m|m²|cm)(?![\p{L}²])/u);
      expect(inUnits(code, 'metric'), code).not.toMatch(/\d\s?(°F|lb|ft|ft²|AWG)\b/);
    }
    // 5 kg over: 11 lb; °C as °F; mm² of an AWG size by its name.
    expect(inUnits('store-cold', 'imperial')).toMatch(/below 32\s°F/);
    expect(inUnits('payload-exceeded', 'imperial')).toMatch(/\slb/);
  });

  it('say stop for an inverter below the worst moment, caution for one below the margin', () => {
    const severity = (ratingW: number) =>
      assess(withSystem(aJob([kettle(1500)]), { inverter: { ratingW } })).findings.find(
        ({ code }) => code === 'inverter-too-small',
      )?.severity;
    expect(severity(1200)).toBe('stop');
    expect(severity(1600)).toBe('caution');
  });

  it('add up what shares a port: two of 6 A on 10 A, each of which it would carry alone', () => {
    const cooler = (id: string) => aLoad({ id, watts: 72, path: 'station' });
    const both = codes(withSystem(aJob([cooler('a'), cooler('b')]), { devices: withPort(10) }));
    expect(both).toContain('converter-undersized');
    expect(both).not.toContain('port-overload');
    expect(codes(withSystem(aJob([cooler('a')]), { devices: withPort(10) }))).not.toContain('converter-undersized');
  });

  it('add up what starts on a port beside what runs on it: 60 W, and 40 W that start as 100 W, on 10 A', () => {
    const onPort = (startRatio: number) => {
      const loads = [
        aLoad({ id: 'a', watts: 60, path: 'station' }),
        aLoad({ id: 'b', watts: 40, path: 'station', startRatio }),
      ];
      return assess(withSystem(aJob(loads), { devices: withPort(10) })).findings.find(
        ({ code }) => code === 'port-overload',
      );
    };
    expect(onPort(2.5)?.values).toMatchObject({ loads: 2, peak: 160, limit: 120, unit: 'W' });
    expect(onPort(1.4)).toBeUndefined();
  });

  it('a shared converter carries by the lanes what never runs together on it', () => {
    const at = (startMin: number) => ({ ...usb(15), uses: [{ startMin, minutes: 60 }] });
    const on = (coincide: 'any-time' | 'by-lanes') =>
      codes(
        withSystem(
          aJob([at(60), at(600)], (job) => ({ ...job, rules: { ...job.rules, coincide } })),
          { devices: withConverter(20) },
        ),
      );
    expect(on('any-time')).toContain('converter-undersized');
    expect(on('by-lanes')).not.toContain('converter-undersized');
  });

  it('a converter too small for what runs is told as that, not of its starts', () => {
    const over = codes(withSystem(aJob([{ ...usb(30), startRatio: 5 }]), { devices: withConverter(20) }));
    expect(over).toContain('converter-undersized');
    expect(over).not.toContain('converter-start');
  });

  it('a best point above the open volts stops, and everything is still reckoned', () => {
    const { findings, figures } = assess(withPanels([{ vmpV: 30, impA: 3.33 }]));
    expect(findings.find(({ code }) => code === 'panel-doubtful')?.severity).toBe('stop');
    expect(figures['sun.yield'].value).toBeGreaterThan(0);
  });

  it('two arrays are one sun to what must not fail; sun and driving are two', () => {
    const critical = (hours: number) =>
      aJob([aLoad({ critical: true, path: 'direct' })], (job) => ({
        ...job,
        brief: { ...job.brief, drives: withDriveHours([], hours) },
      }));
    const arrays = ['a', 'b'].map((id) => blankArray(id, id, 200));
    const twoArrays = (job: Job): Job => ({
      ...job,
      options: job.options.map((option) => ({ ...option, system: { ...option.system, arrays } })),
    });
    expect(codes(twoArrays(critical(0)))).toContain('critical-single-source');
    expect(codes(twoArrays(withSystem(critical(3), { dcdc: { ratingA: 30 } })))).not.toContain(
      'critical-single-source',
    );
  });

  it('and figures are all told of in docs/engineering.md', () => {
    const docs = readFileSync(new URL('../../../docs/engineering.md', import.meta.url), 'utf8');
    for (const code of FINDING_CODES) expect(docs, code).toContain(`\`${code}\``);
    const everything = withSupplies(
      aJob([aLoad()], (job) => ({ ...job, brief: { ...job.brief, payloadKg: 100 } })),
      aHookup(16, 230),
    );
    const figures = Object.keys(evaluate(everything).assessment.figures);
    expect(figures.length).toBeGreaterThan(45);
    for (const id of figures.filter((one) => !one.includes('['))) expect(docs, id).toContain(`\`${id}\``);
    for (const key of SUPPLY_KEYS) expect(docs, key).toContain(`\`supply[ID].${key}\``);
    for (const key of RUN_KEYS) expect(docs, key).toContain(`\`run[ID].${key}\``);
  });
});

describe('every working', () => {
  it('names only inputs it has, each with an origin, on all demo-like jobs', () => {
    for (const { bad, good } of Object.values(CASES)) {
      for (const job of [bad, good]) {
        for (const [id, figure] of figuresOf(job)) {
          const symbols = new Set(figure.working.inputs.map(({ symbol }) => symbol));
          for (const [, symbol] of figure.working.formula.matchAll(/\{(\w+)\}/g)) {
            expect(symbols, `${id}: ${figure.working.formula}`).toContain(symbol);
          }
          expect(symbols.size, id).toBe(figure.working.inputs.length);
          for (const { origin } of figure.working.inputs) expect(origin.source.length).toBeGreaterThan(0);
        }
      }
    }
  });

  it('comes to its figure when the formula is worked out by an independent evaluator', () => {
    // As tests have their stores, and as new jobs do.
    for (const { bad } of Object.values(CASES)) {
      for (const [id, figure] of [...figuresOf(bad), ...figuresOf(asUsual(bad))]) {
        const value = workedOut(figure);
        if (value === null) continue;
        expect(Math.abs(value - figure.value), `${id}: ${figure.working.formula}`).toBeLessThanOrEqual(
          1e-6 * Math.max(1, Math.abs(figure.value)),
        );
      }
    }
  });
});

it('a fuse that is not sold for the full rating of an inverter is said, however little runs on it', () => {
  const job = withSystem(aJob([aLoad({ watts: 500, path: 'inverter' })]), {
    store: { capacityAh: 1000 },
    inverter: { ratingW: 6000 },
  });
  expect(assess(job).findings.map(({ code }) => code)).toContain('fuse-none');
});
