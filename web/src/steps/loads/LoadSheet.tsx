import { editedKind, loadOn, variantOn } from '@joulemetric/core';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { type RefObject, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { moveLoadTo } from '../../commands/loads.ts';
import { useAssessment, useEditing, useFed, usePanels, useView } from '../../shell/JobContext.tsx';
import { Num } from '../../ui/Number.tsx';
import { ColumnHeads } from './ColumnHeads.tsx';
import { COLUMN_COUNT } from './columns.ts';
import { DAY_KIND_WORDS } from './dayWords.ts';
import { LoadRow } from './LoadRow.tsx';
import { PhoneRow } from './PhoneRow.tsx';
import { type Placement, usePlaced } from './placed.ts';
import { type Drop, RowDrag } from './RowDrag.tsx';
import type { Grouping, SheetItem } from './sheetView.ts';
import { useRowKeys } from './useRowKeys.ts';

/** Heights before they are measured, px. */
const ROW_PX = 33;
const PHONE_ROW_PX = 61;
const GROUP_PX = 30;

/** Rows of the list that hold what is being edited or dragged, or what could not be read. */
function keptRows(list: HTMLElement | null): number[] {
  if (!list) return [];
  const cells = [document.activeElement, ...list.querySelectorAll('[aria-invalid]')];
  const rows = cells.map((cell) => cell?.closest<HTMLElement>('[data-index]'));
  return rows.flatMap((row) => (row && list.contains(row) ? [Number(row.dataset.index)] : []));
}

export interface Selection {
  readonly selected: string | null;
  readonly ticked: ReadonlySet<string>;
  readonly select: (id: string) => void;
  readonly tick: (id: string, extend: boolean) => void;
}

/** The rows of the list: only those near the window are in the page, so that hundreds stay fluid. */
export function LoadSheet({
  items,
  grouping,
  isPhone,
  selection,
  barScaleWh,
}: {
  items: readonly SheetItem[];
  grouping: Grouping;
  isPhone: boolean;
  selection: Selection;
  barScaleWh: number;
}) {
  const { optionId, edit } = useEditing();
  const view = useView();
  const assessment = useAssessment();
  const { open } = usePanels();
  const { job } = view;
  const live = useFed();
  const edited = useMemo(() => new Map(live.loads.map((load) => [load.id, load])), [live]);
  const list = useRef<HTMLElement>(null);
  const { selected, ticked, select, tick } = selection;
  const { day } = live.brief;
  const laneScaleW = useMemo(() => Math.max(1, ...view.drawn.map(({ runningW }) => runningW)), [view]);
  const scrollMargin = useScrollMargin(list);
  const keyOf = (index: number): string => {
    const item = items[index];
    return item?.kind === 'load' ? item.load.id : `group ${item?.name}`;
  };
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => list.current?.closest<HTMLElement>('[data-scroll]') ?? null,
    estimateSize: (index) => (items[index]?.kind === 'group' ? GROUP_PX : isPhone ? PHONE_ROW_PX : ROW_PX),
    getItemKey: keyOf,
    overscan: 12,
    scrollMargin,
    // What is being edited stays, and so does what could not be read: nothing typed is lost by scrolling.
    rangeExtractor: (range) => {
      const kept = keptRows(list.current).filter((index) => index < items.length);
      return [...new Set([...defaultRangeExtractor(range), ...kept])].sort((a, b) => a - b);
    },
  });
  const moved = useCallback(
    ({ id, beforeId }: Drop) => {
      const target = job.loads.find((load) => load.id === beforeId);
      edit(moveLoadTo(id, beforeId, grouping !== 'none' && target ? { [grouping]: target[grouping] } : {}));
    },
    [job, edit, grouping],
  );
  const ids = useMemo(() => items.flatMap((item) => (item.kind === 'load' ? [item.load.id] : [])), [items]);
  const nameOf = useCallback((id: string) => edited.get(id)?.name ?? id, [edited]);
  const openLoad = useCallback((id: string) => open({ kind: 'load', id }), [open]);
  const onKeyDown = useRowKeys(tick);
  const onDay = editedKind(day);

  const rows = virtual.getVirtualItems().map(({ index, key, start }) => {
    const item = items[index];
    if (!item) return null;
    const place = { index, top: start - virtual.options.scrollMargin, measure: virtual.measureElement };
    if (item.kind === 'group') {
      const Row = isPhone ? PhonePlace : GroupRow;
      return (
        <Row key={key} {...place} id={String(key)}>
          <GroupWords item={item} grouping={grouping} />
        </Row>
      );
    }
    // As it was last edited: what is chosen in a cell stands at once, its figures follow.
    const load = edited.get(item.load.id) ?? item.load;
    const entry = assessment.ledger.loads[item.index];
    const drawn = view.drawn[item.index];
    if (!entry || !drawn) return null;
    const shown = loadOn(load, day);
    const kind = variantOn(load, day);
    return isPhone ? (
      <PhonePlace key={key} {...place}>
        <PhoneRow load={shown} entry={entry} barScaleWh={barScaleWh} onOpen={openLoad} />
      </PhonePlace>
    ) : (
      <LoadRow
        key={key}
        {...place}
        load={shown}
        mark={kind && kind === onDay ? DAY_KIND_WORDS[kind] : kind ? `as on a ${DAY_KIND_WORDS[kind]}` : null}
        entry={entry}
        skylineW={drawn.skylineW}
        laneScaleW={laneScaleW}
        barScaleWh={barScaleWh}
        selected={load.id === selected}
        ticked={ticked.has(load.id)}
        day={day}
        optionId={optionId}
        edit={edit}
        onSelect={select}
        onTick={tick}
      />
    );
  });
  const long = { style: { height: virtual.getTotalSize() }, onKeyDown };
  if (isPhone) {
    return (
      <ul
        ref={list as RefObject<HTMLUListElement>}
        aria-label="Loads"
        className="relative border-t border-line"
        {...long}
      >
        {rows}
      </ul>
    );
  }
  return (
    <RowDrag ids={ids} nameOf={nameOf} onDrop={moved}>
      <table aria-label="Loads" aria-rowcount={items.length + 1} className="block w-full">
        <thead className="block">
          <ColumnHeads />
        </thead>
        <tbody
          ref={list as RefObject<HTMLTableSectionElement>}
          className="relative block border-t border-ink"
          {...long}
        >
          {rows}
        </tbody>
      </table>
    </RowDrag>
  );
}

function PhonePlace({ index, top, measure, children }: Placement & { id?: string; children: React.ReactNode }) {
  return (
    <li
      ref={measure}
      data-index={index}
      style={{ transform: `translateY(${top}px)` }}
      className="absolute inset-x-0 top-0"
    >
      {children}
    </li>
  );
}

function GroupRow({ id, children, ...place }: Placement & { id: string; children: React.ReactNode }) {
  const { isTarget: _never, ...placed } = usePlaced(id, place);
  return (
    <tr {...placed} aria-rowindex={place.index + 2} className="absolute inset-x-0 top-0 block">
      <td colSpan={COLUMN_COUNT} className="block">
        {children}
      </td>
    </tr>
  );
}

/** The name of a room or circuit, and what its loads come to. */
function GroupWords({ item, grouping }: { item: Extract<SheetItem, { kind: 'group' }>; grouping: Grouping }) {
  return (
    <span className="flex items-baseline justify-between border-b border-line pb-1 pl-2.5 pr-2 pt-2">
      <span className="text-body font-semibold">{item.name || `no ${grouping} given`}</span>
      <span className="num text-note text-ink-2">
        {item.loads} {item.loads === 1 ? 'load' : 'loads'} · <Num value={item.batteryWh} unit="Wh" />
      </span>
    </span>
  );
}

/** How far down its scrolling parent the list begins, px: measured when what scrolls changes its size, not at every edit. */
function useScrollMargin(list: RefObject<HTMLElement | null>): number {
  const [margin, setMargin] = useState(0);
  useLayoutEffect(() => {
    const measure = () => setMargin(marginOf(list.current));
    const content = list.current?.closest('[data-scroll]')?.firstElementChild;
    measure();
    if (!content) return;
    const observer = new ResizeObserver(measure);
    observer.observe(content);
    return () => observer.disconnect();
  }, [list]);
  return margin;
}

/** How far down its scrolling parent the list begins, px. */
function marginOf(list: HTMLElement | null): number {
  const parent = list?.closest<HTMLElement>('[data-scroll]');
  if (!list || !parent) return 0;
  return Math.round(list.getBoundingClientRect().top - parent.getBoundingClientRect().top + parent.scrollTop);
}
