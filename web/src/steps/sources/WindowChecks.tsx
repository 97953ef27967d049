import { type Check, formatNumber, showText, type Window } from '@joulemetric/core';
import { memo } from 'react';
import { useText } from '../../ui/useText.ts';

/** What the panels bring to their controller at both ends of the year, and how much of each limit that is. */
export const WindowChecks = memo(function WindowChecks({ window }: { window: Window }) {
  const { coldC, hotC, coldVoc, hotVmp, inputA, outputA, watts } = window;
  const text = useText();
  const lines: readonly (readonly [string, Check | null, string])[] = [
    [`Open, at ${text(Math.round(coldC), '°C')}`, coldVoc, 'V'],
    [`Best point, cells at ${text(Math.round(hotC), '°C')}`, hotVmp, 'V'],
    ['Short-circuited', inputA, 'A'],
    ['At the store, by laboratory watts', outputA, 'A'],
    ['Laboratory watts', watts, 'W'],
  ];
  return (
    <table className="num w-full text-right">
      <caption className="pb-1 text-left text-note text-ink-2">Against what the controller bears</caption>
      <tbody>
        {lines.map(([what, check, unit]) => (
          <tr key={what} className="border-b border-line-2 last:border-b-0">
            <th scope="row" className="py-1 text-left font-normal text-ink-2">
              {what}
            </th>
            <td className="whitespace-nowrap pl-3 font-medium">{check ? showText(check.value, unit) : 'not known'}</td>
            <td className="whitespace-nowrap pl-3 text-ink-2">
              {check?.limit == null
                ? check
                  ? 'limit not known'
                  : ''
                : `${check === hotVmp ? 'needs' : 'of'} ${showText(check.limit, unit)}`}
            </td>
            <td
              className={`whitespace-nowrap pl-3 ${(check?.share ?? 0) > 1 ? 'font-semibold text-copper' : 'text-ink-2'}`}
            >
              {check?.share == null ? '' : `${formatNumber(check.share * 100)} %`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
});
