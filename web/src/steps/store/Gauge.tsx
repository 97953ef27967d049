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
      <dl className="num mt-1 grid grid-cols-[repeat(auto-fill,minmax(80px,1fr))] gap-x-4 gap-y-1.5">
        {gauge.map(({ soc, volts }) => (
          <div key={soc} className="border-b border-line-2 pb-0.5">
            <dt className="text-note text-ink-2">{formatNumber(soc * 100)} % left</dt>
            <dd className="font-semibold">{formatNumber(volts, 1)} V</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-ink-2">
        {chemistry === 'lfp'
          ? 'Between 20 and 90 % it hardly changes: a voltmeter tells little of LFP, and nothing while it is charged or drawn from. Fit a meter that counts.'
          : 'Only after hours of rest: while it is charged or drawn from, it tells nothing.'}
      </p>
    </details>
  );
}
