import { type MetBy, showText } from '@joulemetric/core';
import { memo } from 'react';

const WAYS = ['straight from the bus', 'through one conversion', 'through two'] as const;

/** How the uses of the day are met: from what, and through how many conversions. */
export const Met = memo(function Met({ rows }: { rows: readonly MetBy[] }) {
  const used = rows.filter(({ fromSunWh, fromDrivingWh, fromStoreWh }) => fromSunWh + fromDrivingWh + fromStoreWh > 0);
  if (used.length === 0) return null;
  const drives = used.some(({ fromDrivingWh }) => fromDrivingWh > 0);
  return (
    <section aria-label="How uses are met" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        How uses are met{' '}
        <span className="num font-normal text-note text-ink-2">
          useful watt-hours of the day sized for, by what gives them in that minute
        </span>
      </h2>
      <table className="num mt-1 w-full max-w-[620px] text-right" aria-label="Uses by source and conversions">
        <thead>
          <tr className="border-b border-ink text-note text-ink-2">
            <td />
            <th scope="col" className="py-1 pl-4 font-normal">
              From the sun
            </th>
            {drives && (
              <th scope="col" className="pl-4 font-normal">
                While driving
              </th>
            )}
            <th scope="col" className="pl-4 font-normal">
              Out of the store
            </th>
          </tr>
        </thead>
        <tbody>
          {used.map(({ conversions, fromSunWh, fromDrivingWh, fromStoreWh }) => (
            <tr key={conversions} className="border-b border-line-2">
              <th scope="row" className="py-1 text-left font-normal text-ink-2">
                {WAYS[conversions]}
              </th>
              <td className="pl-4">{showText(fromSunWh, 'Wh')}</td>
              {drives && <td className="pl-4">{showText(fromDrivingWh, 'Wh')}</td>}
              <td className="pl-4">{showText(fromStoreWh, 'Wh')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
});
