import {
  type Day,
  formatUse,
  type LedgerEntry,
  type Load,
  readInput,
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
import { useText } from '../../ui/useText.ts';
import { COLUMNS, LANE_COLUMN, SPARE_COLUMN } from './columns.ts';
import { Lane } from './Lane.tsx';
import { type Placement, usePlaced } from './placed.ts';
import { useHandle } from './RowDrag.tsx';
import { besidePower, EVIDENCE_CHOICES, EVIDENCE_WORDS, kindWords, PATH_CELLS, PATH_WORDS } from './words.ts';

export interface LoadRowProps extends Placement {
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
}

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
  const { isTarget, ...placed } = usePlaced(load.id, props);
  return (
    <tr
      {...placed}
      aria-rowindex={props.index + 2}
      data-load={load.id}
      data-selected={selected || undefined}
      onFocusCapture={() => onSelect(load.id)}
      className={`${COLUMNS} group absolute inset-x-0 top-0 min-h-[33px] border-b border-line pl-2.5 pr-2 has-[[role=alert]]:z-10 focus-within:z-20 data-selected:-mt-px data-selected:border-b data-selected:border-t data-selected:border-ink data-selected:bg-sheet data-selected:shadow-[inset_3px_0_0_var(--ink)] ${isTarget ? 'border-t-2 border-t-copper' : ''}`}
    >
      <TickCell load={load} ticked={ticked} onTick={onTick} />
      <NameCell load={load} mark={mark} change={change} />
      <td className="num text-right text-number">
        <PowerCell load={load} change={change} />
      </td>
      <td className="num text-right text-number">
        <UseCell load={load} change={change} />
      </td>
      <td className={`flex items-center gap-1.5 ${SPARE_COLUMN}`}>
        <EvidenceGauge level={EVIDENCE_WORDS[load.evidence].level} />
        <CellSelect
          label={`Evidence of ${load.name}`}
          value={load.evidence}
          options={EVIDENCE_CHOICES}
          onChange={(evidence) => change({ evidence })}
          column="evidence"
        />
      </td>
      <td>
        <CellSelect
          label={`Path of ${load.name}`}
          value={load.path}
          options={PATH_CELLS}
          onChange={(path) => change({ path })}
          column="path"
          strong={PATH_WORDS[load.path].twice}
        />
      </td>
      <td className={LANE_COLUMN}>
        <Lane load={load} skylineW={skylineW} scaleW={laneScaleW} onChange={(uses, drag) => change({ uses }, drag)} />
      </td>
      <td className={`text-right text-number text-ink-2 ${SPARE_COLUMN}`}>
        <Num value={entry.usefulWh} unit="Wh" />
      </td>
      <td>
        <LedgerBar parts={entry} scaleWh={barScaleWh} />
      </td>
      <td className="text-right text-number font-semibold">
        <Num value={entry.batteryWh} unit="Wh" />
      </td>
    </tr>
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
}: {
  load: Load;
  ticked: boolean;
  onTick: (id: string, extend: boolean) => void;
}) {
  const { setNodeRef, listeners } = useHandle(load.id);
  return (
    <td className="flex">
      <input
        ref={setNodeRef}
        type="checkbox"
        aria-label={`Choose ${load.name}`}
        title="Tick to choose, with Shift up to here; pull to move"
        checked={ticked}
        onChange={(event) => onTick(load.id, (event.nativeEvent as MouseEvent).shiftKey)}
        {...listeners}
        className="size-3.5 cursor-grab touch-none accent-[var(--ink)] opacity-40 checked:opacity-100 focus-visible:opacity-100 group-hover:opacity-100 active:cursor-grabbing"
      />
    </td>
  );
}

function NameCell({ load, mark, change }: { load: Load; mark: string | null; change: Change }) {
  const inUnits = useText();
  const name = useDraft(load.name, (text) => {
    if (text.trim() === '') return 'a load needs a name';
    change({ name: text }, 'name');
    return null;
  });
  return (
    <td className="flex min-w-0 items-baseline gap-1.5">
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
      <span className={`num truncate text-note text-ink-2 ${LANE_COLUMN}`}>{kindWords(load, inUnits)}</span>
    </td>
  );
}

function PowerCell({ load, change }: { load: Load; change: Change }) {
  const shown = `${show(runningPowerW(load.draw), 'W').number} W`;
  const field = useDraft(shown, (text) => {
    const read = readInput(text);
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
