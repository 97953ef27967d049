import { formatNumber, showText } from '@joulemetric/core';
import { useState } from 'react';
import type { View } from '../../edges/view.ts';

/** The same as the picture, in words and numbers. */
export function FlowTable({ view }: { view: View }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="border-b border-line py-1.5" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="text-ink-2 phone:min-h-11">The same as a table</summary>
      {open && (
        <div className="overflow-x-auto">
          <Table head={DEVICE_HEAD} rows={deviceRows(view)} />
          <Table head={LOAD_HEAD} rows={loadRows(view)} />
        </div>
      )}
    </details>
  );
}

type Row = readonly string[];

const DEVICE_HEAD: Row = ['Device', 'gives, Wh', 'lost converting', 'lost idling', 'on for', 'gives ÷ takes'];
const LOAD_HEAD: Row = ['Load', 'useful, Wh', 'conversion', 'idle', 'storage', 'cables', 'from the store'];

function deviceRows({ bus }: View): Row[] {
  return bus.devices.map(({ feed, outputW, conversionWh, heldIdleWh, unattendedIdleWh, onMin }) => {
    const outWh = outputW.reduce((sum, w) => sum + w, 0) / 60;
    const idleWh = heldIdleWh + unattendedIdleWh;
    const share = outWh > 0 ? showText(outWh / (outWh + conversionWh + idleWh), 'share') : '–';
    const hours = showText(onMin / 60, 'h');
    return [feed.device.name, formatNumber(outWh), formatNumber(conversionWh), formatNumber(idleWh), hours, share];
  });
}

function loadRows({ job, assessment: { ledger } }: View): Row[] {
  const entries = [
    ...job.loads.map((load, i) => ({ name: load.name, entry: ledger.loads[i] })),
    ...(ledger.unattended.batteryWh > 0 ? [{ name: 'On, nothing running', entry: ledger.unattended }] : []),
    { name: 'The day', entry: ledger.total },
  ];
  const parts = ['usefulWh', 'conversionWh', 'idleWh', 'storageWh', 'cableWh', 'batteryWh'] as const;
  return entries.map(({ name, entry }) => [name, ...parts.map((part) => formatNumber(entry?.[part] ?? 0))]);
}

/** Words on the left, numbers on the right. */
function Table({ head, rows }: { head: Row; rows: readonly Row[] }) {
  const [first, ...others] = head;
  return (
    <table className="num mt-1 mb-2 w-full text-left">
      <thead>
        <tr className="text-note text-ink-2">
          <th className="font-normal">{first}</th>
          {others.map((word) => (
            <th key={word} className="py-1 pl-3 text-right font-normal">
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, ...cells], i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the rows stand in the list's own order, and names may repeat.
          <tr key={i} className="border-t border-line-2">
            <td className="py-1">{name}</td>
            {cells.map((cell, column) => (
              <td key={others[column]} className="py-1 pl-3 text-right">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
