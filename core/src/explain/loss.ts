import type { DeviceDay } from '../paths/device.ts';
import { type Draft, family, type Reference, refer, type WorkingInput } from '../quantity/figure.ts';
import { formatDuration } from '../quantity/format.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { Settled } from '../settle/settle.ts';
import { offeredWh, type Source, type SourceKind, yieldOf } from '../sources/source.ts';
import { computed, fromDefault, roundTrip } from './inputs.ts';
import { inverterFigures } from './inverterIds.ts';

/** Where the day's energy is lost. */
export const explainLosses = (settled: Settled) => ({
  ...family('loss', {
    conversion: conversion(settled),
    idle: idle(settled),
    cable: cable(settled),
    storage: storage(settled),
    total: total(settled),
    controllers: controllers(settled),
  }),
  ...family('storage', { spared: spared(settled) }),
});

const UNIT = 'Wh/day';

/** What each load has of a loss, where it has any. */
const byLoad = ({ ledger, profiles }: Settled, key: 'conversionWh' | 'idleWh' | 'cableWh'): WorkingInput[] =>
  ledger.loads.flatMap((row, i) =>
    row[key] > 0 ? [computed(`load${i}`, profiles[i]?.load.name ?? row.loadId, row[key], 'Wh')] : [],
  );

function conversion(settled: Settled): Draft {
  const curves = settled.bus.devices.flatMap(({ feed }, i): WorkingInput[] =>
    (['c0', 'c1', 'c2'] as const).map((c, power) => ({
      symbol: `${c}of${i}`,
      label: `${feed.device.name}: ${['loss at no load, c₀', 'with load, c₁', 'with load², c₂'][power]}`,
      value: feed.curve[c],
      unit: '',
      origin: feed.device.points.length > 0 ? ORIGIN.job : ORIGIN.schmidtSauer,
    })),
  );
  return {
    value: settled.ledger.total.conversionWh,
    unit: UNIT,
    label: 'Lost converting',
    basis: ORIGIN.schmidtSauer,
    working: {
      formula:
        'each minute: adapter and own converter loss + rating × (c₁x + c₂x²) of each device, x = output ÷ rating',
      inputs: [...curves, ...byLoad(settled, 'conversionWh')],
      note: 'What grows with the load. It is zero for anything wired straight to the bus.',
    },
  };
}

/** Idle, device by device; what search mode spares while nothing runs is taken off. */
function idle(settled: Settled): Draft {
  const { ledger, bus } = settled;
  const days = bus.devices;
  const searches = ({ feed }: DeviceDay) => feed.device.kind === 'inverter' && feed.device.search !== null;
  const terms = days.map((day, i) => `{idle${i}} × {hours${i}}${searches(day) ? ` − {spared${i}}` : ''}`);
  const inputs = days.flatMap((day, i): (WorkingInput | Reference)[] => {
    const idleWh = (idleOf(day) * day.onMin) / 60;
    const spares = computed(
      `spared${i}`,
      'spared by search mode',
      idleWh - day.heldIdleWh - day.unattendedIdleWh,
      'Wh',
    );
    return [
      idleInput(settled, day, `idle${i}`),
      computed(`hours${i}`, `${day.feed.device.name} on`, day.onMin / 60, 'h'),
      ...(searches(day) ? [spares] : []),
    ];
  });
  const { idleWh: nobodysWh } = ledger.unattended;
  const [only] = days;
  const onMin = days.reduce((sum, day) => sum + day.onMin, 0);
  return {
    value: ledger.total.idleWh,
    unit: UNIT,
    label: 'Lost idling',
    basis: ORIGIN.schmidtSauer,
    working: {
      formula: terms.join(' + ') || '0: nothing uses an inverter',
      inputs: [
        ...inputs,
        ...(nobodysWh > 0 ? [computed('unattended', 'of this, nothing running', nobodysWh, 'Wh')] : []),
        ...byLoad(settled, 'idleWh'),
      ],
      note: only
        ? `${days.length === 1 ? `${only.feed.device.name} is` : 'The devices are'} on for ${formatDuration(onMin)} of the day. Idle is shared, minute by minute, among the loads that held it on.`
        : undefined,
    },
  };
}

const idleOf = ({ feed }: DeviceDay): number => feed.curve.c0 * feed.ratingW;

/** An inverter's idle is a figure of its own; a converter's is told as it is. */
function idleInput({ inverters }: Settled, day: DeviceDay, symbol: string): WorkingInput {
  const inverter = inverters.find(({ device }) => device.id === day.feed.device.id);
  const input = computed(symbol, `${day.feed.device.name} idle`, idleOf(day), 'W');
  return inverter ? { ...input, figure: inverterFigures(inverter).idle } : input;
}

/** What the runs that are laid lose; 0 while they are only proposed. */
const cable = (settled: Settled): Draft => ({
  value: settled.ledger.total.cableWh,
  unit: UNIT,
  label: 'Lost in cables',
  basis: ORIGIN.cables,
  working: {
    formula: settled.leads ? 'each minute, each run: R × I², there and back' : '0: no runs are laid yet',
    inputs: [
      ...(settled.ledger.unattended.cableWh > 0
        ? [computed('unattended', 'of this, for devices that only wait', settled.ledger.unattended.cableWh, 'Wh')]
        : []),
      ...byLoad(settled, 'cableWh'),
    ],
    note: settled.leads
      ? 'By the cold copper of the runs as they are laid. What cycles loses by the current while it is on, not by its mean.'
      : 'The Runs step proposes them; once they are laid, what they lose counts everywhere.',
  },
});

const storage = (settled: Settled): Draft => ({
  value: settled.ledger.total.storageWh,
  unit: UNIT,
  label: 'Lost in the store',
  basis: ORIGIN.practiceRecalled,
  working: {
    formula: '{bus} × (1 ÷ {roundTrip} − 1)',
    inputs: [refer('bus', 'demand.bus'), roundTrip(settled)],
    note: 'Taken as if all energy passed through the store. What runs while the sun shines skips it: the day’s simulation shows how much.',
  },
});

const total = ({ ledger }: Settled): Draft => ({
  value: ledger.total.conversionWh + ledger.total.idleWh + ledger.total.cableWh + ledger.total.storageWh,
  unit: UNIT,
  label: 'Lost on the way',
  basis: ORIGIN.si,
  working: {
    formula: '{conversion} + {idle} + {cable} + {storage}',
    inputs: [
      refer('conversion', 'loss.conversion'),
      refer('idle', 'loss.idle'),
      refer('cable', 'loss.cable'),
      refer('storage', 'loss.storage'),
    ],
  },
});

/** What the controllers lose of the day's income before it reaches the store: no part of the need. */
const controllers = ({ income, sources }: Settled): Draft => ({
  value: income.controllersWh,
  unit: UNIT,
  label: 'In the controllers, on the way in',
  basis: ORIGIN.practice,
  working: {
    formula: '{sun} × (1 ÷ {mppt} − 1) + {alternator} × (1 ÷ {dcdc} − 1)',
    inputs: [
      refer('sun', 'sun.yield'),
      letThrough(sources, 'sun', 'mppt', 'Solar controller', 'mpptEfficiency'),
      refer('alternator', 'alternator.yield'),
      letThrough(sources, 'driving', 'dcdc', 'DC-DC charger', 'dcdcEfficiency'),
    ],
    note: 'Lost before the store, so it is in what the sources are sized for and not in the need.',
  },
});

/** Share that the controllers of a kind let through: the usual of each, or of unlike ones what they let through together. */
function letThrough(
  sources: readonly Source[],
  kind: SourceKind,
  symbol: string,
  label: string,
  usual: 'mpptEfficiency' | 'dcdcEfficiency',
): WorkingInput {
  const those = sources.filter((source) => source.kind === kind && offeredWh(source) > 0);
  if (those.every(({ efficiency }) => efficiency === DEFAULT[usual].value))
    return fromDefault(symbol, label, usual, 'share');
  const taken = those.reduce((sum, source) => sum + offeredWh(source) / source.efficiency, 0);
  return computed(symbol, `${label}s, together`, yieldOf(those, kind) / taken, 'share');
}

/** What a day with sun spares of the storage loss. */
const spared = (settled: Settled): Draft => ({
  value: settled.income.directWh * (1 / settled.roundTripEfficiency - 1),
  unit: UNIT,
  label: 'Storage loss spared under the sun',
  basis: ORIGIN.si,
  working: {
    formula: '{direct} × (1 ÷ {roundTrip} − 1)',
    inputs: [computed('direct', 'Fed straight from the array', settled.income.directWh, 'Wh'), roundTrip(settled)],
    note: 'Not taken off the need: the store is sized for days without sun, when all of it passes through.',
  },
});
