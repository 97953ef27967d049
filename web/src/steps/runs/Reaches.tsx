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
  const { open } = usePanels();
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
            <tr key={one.loadId} className="border-b border-line-2 align-baseline">
              <th scope="row" className="max-w-0 py-1 text-left font-normal" style={{ width: '30%' }}>
                <span className="flex items-baseline gap-2">
                  <button
                    type="button"
                    className="truncate text-left hover:underline phone:min-h-11"
                    onClick={() => (one.runId === null ? open({ kind: 'load', id: one.loadId }) : onRun(one.runId))}
                  >
                    {one.name}
                  </button>
                  {one.deviceName !== null && (
                    <span className="truncate text-note text-ink-2 phone:hidden">{one.deviceName}</span>
                  )}
                </span>
              </th>
              <Volts value={one.volts.full.cold} />
              <Volts value={one.volts.typical.cold} className="phone:hidden" />
              <Volts value={one.volts.low.hot} cutOffV={one.cutOffV} />
              <td className="whitespace-nowrap pl-3 phone:hidden">
                {one.startSeconds === 0 ? <span className="text-ink-2">–</span> : <StartVolts one={one} />}
              </td>
              <td className="whitespace-nowrap pl-3 text-ink-2 phone:hidden">
                {one.cutOffV === null ? 'not known' : showText(one.cutOffV, 'V')}
              </td>
              <td
                className={`whitespace-nowrap pl-3 ${(one.dropOut?.soc ?? 0) > reserveSoc ? 'font-semibold text-stop' : ''}`}
              >
                {stopsAt(one)}
                <span className="block text-note font-normal leading-4 text-ink-2">{stopsBand(one)}</span>
              </td>
              <td className="whitespace-nowrap pl-3 phone:hidden">
                {one.dropOut && one.dropOut.soc > 0 ? (
                  <>
                    {showText(one.dropOut.strandedAh, 'Ah')}
                    <span className="block text-note leading-4 text-ink-2">
                      {showText(one.dropOut.strandedWh, 'Wh')}
                    </span>
                  </>
                ) : (
                  <span className="text-ink-2">–</span>
                )}
              </td>
            </tr>
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

function Volts({
  value,
  cutOffV = null,
  className = '',
}: {
  value: number | null;
  cutOffV?: number | null;
  className?: string;
}) {
  const isBelow = value === null || (cutOffV !== null && value < cutOffV);
  return (
    <td className={`whitespace-nowrap pl-3 ${isBelow ? 'font-semibold text-stop' : ''} ${className}`}>
      {value === null ? 'breaks down' : `${formatNumber(value, 2)} V`}
    </td>
  );
}

function StartVolts({ one: { startV, cutOffV, startSeconds } }: { one: ApplianceVolts }) {
  const isBelow = startV === null || (cutOffV !== null && startV < cutOffV);
  return (
    <span className={isBelow ? 'font-semibold text-stop' : ''}>
      {startV === null ? 'breaks down' : `${formatNumber(startV, 2)} V`}{' '}
      <span className="text-note font-normal text-ink-2">{showText(startSeconds, 's')}</span>
    </span>
  );
}
