import { type DayCell, formatNumber, monthName, type SourcesDetail, showText } from '@joulemetric/core';
import { memo } from 'react';
import { useJob } from '../../shell/JobContext.tsx';

/** Which cell of the table is looked at: by its place among the kinds, so that a kind that goes takes nothing with it. */
export interface Chosen {
  readonly month: number;
  readonly kind: number;
}

/** Twelve months × the kinds of day: what is over and what is short, each cell to be looked at. */
export const DayTable = memo(function DayTable({
  detail,
  chosen,
  onChoose,
}: {
  detail: SourcesDetail;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
}) {
  const { months } = useJob().job.brief;
  const { kinds, cells } = detail;
  const scale = Math.max(1, ...cells.map(({ needWh }) => needWh));
  return (
    <div>
      <h2 className="text-body font-semibold">
        Income less need{' '}
        <span className="num font-normal text-note text-ink-2">Wh a day, as if every day were like it</span>
      </h2>
      <table className="num mt-1 w-full table-fixed text-right text-number">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th scope="col" className="w-9 py-1 text-left text-note font-normal text-ink-2">
              <span className="sr-only">Month</span>
            </th>
            {kinds.map(({ kind, name, supplyId }) => (
              <th
                key={supplyId ?? kind}
                scope="col"
                className="py-1 pl-2 text-note font-medium leading-tight text-ink-2"
              >
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: 12 }, (_, i) => i + 1).map((month) => (
            <tr key={month} className="border-b border-line-2">
              <th
                scope="row"
                title={monthName(month)}
                className={`text-left ${months.includes(month) ? 'font-semibold' : 'font-normal text-ink-2'}`}
              >
                {monthName(month).slice(0, 3)}
              </th>
              {kinds.map(({ kind, supplyId }, k) => {
                const cell = cells.find((one) => one.month === month && one.kind === kind && one.supplyId === supplyId);
                const isChosen = chosen.month === month && chosen.kind === k;
                return (
                  <td key={supplyId ?? kind} className="p-0 pl-1">
                    {cell && (
                      <Cell
                        cell={cell}
                        scale={scale}
                        isOfUse={months.includes(month)}
                        isChosen={isChosen}
                        onChoose={() => onChoose({ month, kind: k })}
                      />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="num mt-1.5 text-note text-ink-2">
        Bright days are the month’s upper quarter, dull ones its lower; driving and supplies under a mean sky. Months of
        use in bold.
      </p>
    </div>
  );
});

function Cell({
  cell,
  scale,
  isOfUse,
  isChosen,
  onChoose,
}: {
  cell: DayCell;
  scale: number;
  isOfUse: boolean;
  isChosen: boolean;
  onChoose: () => void;
}) {
  const short = cell.shortWh > 1;
  const wh = Math.round(cell.netWh);
  const width = Math.min(1, Math.abs(cell.netWh) / scale);
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={words(cell)}
      onClick={onChoose}
      className={`relative block w-full px-1.5 py-1 text-right leading-5 phone:min-h-11 ${
        isChosen ? 'outline outline-2 -outline-offset-2 outline-ink' : 'hover:bg-sheet'
      } ${short ? 'font-semibold text-stop' : isOfUse ? 'font-medium' : 'text-ink-2'}`}
    >
      {/* Enough in all, and yet it runs out before it comes: that it does is what counts. */}
      {short && wh >= 0 ? 'short ' : wh < 0 ? '−' : '+'}
      {formatNumber(short && wh >= 0 ? cell.shortWh : Math.abs(wh))}
      <span aria-hidden="true" className="absolute right-1.5 bottom-0 left-1.5 h-[2px]">
        <span
          className={`absolute inset-0 origin-right ${short ? 'bg-stop' : 'bg-copper'}`}
          style={{ transform: `scaleX(${width})` }}
        />
      </span>
    </button>
  );
}

function words({ month, netWh, shortWh, spilledWh }: DayCell): string {
  const rest = shortWh > 1 ? `${showText(shortWh, 'Wh')} unserved` : `${showText(spilledWh, 'Wh')} of sun spilled`;
  return `${monthName(month)}: ${showText(netWh, 'Wh')}, ${rest}`;
}
