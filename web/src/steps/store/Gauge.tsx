import { formatNumber, type StoreDetail } from '@joulemetric/core';
import { useOption } from '../../shell/JobContext.tsx';

/** What a voltmeter reads at rest, with the plain word of what that is worth. */
export function Gauge({ gauge }: { gauge: StoreDetail['gauge'] | null }) {
  const { chemistry } = useOption().system.store;
  if (!gauge) return null;
  return (
    <details className="border-t border-line py-2">
      <summary className="cursor-pointer py-1 text-body font-semibold phone:min-h-11 phone:py-3">
        What a voltmeter would say{' '}
        <span className="font-normal text-note text-ink-2">at rest for hours, from memory</span>
      </summary>
      <table className="num mt-1">
        <tbody>
          <tr className="border-b border-line-2">
            <th scope="row" className="pr-5 text-left font-normal text-ink-2">
              Left in it
            </th>
            {gauge.map(({ soc }) => (
              <td key={soc} className="px-2.5 py-1 text-right">
                {formatNumber(soc * 100)} %
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row" className="pr-5 text-left font-normal text-ink-2">
              Reads
            </th>
            {gauge.map(({ soc, volts }) => (
              <td key={soc} className="px-2.5 py-1 text-right font-semibold">
                {formatNumber(volts, 1)} V
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="mt-1 text-ink-2">
        {chemistry === 'lfp'
          ? 'Between 20 and 90 % it hardly changes: a voltmeter tells little of LFP, and nothing while it is charged or drawn from. Fit a meter that counts.'
          : 'Only after hours of rest: while it is charged or drawn from, it tells nothing.'}
      </p>
    </details>
  );
}
