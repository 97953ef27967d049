import { type Bank, formatNumber, showText } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { useText } from '../../ui/useText.ts';

const UNIT = { width: 54, height: 30, gap: 8 };
/** Branches that are drawn; a long bank says how many more there are. */
const MOST_DRAWN = 8;
const MOST_ROWS = 4;

interface Branch {
  readonly key: string;
  readonly name: string;
  readonly series: number;
  readonly unitV: number;
  readonly unitAh: number;
  readonly isOfBus: boolean;
}

/** The bank as it is wired: strings side by side, leads taken off at opposite corners, the fuse by the positive post. */
export function Arrangement({ fuse }: { fuse: string | null }) {
  const text = useText();
  const { strings } = useView().option.system.store;
  const bank = useView().bank;
  if (!strings || !bank) return null;
  const branches = bank.strings.flatMap(({ id, name, series, parallel, unitV, isOfBus }, i): Branch[] =>
    Array.from({ length: parallel }, (_, k) => ({
      key: `${id} ${k}`,
      name,
      series,
      unitV,
      unitAh: strings[i]?.capacityAh ?? 0,
      isOfBus,
    })),
  );
  const drawn = branches.slice(0, MOST_DRAWN);
  const rows = Math.min(MOST_ROWS, Math.max(...drawn.map(({ series }) => series)));
  const step = UNIT.width + UNIT.gap;
  const width = 60 + drawn.length * step + 46;
  const bottom = 34 + rows * (UNIT.height + UNIT.gap);
  const height = bottom + 26;
  const x = (i: number) => 60 + i * step;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width="100%"
        className="max-h-[230px]"
        role="img"
        aria-label={words(bank, text)}
      >
        <g stroke="var(--ink)" strokeWidth="2" fill="none">
          <path d={`M8 20H${x(drawn.length - 1) + UNIT.width / 2}`} />
          <path d={`M${x(0) + UNIT.width / 2} ${bottom}H${width - 8}`} />
          <rect x="20" y="14" width="26" height="12" fill="var(--paper)" />
        </g>
        <text x="33" y="40" textAnchor="middle" className="fill-[var(--ink-2)] text-[11px]">
          {fuse ?? 'fuse'}
        </text>
        <text x="8" y="12" className="fill-[var(--ink)] text-[12px] font-semibold">
          +
        </text>
        <text x={width - 16} y={bottom - 6} className="fill-[var(--ink)] text-[12px] font-semibold">
          −
        </text>
        {drawn.map((branch, i) => (
          <BranchDrawing key={branch.key} branch={branch} x={x(i)} rows={rows} bottom={bottom} />
        ))}
      </svg>
      <figcaption className="num text-note text-ink-2">
        {words(bank, text)}
        {branches.length > drawn.length && ` The first ${drawn.length} branches are drawn.`} Leads of equal length,
        taken off at opposite corners, so that every string carries its share.
      </figcaption>
    </figure>
  );
}

function words(
  { units, strings, ah, nominalV, dischargeA, chargeA, kg, price }: Bank,
  text: ReturnType<typeof useText>,
): string {
  const parts = strings.map(({ series, parallel }) => `${series} in series × ${parallel} side by side`);
  return [
    `${units} ${units === 1 ? 'unit' : 'units'}: ${parts.join(' + ')}.`,
    `${showText(ah, 'Ah')} at ${formatNumber(nominalV, 1)} V, gives ${showText(dischargeA, 'A')}, takes ${showText(chargeA, 'A')}, ${text(kg, 'kg')}${price === null ? '' : `, ${formatNumber(price)}`}.`,
  ].join(' ');
}

function BranchDrawing({ branch, x, rows, bottom }: { branch: Branch; x: number; rows: number; bottom: number }) {
  const drawn = Math.min(rows, branch.series);
  const middle = x + UNIT.width / 2;
  const colour = branch.isOfBus ? 'var(--ink)' : 'var(--stop)';
  return (
    <g>
      <path d={`M${middle} 20V${bottom}`} stroke={colour} strokeWidth="1.5" />
      {Array.from({ length: drawn }, (_, row) => {
        const y = 34 + row * (UNIT.height + UNIT.gap);
        const left = branch.series - drawn;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: units of a string are alike and stay in order.
          <g key={row}>
            <rect
              x={x}
              y={y}
              width={UNIT.width}
              height={UNIT.height}
              fill="var(--sheet)"
              stroke={colour}
              strokeWidth="1.5"
            />
            <text x={middle} y={y + 13} textAnchor="middle" className="num fill-[var(--ink)] text-[11px]">
              {row === drawn - 1 && left > 0 ? `+ ${left} more` : `${formatNumber(branch.unitV, 1)} V`}
            </text>
            <text x={middle} y={y + 25} textAnchor="middle" className="num fill-[var(--ink-2)] text-[11px]">
              {formatNumber(branch.unitAh, 0)} Ah
            </text>
          </g>
        );
      })}
    </g>
  );
}
