import { type Finding, formatDuration, MARGIN, monthName } from '@joulemetric/core';
import { lazy, Suspense } from 'react';
import { changeBusVoltage, changeSystem, duplicateOption, removeOption, renameOption } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { LedgerBar, LedgerLegend } from '../../ui/LedgerBar.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { Income } from './Income.tsx';

const StayChart = lazy(() => import('./StayChart.tsx'));

/** What the loads and the brief come to: sizes a fitter can buy, and how the day goes with them. */
export function Result() {
  const { job, assessment, optionId } = useJob();
  if (job.loads.length === 0) {
    return (
      <div className="px-5 pt-3.5 phone:px-4">
        <StepHead question="What should be fitted?">Every size follows from the loads. Take them down first.</StepHead>
      </div>
    );
  }
  const { total } = assessment.ledger;
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4">
      <PhoneOptions />
      <StepHead question="What should be fitted?" aside={<LedgerLegend />}>
        <Fig id="demand.useful" /> at the appliances becomes <Fig id="demand.battery" /> a day at the store.
      </StepHead>
      <div className="py-3">
        <LedgerBar parts={total} scaleWh={total.batteryWh} height={18} grows />
        <p className="num mt-1.5 flex flex-wrap gap-x-6 text-ink-2">
          <span>
            converting <Fig id="loss.conversion" />
          </span>
          <span>
            idling <Fig id="loss.idle" />
          </span>
          <span>
            in the store <Fig id="loss.storage" />
          </span>
          <span>
            lost in all <Fig id="loss.total" />
          </span>
        </p>
      </div>
      <InverterRow />
      <StoreRow />
      <ArrayRow />
      <DcdcRow />
      <Income />
      <section className="pt-4" aria-label="State of charge">
        <Suspense fallback={<div className="h-[236px]" />}>
          <StayChart job={job} optionId={optionId} />
        </Suspense>
      </section>
      <OptionRow />
    </div>
  );
}

/** The option itself: its name, a copy to compare with, and its end. */
function OptionRow() {
  const { job, evaluation, edit, optionId } = useJob();
  return (
    <section aria-label="Option" className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3 border-t border-line pt-3">
      <div className="w-56">
        <TextField
          label="This option is called"
          required
          maxLength={40}
          value={evaluation.option.name}
          onChange={(name) => edit(renameOption(optionId, name), 'option-name')}
        />
      </div>
      <Button onClick={() => edit(duplicateOption(optionId))} disabled={job.options.length >= 12}>
        Copy it to compare
      </Button>
      <Button onClick={() => edit(removeOption(optionId))} disabled={job.options.length < 2}>
        Remove it
      </Button>
    </section>
  );
}

/** One thing to fit: its name, its size, why, what may be chosen, and what to check. */
function FitRow({
  name,
  size,
  aside,
  why,
  findings,
  children,
}: {
  name: string;
  size: React.ReactNode;
  aside?: React.ReactNode;
  why: React.ReactNode;
  findings: readonly Finding[];
  children: React.ReactNode;
}) {
  return (
    <section
      aria-label={name}
      className="grid grid-cols-[190px_minmax(0,1fr)_minmax(300px,400px)] gap-x-8 border-t border-line py-3 @max-[860px]:grid-cols-[170px_minmax(0,1fr)] @max-[560px]:grid-cols-1"
    >
      <div>
        <h2 className="text-body font-semibold">{name}</h2>
        <p className="text-figure font-semibold">{size}</p>
        {aside && <p className="num text-ink-2">{aside}</p>}
      </div>
      <div>
        <div className="num text-number leading-6 text-ink-2">{why}</div>
        <div className="mt-1 space-y-1">
          {findings.map((finding) => (
            <FindingLine key={finding.code} finding={finding} />
          ))}
        </div>
      </div>
      <div className="grid grid-cols-3 content-start gap-x-5 gap-y-2 @max-[860px]:col-start-2 @max-[860px]:mt-2 @max-[860px]:grid-cols-4 @max-[560px]:col-start-1 @max-[560px]:grid-cols-2">
        {children}
      </div>
    </section>
  );
}

function useFindings(...ids: string[]): Finding[] {
  const { assessment } = useJob();
  return assessment.findings.filter(
    ({ where }) => where.step === 'result' && where.figure && ids.includes(where.figure),
  );
}

function InverterRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { inverter } = evaluation.option.system;
  const findings = useFindings('inverter.rating', 'loss.idle', 'peak.continuous');
  const needed = evaluation.assessment.figures['inverter.rating'].value > 0;
  const margin = MARGIN[job.rules.inverterMargin];
  return (
    <FitRow
      name="Inverter"
      size={needed ? <Fig id="inverter.rating" /> : 'none'}
      findings={findings}
      why={
        needed ? (
          <>
            Worst moment <Fig id="peak.continuous" /> (<Fig id="peak.apparent" after=")," /> {margin.name}:{' '}
            <Fig id="inverter.required" after="." /> Heaviest start <Fig id="peak.surge" after="." /> Idles at{' '}
            <Fig id="inverter.idle" /> for {formatDuration(evaluation.bus.inverterOnMin)} a day.
          </>
        ) : (
          'Every load is fed from the bus: no inverter, no idle.'
        )
      }
    >
      <QuantityField
        label="Fitted"
        unit="W"
        kind="power"
        value={inverter.ratingW}
        auto="as required"
        min={50}
        max={20_000}
        onChange={(ratingW) => edit(changeSystem(optionId, 'inverter', { ratingW }), 'inverter-rating')}
      />
      <QuantityField
        label="Idle, data sheet"
        unit="W"
        kind="power"
        value={inverter.idleW}
        auto="1 % of rating"
        min={0}
        max={500}
        onChange={(idleW) => edit(changeSystem(optionId, 'inverter', { idleW }), 'inverter-idle')}
      />
      <Choice
        label="Switched on"
        value={inverter.policy}
        options={[
          { value: 'with-loads', label: 'with its loads' },
          { value: 'always', label: 'all day' },
        ]}
        onChange={(policy) => edit(changeSystem(optionId, 'inverter', { policy }))}
      />
      <QuantityField
        label="Best efficiency"
        unit="%"
        factor={0.01}
        value={inverter.peakEfficiency}
        auto="92, usual"
        min={60}
        max={99}
        onChange={(peakEfficiency) => edit(changeSystem(optionId, 'inverter', { peakEfficiency }), 'inverter-peak')}
      />
    </FitRow>
  );
}

const CHEMISTRIES = [
  { value: 'lfp', label: 'LFP' },
  { value: 'agm', label: 'AGM' },
  { value: 'gel', label: 'Gel' },
  { value: 'flooded', label: 'Flooded lead' },
] as const;
const VOLTAGES = [
  { value: '12', label: '12 V' },
  { value: '24', label: '24 V' },
  { value: '48', label: '48 V' },
] as const;

function StoreRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { store, busVoltageV } = evaluation.option.system;
  const findings = useFindings('store.capacity', 'peak.current', 'mass.kit');
  const days = Math.max(1, job.brief.sunlessDays);
  return (
    <FitRow
      name="Store"
      size={<Fig id="store.ah" />}
      aside={
        <>
          at {busVoltageV} V · <Fig id="store.capacity" />
        </>
      }
      findings={findings}
      why={
        <>
          For {days} sunless {days === 1 ? 'day' : 'days'}: <Fig id="store.required" after="," /> which is{' '}
          <Fig id="store.ah12" /> at 12 V or <Fig id="store.ah24" /> at 24 V. Usable <Fig id="store.usable" /> lasts{' '}
          <Fig id="store.days" after="." /> Gives up to <Fig id="peak.current" /> at the worst moment.
        </>
      }
    >
      <QuantityField
        label="Fitted"
        unit="Ah"
        kind="charge"
        value={store.capacityAh}
        auto="as required"
        min={1}
        max={20_000}
        onChange={(capacityAh) => edit(changeSystem(optionId, 'store', { capacityAh }), 'store-capacity')}
      />
      <Choice
        label="Bus"
        value={String(busVoltageV) as '12' | '24' | '48'}
        options={VOLTAGES}
        onChange={(volts) => edit(changeBusVoltage(optionId, Number(volts) as 12 | 24 | 48))}
      />
      <Choice
        label="Chemistry"
        value={store.chemistry}
        options={CHEMISTRIES}
        onChange={(chemistry) =>
          edit(changeSystem(optionId, 'store', { chemistry, usableDepth: null, roundTripEfficiency: null }))
        }
      />
      <QuantityField
        label="Depth used"
        unit="%"
        factor={0.01}
        value={store.usableDepth}
        auto={store.chemistry === 'lfp' ? '80, usual' : '50, usual'}
        min={10}
        max={100}
        onChange={(usableDepth) => edit(changeSystem(optionId, 'store', { usableDepth }), 'store-depth')}
      />
      <RegionField
        quantity="°C"
        label="Coldest it gets"
        value={store.coldestC}
        min={-40}
        max={50}
        onChange={(coldestC) => coldestC !== null && edit(changeSystem(optionId, 'store', { coldestC }), 'store-cold')}
      />
      <QuantityField
        label="Out ÷ in, round trip"
        unit="%"
        factor={0.01}
        value={store.roundTripEfficiency}
        auto="the usual"
        min={50}
        max={100}
        onChange={(roundTripEfficiency) =>
          edit(changeSystem(optionId, 'store', { roundTripEfficiency }), 'store-round')
        }
      />
    </FitRow>
  );
}

function ArrayRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { array } = evaluation.option.system;
  const findings = useFindings('array.rating', 'sun.hours');
  return (
    <FitRow
      name="Solar array"
      size={<Fig id="array.rating" />}
      findings={findings}
      why={
        <>
          <Fig id="sun.hours" /> of full sun in{' '}
          {darkest(job.brief.months, evaluation.assessment.figures['sun.hours'].label)}; needed{' '}
          <Fig id="array.required" after="," />{' '}
          {job.rules.arrayCovers === 'everything' ? 'for the whole need' : 'for what driving leaves'}. Brings{' '}
          <Fig id="sun.yield" /> a day.
        </>
      }
    >
      <QuantityField
        label="Fitted"
        unit="W"
        kind="power"
        value={array.ratingW}
        auto="as required"
        min={0}
        max={20_000}
        onChange={(ratingW) => edit(changeSystem(optionId, 'array', { ratingW }), 'array-rating')}
      />
    </FitRow>
  );
}

/** The month that the sun hours are of, named in the figure's label. */
const darkest = (months: readonly number[], label: string): string =>
  months.map(monthName).find((name) => label.includes(name)) ?? 'the darkest month';

function DcdcRow() {
  const { job, evaluation, edit, optionId } = useJob();
  const { dcdc } = evaluation.option.system;
  const findings = useFindings('dcdc.rating');
  const { driveHoursPerDay } = job.brief;
  return (
    <FitRow
      name="DC-DC charger"
      size={evaluation.assessment.figures['dcdc.rating'].value > 0 ? <Fig id="dcdc.rating" /> : 'none'}
      findings={findings}
      why={
        driveHoursPerDay > 0 ? (
          <>
            {formatDuration(driveHoursPerDay * 60)} of driving would need <Fig id="dcdc.required" /> to cover the day;
            the alternator can feed <Fig id="alternator.limit" after="." /> Brings <Fig id="alternator.yield" /> a day.
          </>
        ) : (
          'No driving on a usual day.'
        )
      }
    >
      <QuantityField
        label="Fitted"
        unit="A"
        kind="current"
        value={dcdc.ratingA}
        auto="as required"
        min={0}
        max={500}
        onChange={(ratingA) => edit(changeSystem(optionId, 'dcdc', { ratingA }), 'dcdc-rating')}
      />
    </FitRow>
  );
}
