import { lazy, memo, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useAssessment, useJob, useView } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { PANEL_CONTENTS } from '../../shell/panelContents.ts';
import { useIsPhone } from '../../shell/useIsPhone.ts';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { LedgerBar, LedgerLegend } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { CsvFiles } from './CsvFiles.tsx';
import { COLUMNS, LANE_COLUMN, SPARE_COLUMN } from './columns.ts';
import { DayCurve } from './DayCurve.tsx';
import { dayWords } from './dayWords.ts';
import { LoadSheet } from './LoadSheet.tsx';
import { MissingLoads } from './MissingLoads.tsx';
import { QuickAdd } from './QuickAdd.tsx';
import { ManyActions, RowActions } from './RowActions.tsx';
import { DayChoice, DaysCompared, ListTools } from './SheetTools.tsx';
import { type Grouping, sheetItems } from './sheetView.ts';

const FirstLoads = lazy(PANEL_CONTENTS.firstLoads);

/** Step 2: what runs, how much it takes, and what that costs the store. */
export function Loads() {
  const isPhone = useIsPhone();
  return (
    <div className="phone:flex phone:h-full phone:flex-col">
      <div {...(isPhone ? { 'data-scroll': true } : {})} className="phone:min-h-0 phone:grow phone:overflow-y-auto">
        <div className="px-5 pb-6 pt-3.5 phone:px-4">
          <PhoneOptions />
          <StepHead question="What runs, and for how long?" aside={!isPhone && <QuickAdd />}>
            <Summary />
          </StepHead>
          <MissingLoads />
          <List isPhone={isPhone} />
          <CsvFiles />
        </div>
      </div>
      {isPhone && (
        <div className="border-t border-line bg-sheet px-4 py-2">
          <QuickAdd />
        </div>
      )}
    </div>
  );
}

function List({ isPhone }: { isPhone: boolean }) {
  const { job } = useJob();
  if (job.loads.length > 0) return <Sheet isPhone={isPhone} />;
  return (
    <Suspense fallback={null}>
      <FirstLoads />
    </Suspense>
  );
}

/** The answer in one line: how many, how good, and between which bounds the day lies. */
function Summary() {
  const { job } = useJob();
  const assessment = useAssessment();
  const { shares } = assessment.evidence;
  if (job.loads.length === 0) return 'Nothing yet.';
  const told = (['measured', 'guess'] as const).filter((evidence) => shares[evidence] >= 0.005);
  return (
    <>
      {job.loads.length} {job.loads.length === 1 ? 'load' : 'loads'}
      {told.map((evidence) => ` · ${Math.round(shares[evidence] * 100)} % ${EVIDENCE_PAST[evidence]}`)} · between{' '}
      <Fig id="demand.low" /> and <Fig id="demand.high" after="," /> <Fig id="demand.night" /> by night
    </>
  );
}

const EVIDENCE_PAST = { measured: 'of the energy is measured', guess: 'guessed' } as const;

/** Drawn anew with what is shown; what is being typed is the rows' own. */
const Sheet = memo(function Sheet({ isPhone }: { isPhone: boolean }) {
  const view = useView();
  const assessment = useAssessment();
  const { job } = view;
  const [selected, setSelected] = useState<string | null>(null);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [grouping, setGrouping] = useState<Grouping>('none');
  const [filter, setFilter] = useState('');
  const lastTicked = useRef<string | null>(null);
  const { loads: entries, unattended } = assessment.ledger;
  const barScaleWh = Math.max(1, unattended.batteryWh, ...entries.map((row) => row.batteryWh));
  const items = useMemo(
    () => sheetItems(job.loads, (index) => entries[index]?.batteryWh ?? 0, grouping, filter),
    [job.loads, entries, grouping, filter],
  );
  const select = useCallback((id: string) => setSelected(id), []);
  const order = useRef(items);
  useEffect(() => {
    order.current = items;
  }, [items]);
  const tick = useCallback((id: string, extend: boolean) => {
    const shown = order.current.flatMap((item) => (item.kind === 'load' ? [item.load.id] : []));
    const from = extend && lastTicked.current ? shown.indexOf(lastTicked.current) : -1;
    const to = shown.indexOf(id);
    const range = from < 0 ? [id] : shown.slice(Math.min(from, to), Math.max(from, to) + 1);
    lastTicked.current = id;
    setTicked((old) => {
      const next = new Set(old);
      for (const one of range) {
        if (from < 0 && old.has(one)) next.delete(one);
        else next.add(one);
      }
      return next;
    });
  }, []);
  const chosen = job.loads.find(({ id }) => id === selected) ?? null;
  const many = job.loads.filter(({ id }) => ticked.has(id));
  const hidden = job.loads.length - items.filter(({ kind }) => kind === 'load').length;

  return (
    <>
      <Folded folds={isPhone} title={`On ${dayWords(job.brief.day)}: another day, groups, search`}>
        <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 pb-1 pt-2">
          <DayChoice />
          <ListTools grouping={grouping} onGrouping={setGrouping} filter={filter} onFilter={setFilter} />
        </div>
        <div className="flex flex-wrap items-baseline justify-between gap-x-6">
          <DaysCompared />
          <LedgerLegend />
        </div>
      </Folded>
      <DayCurve />
      <LoadSheet
        items={items}
        grouping={grouping}
        isPhone={isPhone}
        selection={{ selected, ticked, select, tick }}
        barScaleWh={barScaleWh}
      />
      {hidden > 0 && (
        <p className="border-b border-line py-1.5 text-note text-ink-2">
          {hidden} more {hidden === 1 ? 'load does' : 'loads do'} not contain “{filter}”; the day counts all.
        </p>
      )}
      {unattended.batteryWh > 0 && <Unattended scaleWh={barScaleWh} isPhone={isPhone} />}
      <Total isPhone={isPhone} />
      {many.length > 0 && !isPhone ? (
        <ManyActions loads={many} onClear={() => setTicked(new Set())} />
      ) : (
        chosen && !isPhone && <RowActions load={chosen} />
      )}
      <LoadFindings selected={selected} />
    </>
  );
});

/** On the phone what is seldom needed is one line until it is opened. */
function Folded({ folds, title, children }: { folds: boolean; title: string; children: React.ReactNode }) {
  if (!folds) return children;
  return (
    <details className="border-b border-line">
      <summary className="flex min-h-11 items-center text-ink-2 first-letter:uppercase">{title}</summary>
      {children}
    </details>
  );
}

/** The inverter left on with nothing running: nobody's energy, and so easily overlooked. */
function Unattended({ scaleWh, isPhone }: { scaleWh: number; isPhone: boolean }) {
  const assessment = useAssessment();
  const { unattended } = assessment.ledger;
  return (
    <SumRow
      isPhone={isPhone}
      name={<span className="text-ink-2">Inverter on, nothing running</span>}
      bar={<LedgerBar parts={unattended} scaleWh={scaleWh} />}
      sum={unattended.batteryWh}
      ruled
    />
  );
}

function Total({ isPhone }: { isPhone: boolean }) {
  const assessment = useAssessment();
  const { total } = assessment.ledger;
  return (
    <SumRow
      isPhone={isPhone}
      name={<span className="text-number font-semibold">The day</span>}
      useful={total.usefulWh}
      bar={<LedgerBar parts={total} scaleWh={total.batteryWh} height={16} grows />}
      sum={assessment.figures['demand.battery'].value}
      strong
    />
  );
}

function SumRow({
  isPhone,
  name,
  useful,
  bar,
  sum,
  strong = false,
  ruled = false,
}: {
  isPhone: boolean;
  name: React.ReactNode;
  useful?: number;
  bar: React.ReactNode;
  sum: number;
  strong?: boolean;
  ruled?: boolean;
}) {
  const size = strong ? 'text-total font-semibold' : 'text-number font-semibold';
  if (isPhone) {
    return (
      <div className="grid grid-cols-[1fr_auto] gap-y-1 border-b border-line py-2">
        {name}
        <span className={size}>
          <Num value={sum} unit="Wh" />
        </span>
        <div className="col-span-2">{bar}</div>
      </div>
    );
  }
  return (
    <div
      className={`${COLUMNS} pl-2.5 pr-2 ${strong ? 'min-h-[40px]' : 'min-h-[33px]'} ${ruled ? 'border-b border-line' : ''}`}
    >
      <span className="col-span-6 @max-[800px]:col-span-5">{name}</span>
      <span className={LANE_COLUMN} />
      <span className={`text-right text-number text-ink-2 ${SPARE_COLUMN}`}>
        {useful !== undefined && <Num value={useful} unit="Wh" />}
      </span>
      {bar}
      <span className={`text-right ${size}`}>
        <Num value={sum} unit="Wh" />
      </span>
    </div>
  );
}

/** Findings of the selected load in full, those of others in one line. */
function LoadFindings({ selected }: { selected: string | null }) {
  const assessment = useAssessment();
  const findings = assessment.findings.filter(({ where }) => where.step === 'loads');
  if (findings.length === 0) return null;
  return (
    <section aria-label="Findings" className="mt-2 space-y-1 border-t border-line pt-2.5">
      {findings.map((finding) => (
        <FindingLine
          key={`${finding.code}${finding.where.loadId ?? ''}`}
          finding={finding}
          brief={finding.where.loadId !== undefined && finding.where.loadId !== selected}
        />
      ))}
    </section>
  );
}
