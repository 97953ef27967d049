import { formatNumber, type LogReport } from '@joulemetric/core';
import { hoursText } from './says.ts';

type Compare = NonNullable<LogReport['compare']>;

const BECAUSE: Readonly<Record<Compare['because'][number], string>> = {
  'below-resolution': 'the difference in a window is less than a step of the meter',
  scatter: 'it lies within what the windows scatter',
  'one-window': 'one window a side shows no scatter',
  swing: 'the load swings by more than the difference, and a few windows may be alike by chance',
};

/** Two ways beside each other, and what it would take to tell them apart. */
export function ComparedWays({ compare }: { compare: Compare }) {
  const {
    a,
    b,
    windowMinutes,
    windowWh,
    differenceWh,
    stepWh,
    because,
    distinguishable,
    neededWindows,
    test,
    p,
    withDrift,
    swing,
  } = compare;
  const facts = [
    `${formatNumber(windowWh, 2)} Wh in a window of ${formatNumber(windowMinutes, 0)} min, ${formatNumber(differenceWh, 2)} Wh apart${stepWh === null ? '' : `; the meter shows steps of ${formatNumber(stepWh, 2)} Wh`}.`,
    p === null
      ? null
      : `By chance alone so far apart in ${formatNumber(p * 100, p < 0.01 ? 3 : 1)} % of such tests (Welch).`,
    withDrift
      ? `With drift from window to window taken out: ${formatNumber(withDrift.differenceW, 1)} W, ${formatNumber(withDrift.lowW, 1)} to ${formatNumber(withDrift.highW, 1)}.`
      : null,
    swing?.windows && !distinguishable
      ? `Were each window no longer than one swing of the load, it would take ${formatNumber(swing.windows, 0)} of them a side.`
      : null,
  ].filter((fact) => fact !== null);
  return (
    <section aria-label="One way against another" className="pt-3">
      <table className="num w-full max-w-[460px] text-number">
        <thead>
          <tr className="border-b border-ink text-right text-note text-ink-2">
            <th scope="col" className="py-1 text-left font-medium">
              Way
            </th>
            <th scope="col" className="font-medium">
              windows
            </th>
            <th scope="col" className="font-medium">
              mean W
            </th>
            <th scope="col" className="font-medium">
              scatter W
            </th>
          </tr>
        </thead>
        <tbody>
          {[a, b].map(({ label, windows, meanW, deviationW }) => (
            <tr key={label} className="border-b border-line-2 text-right">
              <td className="py-1 text-left font-words">{label}</td>
              <td>{windows}</td>
              <td className="font-medium">{formatNumber(meanW, 1)}</td>
              <td>{formatNumber(deviationW, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {because.length > 0 && (
        <p className="num pt-1 text-copper">Not told apart: {because.map((one) => BECAUSE[one]).join('; ')}.</p>
      )}
      <p className="num pt-1 text-note text-ink-2">{facts.join(' ')}</p>
      {!distinguishable && (
        <p className="num text-note text-ink-2">
          To tell so small a difference:{' '}
          {neededWindows === null
            ? 'no number of windows, since there is none'
            : `${formatNumber(neededWindows, 0)} windows of this length a side`}
          {test && `, or ${test.windows} a side of ${hoursText(test.windowH)} each, ${hoursText(test.hours)} in all`}.
        </p>
      )}
    </section>
  );
}
