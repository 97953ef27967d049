import type { Ledger, LedgerEntry } from '../assessment.ts';
import type { LoadProfile } from '../loads/profile.ts';
import type { FigureBook, FigureId, WorkingInput } from '../quantity/figure.ts';
import { formatDuration } from '../quantity/format.ts';
import { ORIGIN } from '../reference/origins.ts';
import type { DeviceDay, LedgerRow } from './ledger.ts';

function entry(usefulWh: number, conversionWh: number, idleWh: number, storageShare: number) {
  const storageWh = (usefulWh + conversionWh + idleWh) * storageShare;
  return { usefulWh, conversionWh, idleWh, storageWh, batteryWh: usefulWh + conversionWh + idleWh + storageWh };
}

/** The day's ledger with the store's own loss shared in proportion to what each load draws from it. */
export function ledgerOf(rows: readonly LedgerRow[], unattendedIdleWh: number, roundTripEfficiency: number): Ledger {
  const storageShare = 1 / roundTripEfficiency - 1;
  const loads: LedgerEntry[] = rows.map((row) => ({
    loadId: row.loadId,
    ...entry(row.usefulWh, row.conversionWh, row.idleWh, storageShare),
  }));
  const unattended = entry(0, 0, unattendedIdleWh, storageShare);
  const sum = (key: 'usefulWh' | 'conversionWh' | 'idleWh') =>
    loads.reduce((total, row) => total + row[key], 0) + unattended[key];
  return { loads, unattended, total: entry(sum('usefulWh'), sum('conversionWh'), sum('idleWh'), storageShare) };
}

/** The day's need and its losses, each with its working; loss.total and demand.battery are exact sums. */
export function recordDemand(
  book: FigureBook,
  profiles: readonly LoadProfile[],
  ledger: Ledger,
  days: readonly DeviceDay[],
  idleFigure: (deviceId: string) => FigureId | undefined,
  roundTripEfficiency: number,
): void {
  const { total } = ledger;
  const unit = 'Wh/day';
  book.set('demand.useful', {
    value: total.usefulWh,
    unit,
    label: 'At the appliances',
    basis: ORIGIN.si,
    working: {
      formula: 'sum over the loads of pieces × power × time',
      inputs: profiles.map(({ load, energyWh }, i) => ({
        symbol: `load${i}`,
        label: load.quantity > 1 ? `${load.quantity} × ${load.name}` : load.name,
        value: energyWh,
        unit: 'Wh',
        origin: { label: 'job' as const, source: load.evidence.replace('-', ' ') },
      })),
    },
  });
  const parts = (key: 'conversionWh' | 'idleWh') =>
    ledger.loads.flatMap((row, i) =>
      row[key] > 0
        ? [
            {
              symbol: `load${i}`,
              label: profiles[i]?.load.name ?? row.loadId,
              value: row[key],
              unit: 'Wh',
              origin: ORIGIN.computed,
            },
          ]
        : [],
    );
  const curveInputs = days.flatMap(({ feed }, i): WorkingInput[] =>
    (['c0', 'c1', 'c2'] as const).map((c, power) => ({
      symbol: `${c}of${i}`,
      label: `${feed.device.name}: ${['loss at no load, c₀', 'with load, c₁', 'with load², c₂'][power]}`,
      value: feed.curve[c],
      unit: '',
      origin: feed.device.points.length > 0 ? ORIGIN.job : ORIGIN.schmidtSauer,
    })),
  );
  const conversion = book.set('loss.conversion', {
    value: total.conversionWh,
    unit,
    label: 'Lost converting',
    basis: ORIGIN.schmidtSauer,
    working: {
      formula:
        'each minute: adapter and own converter loss + rating × (c₁x + c₂x²) of each device, x = output ÷ rating',
      inputs: [...curveInputs, ...parts('conversionWh')],
      note: 'What grows with the load. It is zero for anything wired straight to the bus.',
    },
  });
  const idle = recordIdleLoss(book, ledger, days, idleFigure, parts('idleWh'));
  const busWh = total.usefulWh + conversion + idle;
  book.set('demand.bus', {
    value: busWh,
    unit,
    label: 'Drawn from the store',
    basis: ORIGIN.si,
    working: {
      formula: '{useful} + {conversion} + {idle}',
      inputs: [
        book.input('useful', 'demand.useful'),
        book.input('conversion', 'loss.conversion'),
        book.input('idle', 'loss.idle'),
      ],
    },
  });
  const storage = book.set('loss.storage', {
    value: total.storageWh,
    unit,
    label: 'Lost in the store',
    basis: ORIGIN.practiceRecalled,
    working: {
      formula: '{bus} × (1 ÷ {roundTrip} − 1)',
      inputs: [
        book.input('bus', 'demand.bus'),
        {
          symbol: 'roundTrip',
          label: 'Round trip of the store',
          value: roundTripEfficiency,
          unit: 'share',
          origin: ORIGIN.practiceRecalled,
        },
      ],
      note: 'Taken as if all energy passed through the store. What runs while the sun shines skips it: the day’s simulation shows how much.',
    },
  });
  const loss = book.set('loss.total', {
    value: conversion + idle + storage,
    unit,
    label: 'Lost on the way',
    basis: ORIGIN.si,
    working: {
      formula: '{conversion} + {idle} + {storage}',
      inputs: [
        book.input('conversion', 'loss.conversion'),
        book.input('idle', 'loss.idle'),
        book.input('storage', 'loss.storage'),
      ],
      note: 'Cable loss is not in it yet: no cable runs are drawn.',
    },
  });
  book.set('demand.battery', {
    value: total.usefulWh + loss,
    unit,
    label: 'Need per day',
    basis: ORIGIN.si,
    working: {
      formula: '{useful} + {loss}',
      inputs: [book.input('useful', 'demand.useful'), book.input('loss', 'loss.total')],
      note: 'What the store must be given back each day: useful energy and every loss on the way.',
    },
  });
}

/** What the store gives while there is no sun: the part that no array feeds directly. */
export function recordNight(
  book: FigureBook,
  busW: Float64Array,
  irradianceWm2: Float64Array,
  roundTripEfficiency: number,
): void {
  let wattMinutes = 0;
  let darkMin = 0;
  for (let m = 0; m < busW.length; m++) {
    if ((irradianceWm2[m] as number) > 0) continue;
    wattMinutes += busW[m] as number;
    darkMin++;
  }
  book.set('demand.night', {
    value: wattMinutes / 60 / roundTripEfficiency,
    unit: 'Wh/day',
    label: 'Need by night',
    basis: ORIGIN.si,
    working: {
      formula: '{bus} ÷ {roundTrip}',
      inputs: [
        { symbol: 'bus', label: 'Drawn without sun', value: wattMinutes / 60, unit: 'Wh', origin: ORIGIN.computed },
        {
          symbol: 'roundTrip',
          label: 'Round trip of the store',
          value: roundTripEfficiency,
          unit: 'share',
          origin: ORIGIN.practiceRecalled,
        },
        { symbol: 'dark', label: 'From sunset to sunrise', value: darkMin / 60, unit: 'h', origin: ORIGIN.computed },
      ],
      note: 'All of it passes through the store, whatever the array.',
    },
  });
}

/** Idle, device by device; what search mode spares while nothing runs is taken off. */
function recordIdleLoss(
  book: FigureBook,
  { total, unattended }: Ledger,
  days: readonly DeviceDay[],
  idleFigure: (deviceId: string) => FigureId | undefined,
  parts: readonly WorkingInput[],
): number {
  const inputs = days.flatMap(({ feed, onMin, heldIdleWh, unattendedIdleWh }, i): WorkingInput[] => {
    const { curve, ratingW, device } = feed;
    const figure = idleFigure(device.id);
    const idleW = curve.c0 * ratingW;
    const of = { unit: 'W', origin: ORIGIN.computed };
    return [
      { symbol: `idle${i}`, label: `${device.name} idle`, value: idleW, ...of, ...(figure ? { figure } : {}) },
      { symbol: `hours${i}`, label: `${device.name} on`, value: onMin / 60, unit: 'h', origin: ORIGIN.computed },
      {
        symbol: `spared${i}`,
        label: 'spared by search mode',
        value: (idleW * onMin) / 60 - heldIdleWh - unattendedIdleWh,
        unit: 'Wh',
        origin: ORIGIN.computed,
      },
    ];
  });
  const spares = days.map(({ feed }) => feed.device.kind === 'inverter' && feed.device.search !== null);
  const shown = inputs.filter(({ symbol }) => !symbol.startsWith('spared') || spares[Number(symbol.slice(6))]);
  const terms = days.map((_, i) => `{idle${i}} × {hours${i}}${spares[i] ? ` − {spared${i}}` : ''}`);
  const onMin = days.reduce((sum, day) => sum + day.onMin, 0);
  const nobody: WorkingInput = {
    symbol: 'unattended',
    label: 'of this, nothing running',
    value: unattended.idleWh,
    unit: 'Wh',
    origin: ORIGIN.computed,
  };
  const [only] = days;
  return book.set('loss.idle', {
    value: total.idleWh,
    unit: 'Wh/day',
    label: 'Lost idling',
    basis: ORIGIN.schmidtSauer,
    working: {
      formula: terms.join(' + ') || '0: nothing uses an inverter',
      inputs: [...shown, ...(unattended.idleWh > 0 ? [nobody] : []), ...parts],
      note: only
        ? `${days.length === 1 ? `${only.feed.device.name} is` : 'The devices are'} on for ${formatDuration(onMin)} of the day. Idle is shared, minute by minute, among the loads that held it on.`
        : undefined,
    },
  });
}
