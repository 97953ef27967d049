import { formatNumber, type Run, type RunLine, runFigure, showText, type ThickerLine } from '@joulemetric/core';
import { memo, useEffect, useRef, useState } from 'react';
import { Fig } from '../../ui/Fig.tsx';
import { LengthField } from './LengthField.tsx';
import { RunFields } from './RunFields.tsx';
import { SizeField } from './SizeField.tsx';
import type { ChangeRuns } from './useRuns.ts';
import { fuseKindWords, fuseWords } from './words.ts';

interface TableProps {
  readonly lines: readonly RunLine[];
  readonly isLaid: boolean;
  readonly change: ChangeRuns;
  readonly proposed: readonly Run[];
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (id: string, on: boolean) => void;
  readonly openId: string | null;
  readonly onOpen: (id: string | null) => void;
  /** What the next thicker of the open run would win. */
  readonly thicker: ThickerLine | null;
}

const HEAD = 'py-1 pl-3 text-right text-note font-normal text-ink-2';

/** The tree of runs as a table, each opening its own fields. */
export function RunTable(props: TableProps) {
  const { lines, isLaid, ticked, openId, thicker } = props;
  // The same object always, whose hands are the newest: a row is drawn anew for what it shows, not for whom it calls.
  const newest = useRef(props);
  useEffect(() => {
    newest.current = props;
  });
  const [hands] = useState(() => ({
    change: (...args: Parameters<ChangeRuns>) => newest.current.change(...args),
    tick: (id: string, on: boolean) => newest.current.onTick(id, on),
    open: (id: string | null) => newest.current.onOpen(id),
    proposed: () => newest.current.proposed,
  }));
  return (
    <table className="num w-full text-right" aria-label="Runs">
      <thead>
        <tr className="border-b border-ink align-bottom">
          <th scope="col" className="w-6 phone:w-8">
            <span className="sr-only">Chosen</span>
          </th>
          <th scope="col" className="py-1 text-left text-note font-normal text-ink-2">
            Run
          </th>
          <th scope="col" className={`${HEAD} w-[74px] phone:w-[64px]`}>
            One way
          </th>
          <th scope="col" className="w-[112px] py-1 pl-3 text-left text-note font-normal text-ink-2">
            Size
          </th>
          <th scope="col" className={`${HEAD} phone:hidden`}>
            Carries
          </th>
          <th scope="col" className={`${HEAD} phone:hidden`}>
            Bears
          </th>
          <th scope="col" className={HEAD}>
            Fuse
          </th>
          <th scope="col" className={`${HEAD} w-[112px] phone:hidden`}>
            Lost on the way
          </th>
          <th scope="col" className={`${HEAD} phone:hidden`}>
            Wh a day
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <Row
            key={line.run.id}
            line={line}
            isLaid={isLaid}
            isTicked={ticked.has(line.run.id)}
            lines={openId === line.run.id ? lines : null}
            thicker={openId === line.run.id ? thicker : null}
            hands={hands}
          />
        ))}
      </tbody>
    </table>
  );
}

interface Hands {
  readonly change: ChangeRuns;
  readonly tick: (id: string, on: boolean) => void;
  readonly open: (id: string | null) => void;
  readonly proposed: () => readonly Run[];
}

const Row = memo(function Row({
  line,
  isLaid,
  isTicked,
  lines,
  thicker,
  hands,
}: {
  line: RunLine;
  isLaid: boolean;
  isTicked: boolean;
  /** All runs while it is open, null while it is not. */
  lines: readonly RunLine[] | null;
  thicker: ThickerLine | null;
  hands: Hands;
}) {
  const { run, depth, size, fuse, wayShare, limitShare } = line;
  const isOpen = lines !== null;
  const isGiven = run.areaMm2 !== null || line.decidedBy === 'given';
  const isOver = line.carriesA > line.ampacityA || (fuse.ratingA ?? 0) > line.ampacityA;
  return (
    <>
      <tr
        id={`run-${run.id}`}
        className={`isolate align-baseline ${isOpen ? 'bg-sheet' : ''} border-b border-line-2`}
        data-run={run.id}
      >
        <td className="py-1 text-left">
          <input
            type="checkbox"
            aria-label={`Choose ${run.name}`}
            checked={isTicked}
            onChange={(event) => hands.tick(run.id, event.target.checked)}
            className="size-4 align-middle accent-ink phone:size-6"
          />
        </td>
        <th scope="row" className="max-w-0 py-1 text-left font-normal" style={{ width: '32%' }}>
          <button
            type="button"
            aria-expanded={isOpen}
            onClick={() => hands.open(isOpen ? null : run.id)}
            className="flex w-full min-w-0 items-baseline gap-2 pl-[calc(var(--depth)*14px)] text-left phone:pl-[calc(var(--depth)*7px)] phone:min-h-11 phone:flex-wrap phone:gap-x-2 phone:gap-y-0"
            style={{ '--depth': Math.min(depth, 4) } as React.CSSProperties}
          >
            <span className="shrink-0 font-medium phone:min-w-0 phone:shrink">{run.name}</span>
            {(line.isUnit || line.leadsTo !== run.name) && (
              <span className="truncate text-note text-ink-2">{line.isUnit ? 'all-in-one unit' : line.leadsTo}</span>
            )}
          </button>
        </th>
        <td className="pl-3">
          <LengthField
            label={`${run.name}: length one way`}
            hideLabel
            value={line.isUsualLength ? null : line.lengthM}
            auto={line.lengthM}
            onChange={(lengthM) => hands.change([run.id], { lengthM }, 'length')}
          />
        </td>
        <td className="pl-3 text-left">
          <SizeField
            label={`${run.name}: size`}
            hideLabel
            value={isGiven ? size : ''}
            auto={size}
            onChange={(chosen) => hands.change([run.id], chosen ?? { areaMm2: null, parallel: 1 }, 'size')}
          />
        </td>
        <td className="whitespace-nowrap pl-3 phone:hidden">
          {isLaid ? <Fig id={runFigure(run.id, 'carries')} /> : showText(line.carriesA, 'A')}
        </td>
        <td className={`whitespace-nowrap pl-3 phone:hidden ${isOver ? 'font-semibold text-stop' : ''}`}>
          {isLaid ? <Fig id={runFigure(run.id, 'ampacity')} /> : showText(line.ampacityA, 'A')}
        </td>
        <td className="whitespace-nowrap pl-3">
          <span className="font-semibold">
            {isLaid && fuse.kind !== null && fuse.ways === 1 ? <Fig id={runFigure(run.id, 'fuse')} /> : fuseWords(line)}
          </span>
          {fuse.kind !== null && <span className="text-note text-ink-2 phone:block"> {shortKind(line)}</span>}
        </td>
        <td className="pl-3 phone:hidden">
          {run.end === 'busbar' ? (
            <span className="text-ink-2">–</span>
          ) : (
            <Share share={wayShare} limit={limitShare} id={isLaid ? run.id : null} />
          )}
        </td>
        <td className="whitespace-nowrap pl-3 phone:hidden">
          {isLaid ? <Fig id={runFigure(run.id, 'loss')} /> : formatNumber(line.lostWh, line.lostWh < 10 ? 1 : 0)}
        </td>
      </tr>
      {lines && (
        <tr className="border-b border-line bg-sheet">
          <td colSpan={9} className="px-3 pb-3 text-left">
            <RunFields
              line={line}
              lines={lines}
              thicker={thicker}
              change={hands.change}
              proposed={hands.proposed}
              onGone={() => hands.open(null)}
            />
          </td>
        </tr>
      )}
    </>
  );
});

const shortKind = (line: RunLine): string => fuseKindWords(line).replace(' fuse', '').replace('bolted ', '');

/** A share of the volts against its limit, as a bar that is full at the limit. */
function Share({ share, limit, id }: { share: number; limit: number; id: string | null }) {
  const isOver = share > limit * (1 + 1e-9);
  return (
    <span className="block whitespace-nowrap">
      <span className={isOver ? 'font-semibold text-stop' : ''}>
        {id ? <Fig id={runFigure(id, 'way')} /> : showText(share, 'share')}
      </span>
      <span className="text-note text-ink-2"> of {formatNumber(limit * 100)} %</span>
      <span className="mt-0.5 block h-[3px] bg-line-2" aria-hidden="true">
        <span
          className={`block h-full ${isOver ? 'bg-stop' : 'bg-cable'}`}
          style={{ width: `${Math.min(100, (share / limit) * 100)}%` }}
        />
      </span>
    </span>
  );
}
