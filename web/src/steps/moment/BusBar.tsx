import { formatClock, namesOf, showText } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { scaleOf } from './SetBars.tsx';

/** What the store gives at the worst moment of all loads, split as it leaves it. */
export function BusBar() {
  const view = useView();
  const { busPeak, feeds, inverters } = view;
  if (busPeak.weight === 0) return null;
  const parts = [
    { word: 'straight from the bus', w: busPeak.directW, fill: 'var(--ink)', opacity: 0.45 },
    {
      word: `through ${namesOf(
        feeds.map(({ device }) => device.name),
        [],
      )}`,
      w: busPeak.throughW,
      fill: 'var(--ink)',
      opacity: 0.82,
    },
    { word: 'their loss', w: busPeak.lossW, fill: 'url(#ledger-conversion)', opacity: 1 },
  ].filter(({ w }) => w > 0.5);
  // On the scale of the largest inverter's bars above.
  const scaleW = Math.max(busPeak.weight, ...inverters.map(scaleOf));
  let from = 0;
  return (
    <section aria-label="At the store" className="border-b border-line-2 py-2">
      <div className="grid grid-cols-[minmax(0,1fr)_74px_74px_104px] items-center gap-x-4 @max-[620px]:grid-cols-[minmax(0,1fr)_84px]">
        <svg
          width="100%"
          height="12"
          role="img"
          aria-label={parts.map(({ word, w }) => `${word} ${showText(w, 'W')}`).join(', ')}
        >
          {parts.map(({ word, w, fill, opacity }) => {
            const x = from;
            from += w / scaleW;
            return (
              <rect
                key={word}
                x={`${x * 100}%`}
                width={`${(w / scaleW) * 100}%`}
                height="12"
                fill={fill}
                fillOpacity={opacity}
              />
            );
          })}
        </svg>
        <span className="text-right text-number font-medium">
          <Fig id="peak.bus" />
        </span>
        <span className="text-right text-number @max-[620px]:hidden">
          <Fig id="peak.current" />
        </span>
        <span className="text-right text-number @max-[620px]:hidden">
          <Fig id="peak.crate" />
        </span>
      </div>
      <p className="num text-ink-2">
        <span className="text-ink">At the store: </span>
        {busPeak.startMin !== null && `from ${formatClock(busPeak.startMin)}, `}
        {parts.map(({ word, w }) => `${word} ${showText(w, 'W')}`).join(' · ')};{' '}
        {namesOf(busPeak.ids, view.job.loads, 6)}.
      </p>
    </section>
  );
}
