import { lazy, Suspense, useDeferredValue } from 'react';
import { useAssessment, useJob, useShown, useView } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { Findings } from '../../ui/Findings.tsx';
import { LedgerBar, LedgerLegend } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { Devices } from './Devices.tsx';
import { Flow } from './Flow.tsx';
import { FlowTable } from './FlowTable.tsx';
import { Moves } from './Moves.tsx';

const EfficiencyCharts = lazy(() => import('./EfficiencyCharts.tsx'));

/** Step 3: where every watt-hour goes, and what could be done about it. */
export function Paths() {
  const { job } = useJob();
  const view = useView();
  const assessment = useAssessment();
  const whatIf = useShown((shown) => shown.whatIf);
  const before = useShown((shown) => shown.before);
  // The numbers follow at once; the pictures in tasks of their own, so that the page never stops.
  const drawn = useDeferredValue(view);
  const findings = assessment.findings.filter(({ where }) => where.step === 'paths');
  if (job.loads.length === 0) {
    return (
      <div className="px-5 pt-3.5 phone:px-4">
        <StepHead question="Where does every watt-hour go?">Take down the loads first; their paths follow.</StepHead>
      </div>
    );
  }
  const { total } = assessment.ledger;
  const was = whatIf.length > 0 ? before?.ledger.total : undefined;
  const scaleWh = Math.max(total.batteryWh, was?.batteryWh ?? 0);
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4">
      <PhoneOptions />
      <StepHead question="Where does every watt-hour go?" aside={<LedgerLegend />}>
        Of <Fig id="demand.battery" /> a day, <Fig id="demand.useful" /> do the work; <Fig id="loss.conversion" /> are
        lost converting, <Fig id="loss.idle" /> idling, <Fig id="loss.storage" /> in the store, of which the sun spares{' '}
        <Fig id="storage.spared" after="." />
      </StepHead>
      {findings.length > 0 && (
        <section aria-label="Findings" className="space-y-1 border-b border-line py-2">
          <Findings findings={findings} />
        </section>
      )}
      <div className="grid grid-cols-[76px_minmax(0,1fr)_80px] items-center gap-x-3 gap-y-1 pt-3">
        {was && (
          <>
            <span className="text-note text-ink-2">as it is</span>
            <LedgerBar parts={was} scaleWh={scaleWh} />
            <span className="text-right text-number text-ink-2">
              <Num value={was.batteryWh} unit="Wh" />
            </span>
          </>
        )}
        <span className="text-note text-ink-2">{was ? 'what-if' : 'the day'}</span>
        <LedgerBar parts={total} scaleWh={scaleWh} grows />
        <span className="text-right text-number font-semibold">
          <Num value={total.batteryWh} unit="Wh" />
        </span>
        <p className="num col-start-2 text-note text-ink-2">
          On the way in, before the store, the controllers lose <Fig id="loss.controllers" after="." />
        </p>
      </div>
      <div className="phone:hidden">
        <Flow view={drawn} />
      </div>
      <FlowTable view={drawn} />
      <Moves />
      <Suspense fallback={<div className="h-[200px]" />}>
        <EfficiencyCharts view={drawn} />
      </Suspense>
      <Devices />
    </div>
  );
}
