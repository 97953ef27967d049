import {
  type Day,
  formatUse,
  type LedgerEntry,
  type Load,
  readField,
  readUse,
  runningPowerW,
  show,
  withRunningPower,
} from '@joulemetric/core';
import { memo } from 'react';
import { changeLoads, changeUses, type Edit } from '../../commands/loads.ts';
import { useDraft } from '../../ui/Field.tsx';
import { LedgerBar } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { Lane } from './Lane.tsx';
import type { Handle } from './useRowDrag.ts';
import { besidePower, EVIDENCE_CHOICES, EVIDENCE_WORDS, kindWords, PATH_CELLS, PATH_WORDS } from './words.ts';

export interface LoadRowProps {
  /** The load as it is on the day shown. */
  readonly load: Load;
  /** Says that these are not its usual uses. */
  readonly mark: string | null;
  readonly entry: LedgerEntry;
  readonly skylineW: Float32Array;
  readonly laneScaleW: number;
  readonly barScaleWh: number;
  readonly selected: boolean;
  readonly ticked: boolean;
  readonly day: Day;
  readonly optionId: string;
  readonly edit: (command: Edit, coalesce?: string) => void;
  readonly onSelect: (id: string) => void;
  readonly onTick: (id: string, extend: boolean) => void;
  readonly handle: Handle;
}

/** Columns shared by the head, the rows and the day's total; the lane, then evidence and "at load" give way as the sheet narrows. */
export const COLUMNS =
  'grid grid-cols-[14px_minmax(140px,1.9fr)_96px_80px_88px_112px_150px_66px_minmax(110px,1.3fr)_62px] items-center gap-x-3 ' +
  '@max-[1000px]:grid-cols-[14px_minmax(100px,1.4fr)_84px_76px_88px_116px_58px_minmax(80px,1fr)_60px] @max-[1000px]:gap-x-2.5 ' +
  '@max-[800px]:grid-cols-[14px_minmax(100px,1.4fr)_84px_76px_110px_minmax(70px,1fr)_60px]';
export const LANE_COLUMN = '@max-[1000px]:hidden';
export const SPARE_COLUMN = '@max-[800px]:hidden';

/** One load: every cell is edited in place; its bar shows where its watt-hours go. */
function Row(props: LoadRowProps) {
  const {
    load,
    mark,
    entry,
    skylineW,
    laneScaleW,
    barScaleWh,
    selected,
    ticked,
    day,
    optionId,
    edit,
    onSelect,
    onTick,
  } = props;
  const change: Change = ({ uses, ...part }, key) =>
    edit(
      uses ? changeUses(load.id, day, uses) : changeLoads(new Set([load.id]), part, optionId),
      key && `${load.id}.${key}`,
    );
  return (
    <div
      data-load={load.id}
      data-selected={selected || undefined}
      onFocusCapture={() => onSelect(load.id)}
      className={`${COLUMNS} group min-h-[33px] border-b border-line pl-2.5 pr-2 data-selected:-mt-px data-selected:border-b data-selected:border-t data-selected:border-ink data-selected:bg-sheet data-selected:shadow-[inset_3px_0_0_var(--ink)]`}
    >
      <TickCell load={load} ticked={ticked} onTick={onTick} handle={props.handle} />
      <NameCell load={load} mark={mark} change={change} />
      <div className="num text-right text-number">
        <PowerCell load={load} change={change} />
      </div>
      <div className="num text-right text-number">
        <UseCell load={load} change={change} />
      </div>
      <div className={`flex items-center gap-1.5 ${SPARE_COLUMN}`}>
        <EvidenceGauge level={EVIDENCE_WORDS[load.evidence].level} />
        <CellSelect
          label={`Evidence of ${load.name}`}
          value={load.evidence}
          options={EVIDENCE_CHOICES}
          onChange={(evidence) => change({ evidence })}
          column="evidence"
        />
      </div>
      <div>
        <CellSelect
          label={`Path of ${load.name}`}
          value={load.path}
          options={PATH_CELLS}
          onChange={(path) => change({ path })}
          column="path"
          strong={PATH_WORDS[load.path].twice}
        />
      </div>
      <div className={LANE_COLUMN}>
        <Lane load={load} skylineW={skylineW} scaleW={laneScaleW} onChange={(uses, drag) => change({ uses }, drag)} />
      </div>
      <div className={`text-right text-number text-ink-2 ${SPARE_COLUMN}`}>
        <Num value={entry.usefulWh} unit="Wh" />
      </div>
      <LedgerBar parts={entry} scaleWh={barScaleWh} />
      <div className="text-right text-number font-semibold">
        <Num value={entry.batteryWh} unit="Wh" />
      </div>
    </div>
  );
}

/** What did not change is the same object as before: an edit redraws the rows it touches. */
export const LoadRow = memo(Row);

type Change = (part: Partial<Omit<Load, 'id'>>, key?: string) => void;

/** Ticks the load for an edit of several; pressed and pulled, it moves the row. */
function TickCell({
  load,
  ticked,
  onTick,
  handle,
}: {
  load: Load;
  ticked: boolean;
  onTick: (id: string, extend: boolean) => void;
  handle: Handle;
}) {
  return (
    <input
      type="checkbox"
      aria-label={`Choose ${load.name}`}
      title="Tick to choose, with Shift up to here; pull to move"
      checked={ticked}
      onChange={(event) => onTick(load.id, (event.nativeEvent as MouseEvent).shiftKey)}
      onClick={handle.click}
      onPointerDown={(event) => handle.down(event, load.id)}
      onPointerMove={handle.move}
      onPointerUp={handle.up}
      onPointerCancel={handle.up}
      className="size-3.5 cursor-grab touch-none accent-[var(--ink)] opacity-40 checked:opacity-100 focus-visible:opacity-100 group-hover:opacity-100 active:cursor-grabbing"
    />
  );
}

function NameCell({ load, mark, change }: { load: Load; mark: string | null; change: Change }) {
  const name = useDraft(load.name, (text) => {
    if (text.trim() === '') return 'a load needs a name';
    change({ name: text }, 'name');
    return null;
  });
  return (
    <div className="flex min-w-0 items-baseline gap-1.5">
      <input
        aria-label={`Name of ${load.name}`}
        aria-invalid={name.problem ? true : undefined}
        data-cell="name"
        value={name.draft}
        maxLength={120}
        onChange={(event) => name.type(event.target.value)}
        onBlur={name.leave}
        className="cell max-w-full shrink-0 text-[13.5px] font-medium [field-sizing:content]"
      />
      {load.quantity > 1 && <span className="num whitespace-nowrap text-note text-ink-2">{load.quantity} ×</span>}
      {mark && <span className="num whitespace-nowrap text-note font-medium text-copper">{mark}</span>}
      <span className={`num truncate text-note text-ink-2 ${LANE_COLUMN}`}>{kindWords(load)}</span>
    </div>
  );
}

function PowerCell({ load, change }: { load: Load; change: Change }) {
  const shown = `${show(runningPowerW(load.draw), 'W').number} W`;
  const field = useDraft(shown, (text) => {
    const read = readField(text, 'power');
    if ('problem' in read) return read.problem;
    if (read.value < 0 || read.value > 20_000) return 'Between 0 and 20 000 W';
    change({ draw: withRunningPower(load.draw, read.value) }, 'power');
    return null;
  });
  return <TypedCell label={`Power of ${load.name}`} column="power" field={field} suffix={besidePower(load)} />;
}

function UseCell({ load, change }: { load: Load; change: Change }) {
  const allDay = load.draw.kind === 'standby';
  const field = useDraft(formatUse(load), (text) => {
    const read = readUse(text, load);
    if ('problem' in read) return read.problem;
    change({ uses: read.uses }, 'uses');
    return null;
  });
  if (allDay) return <span className="text-ink-2">all day</span>;
  return <TypedCell label={`On for, ${load.name}`} column="use" field={field} suffix={null} />;
}

/** A cell that reads what is typed; what it cannot read stays, with its question beneath. */
function TypedCell({
  label,
  column,
  field,
  suffix,
}: {
  label: string;
  column: string;
  field: ReturnType<typeof useDraft>;
  suffix: string | null;
}) {
  return (
    <div className="relative flex items-baseline justify-end gap-1">
      <input
        aria-label={label}
        aria-invalid={field.problem ? true : undefined}
        data-cell={column}
        value={field.draft}
        onFocus={(event) => event.target.select()}
        onChange={(event) => field.type(event.target.value)}
        onBlur={field.leave}
        className={`cell w-full text-right ${field.problem ? 'text-copper' : ''}`}
      />
      {suffix && <span className="whitespace-nowrap text-ink-2">{suffix}</span>}
      {field.problem && (
        <span
          role="alert"
          className="absolute right-0 top-full z-10 w-52 border border-ink bg-sheet px-2 py-1 text-left text-note text-copper"
        >
          {field.problem}
        </span>
      )}
    </div>
  );
}

function CellSelect<T extends string>({
  label,
  value,
  options,
  onChange,
  column,
  strong = false,
}: {
  label: string;
  value: T;
  options: readonly { readonly value: T; readonly label: string }[];
  onChange: (value: T) => void;
  column: string;
  strong?: boolean;
}) {
  return (
    <select
      aria-label={label}
      data-cell={column}
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
      className={`num cell w-full appearance-none truncate text-[13px] ${strong ? 'font-medium text-copper' : 'font-medium'}`}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.label}
        </option>
      ))}
    </select>
  );
}

/** A tiny bar filled from guess to measured. */
function EvidenceGauge({ level }: { level: number }) {
  return (
    <svg width="16" height="8" aria-hidden="true" className="shrink-0">
      <rect x="0.5" y="0.5" width="15" height="7" fill="none" stroke="var(--ink-2)" />
      <rect x="0.5" y="0.5" width={(level / 4) * 15} height="7" fill="var(--ink-2)" />
    </svg>
  );
}
