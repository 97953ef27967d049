import { type ApplianceVolts, formatNumber, showText } from '@joulemetric/core';
import { memo } from 'react';
import { usePanels } from '../../shell/JobContext.tsx';
import { stopsAt, stopsBand } from './words.ts';

/** What reaches each appliance: volts on a full and on a low store, at its start, and where it stops for want of them. */
export const Reaches = memo(function Reaches({
  appliances,
  reserveSoc,
  onRun,
}: {
  appliances: readonly ApplianceVolts[];
  reserveSoc: number;
  onRun: (id: string) => void;
}) {
  if (appliances.length === 0) return null;
  return (
    <section aria-label="What reaches each appliance" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        What reaches each appliance{' '}
        <span className="num font-normal text-note text-ink-2">
          volts with all that may run beside it; what hangs on an inverter by the volts at its terminals
        </span>
      </h2>
      <table className="num mt-1 w-full max-w-[1000px] text-right" aria-label="Volts at each appliance">
        <thead>
          <tr className="border-b border-ink align-bottom text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-normal">
              Appliance
            </th>
            <th scope="col" className="pl-3 font-normal">
              Full, cold
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Half used
            </th>
            <th scope="col" className="pl-3 font-normal">
              Low, hot
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              At its start
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Cuts out below
            </th>
            <th scope="col" className="pl-3 font-normal">
              Stops at
            </th>
            <th scope="col" className="pl-3 font-normal phone:hidden">
              Out of reach
            </th>
          </tr>
        </thead>
        <tbody>
          {appliances.map((one) => (
            <Row key={one.loadId} {...rowOf(one, reserveSoc)} onRun={onRun} />
          ))}
        </tbody>
      </table>
      <p className="max-w-[86ch] pt-2 text-note text-ink-2">
        Stops at: the charge left in the store when the volts at its terminals fall to its cut-off, beside what usually
        runs. On the flat part of a battery’s curve a hundredth of a volt moves that by points: the band beneath says by
        how many. A cut-off is put in with the load (lowest volts) or with the inverter; an inverter of which none is
        known is taken to stop at 10.5 V for each 12.
      </p>
    </section>
  );
});

/** A row as it is read: of volts that move by less than is shown nothing is drawn anew. */
interface Shown {
  readonly loadId: string;
  readonly runId: string | null;
  readonly name: string;
  readonly deviceName: string | null;
  readonly full: string;
  readonly typical: string;
  readonly low: string;
  readonly start: string;
  /** How long it takes; empty where nothing starts. */
  readonly startFor: string;
  readonly cutOff: string;
  readonly stops: string;
  readonly band: string;
  readonly strandedAh: string;
  readonly strandedWh: string;
  /** Which of them are a stop: volts that it cannot run on, and charge that it leaves in the store. */
  readonly isFullBelow: boolean;
  readonly isTypicalBelow: boolean;
  readonly isLowBelow: boolean;
  readonly isStartBelow: boolean;
  readonly stopsEarly: boolean;
}

function rowOf(one: ApplianceVolts, reserveSoc: number): Shown {
  const { volts, startV, startSeconds, cutOffV, dropOut } = one;
  const isStranded = dropOut !== null && dropOut.soc > 0;
  const isBelow = (value: number | null) => value === null || (cutOffV !== null && value < cutOffV);
  return {
    loadId: one.loadId,
    runId: one.runId,
    name: one.name,
    deviceName: one.deviceName,
    full: voltsText(volts.full.cold),
    typical: voltsText(volts.typical.cold),
    low: voltsText(volts.low.hot),
    start: voltsText(startV),
    startFor: startSeconds === 0 ? '' : showText(startSeconds, 's'),
    cutOff: cutOffV === null ? 'not known' : showText(cutOffV, 'V'),
    stops: stopsAt(one),
    band: stopsBand(one),
    strandedAh: isStranded ? showText(dropOut.strandedAh, 'Ah') : '',
    strandedWh: isStranded ? showText(dropOut.strandedWh, 'Wh') : '',
    isFullBelow: volts.full.cold === null,
    isTypicalBelow: volts.typical.cold === null,
    isLowBelow: isBelow(volts.low.hot),
    isStartBelow: isBelow(startV),
    stopsEarly: (dropOut?.soc ?? 0) > reserveSoc,
  };
}

const voltsText = (value: number | null): string => (value === null ? 'breaks down' : `${formatNumber(value, 2)} V`);

const STOP = 'font-semibold text-stop';

const Row = memo(function Row(row: Shown & { readonly onRun: (id: string) => void }) {
  const { open } = usePanels();
  const { loadId, runId, onRun } = row;
  return (
    <tr className="border-b border-line-2 align-baseline">
      <th scope="row" className="max-w-0 py-1 text-left font-normal" style={{ width: '30%' }}>
        <span className="flex items-baseline gap-2">
          <button
            type="button"
            className="truncate text-left hover:underline phone:min-h-11"
            onClick={() => (runId === null ? open({ kind: 'load', id: loadId }) : onRun(runId))}
          >
            {row.name}
          </button>
          {row.deviceName !== null && (
            <span className="truncate text-note text-ink-2 phone:hidden">{row.deviceName}</span>
          )}
        </span>
      </th>
      <td className={`whitespace-nowrap pl-3 ${row.isFullBelow ? STOP : ''}`}>{row.full}</td>
      <td className={`whitespace-nowrap pl-3 phone:hidden ${row.isTypicalBelow ? STOP : ''}`}>{row.typical}</td>
      <td className={`whitespace-nowrap pl-3 ${row.isLowBelow ? STOP : ''}`}>{row.low}</td>
      <td className="whitespace-nowrap pl-3 phone:hidden">
        {row.startFor === '' ? (
          <None />
        ) : (
          <span className={row.isStartBelow ? STOP : ''}>
            {row.start} <span className="text-note font-normal text-ink-2">{row.startFor}</span>
          </span>
        )}
      </td>
      <td className="whitespace-nowrap pl-3 text-ink-2 phone:hidden">{row.cutOff}</td>
      <td className={`whitespace-nowrap pl-3 ${row.stopsEarly ? STOP : ''}`}>
        {row.stops}
        <span className="block text-note font-normal leading-4 text-ink-2">{row.band}</span>
      </td>
      <td className="whitespace-nowrap pl-3 phone:hidden">
        {row.strandedAh === '' ? (
          <None />
        ) : (
          <>
            {row.strandedAh}
            <span className="block text-note leading-4 text-ink-2">{row.strandedWh}</span>
          </>
        )}
      </td>
    </tr>
  );
});

const None = () => <span className="text-ink-2">–</span>;
