import { editedKind, loadOn, variantOn } from '@joulemetric/core';
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useMemo, useRef } from 'react';
import { moveLoadTo } from '../../commands/loads.ts';
import { useAssessment, useFed, useJob, usePanels, useView } from '../../shell/JobContext.tsx';
import { Num } from '../../ui/Number.tsx';
import { DAY_KIND_WORDS } from './dayWords.ts';
import { LoadRow } from './LoadRow.tsx';
import { PhoneRow } from './PhoneRow.tsx';
import type { Grouping, SheetItem } from './sheetView.ts';
import { useRowDrag } from './useRowDrag.ts';
import { useRowKeys } from './useRowKeys.ts';

/** Heights before they are measured, px. */
const ROW_PX = 33;
const PHONE_ROW_PX = 61;
const GROUP_PX = 30;

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
  const { optionId, edit } = useJob();
  const view = useView();
  const assessment = useAssessment();
  const { open } = usePanels();
  const { job } = view;
  const live = useFed();
  const edited = useMemo(() => new Map(live.loads.map((load) => [load.id, load])), [live]);
  const list = useRef<HTMLUListElement>(null);
  const { selected, ticked, select, tick } = selection;
  const { day } = live.brief;
  const laneScaleW = useMemo(() => Math.max(1, ...view.drawn.map(({ runningW }) => runningW)), [view]);
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
    scrollMargin: marginOf(list.current),
    // What is being edited stays, and so does what could not be read: nothing typed is lost by scrolling.
    rangeExtractor: (range) => {
      const kept = [...(list.current?.querySelectorAll<HTMLElement>('li:has(:focus), li:has([aria-invalid])') ?? [])];
      const indexes = kept.map(({ dataset }) => Number(dataset.index)).filter((index) => index < items.length);
      return [...new Set([...defaultRangeExtractor(range), ...indexes])].sort((a, b) => a - b);
    },
  });
  const drop = useCallback(
    ({ id, beforeId }: { id: string; beforeId: string | null }) => {
      const target = job.loads.find((load) => load.id === beforeId);
      edit(moveLoadTo(id, beforeId, grouping !== 'none' && target ? { [grouping]: target[grouping] } : {}));
    },
    [job, edit, grouping],
  );
  const drag = useRowDrag(drop);
  const onKeyDown = useRowKeys(tick);
  const onDay = editedKind(day);

  return (
    <ul
      ref={list}
      aria-label="Loads"
      onKeyDown={onKeyDown}
      className="relative border-t border-ink phone:border-line"
      style={{ height: virtual.getTotalSize() }}
    >
      {virtual.getVirtualItems().map(({ index, key, start }) => {
        const item = items[index];
        if (!item) return null;
        const place = { transform: `translateY(${start - virtual.options.scrollMargin}px)` };
        if (item.kind === 'group') {
          return (
            <li
              key={key}
              data-index={index}
              ref={virtual.measureElement}
              style={place}
              className="absolute inset-x-0 top-0 flex items-baseline justify-between border-b border-line pb-1 pl-2.5 pr-2 pt-2"
            >
              <span className="text-body font-semibold">{item.name || `no ${grouping} given`}</span>
              <span className="num text-note text-ink-2">
                {item.loads} {item.loads === 1 ? 'load' : 'loads'} · <Num value={item.batteryWh} unit="Wh" />
              </span>
            </li>
          );
        }
        // As it was last edited: what is chosen in a cell stands at once, its figures follow.
        const load = edited.get(item.load.id) ?? item.load;
        const entry = assessment.ledger.loads[item.index];
        const drawn = view.drawn[item.index];
        if (!entry || !drawn) return null;
        const shown = loadOn(load, day);
        const kind = variantOn(load, day);
        return (
          <li
            key={key}
            data-index={index}
            ref={virtual.measureElement}
            style={place}
            className={`absolute inset-x-0 top-0 ${drag.drop?.beforeId === load.id ? 'shadow-[0_-2px_0_var(--copper)]' : ''}`}
          >
            {isPhone ? (
              <PhoneRow
                load={shown}
                entry={entry}
                barScaleWh={barScaleWh}
                onOpen={() => open({ kind: 'load', id: load.id })}
              />
            ) : (
              <LoadRow
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
                handle={drag.handle}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** How far down its scrolling parent the list begins, px. */
function marginOf(list: HTMLElement | null): number {
  const parent = list?.closest<HTMLElement>('[data-scroll]');
  if (!list || !parent) return 0;
  return Math.round(list.getBoundingClientRect().top - parent.getBoundingClientRect().top + parent.scrollTop);
}
