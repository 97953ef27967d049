import { formatUse, type LedgerEntry, type Load, runningPowerW, showText } from '@joulemetric/core';
import { LedgerBar } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { EVIDENCE_WORDS } from './words.ts';

/** A load as two lines for the thumb: it opens the load's sheet. */
export function PhoneRow({
  load,
  entry,
  barScaleWh,
  onOpen,
}: {
  load: Load;
  entry: LedgerEntry;
  barScaleWh: number;
  onOpen: (id: string) => void;
}) {
  return (
    <div data-load={load.id} className="border-b border-line">
      <button
        type="button"
        onClick={() => onOpen(load.id)}
        className="grid w-full grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 py-2 text-left"
      >
        <span className="truncate">
          <span className="text-[15px] font-medium">
            {load.quantity > 1 && `${load.quantity} × `}
            {load.name}
          </span>{' '}
          <span className="num text-ink-2">
            {showText(runningPowerW(load.draw), 'W')}, {formatUse(load)}
          </span>
        </span>
        <span className="text-[15px] font-semibold">
          <Num value={entry.batteryWh} unit="Wh" />
        </span>
        <LedgerBar parts={entry} scaleWh={barScaleWh} height={12} />
        <span className="num text-right text-note text-ink-2">{EVIDENCE_WORDS[load.evidence].word}</span>
      </button>
    </div>
  );
}
