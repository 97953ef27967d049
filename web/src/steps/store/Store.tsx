import { useDeferredValue } from 'react';
import { useParts } from '../../edges/useParts.ts';
import { useStoreDetail } from '../../edges/useStoreDetail.ts';
import { useAssessment, useJob, useView } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { StepFindings } from '../../ui/StepFindings.tsx';
import { Arrangement } from './Arrangement.tsx';
import { BankFields } from './BankFields.tsx';
import { Fillings } from './Fillings.tsx';
import { Gauge } from './Gauge.tsx';
import { Schools } from './Schools.tsx';
import { UseFields } from './UseFields.tsx';
import { mainFuseText, Voltages } from './Voltages.tsx';

/** Step 5: the bank, what it gives and for how long, what fills it, and on which voltage. */
export function Store() {
  const { job, optionId } = useJob();
  const view = useView();
  const { figures } = useAssessment();
  const { value: detail, problem } = useStoreDetail(useDeferredValue(job), optionId, useParts().all);
  const chosen = detail?.voltages.find(({ isChosen }) => isChosen);
  const days = Math.max(1, view.job.brief.sunlessDays);
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4" data-store={detail ? 'ready' : 'waiting'}>
      <PhoneOptions />
      <StepHead question="What holds it, and for how long?">
        <Fig id="store.required" /> needed for {days} sunless {days === 1 ? 'day' : 'days'}, which is{' '}
        <Fig id="store.ah12" /> at 12 V or <Fig id="store.ah24" /> at 24 V
      </StepHead>
      <StepFindings step="store" problem={problem} />
      <section
        aria-label="Bank"
        className="mt-2 grid grid-cols-[minmax(0,1fr)_minmax(280px,420px)] gap-x-10 gap-y-4 border-t border-line py-3 @max-[860px]:grid-cols-1"
      >
        <div>
          <h2 className="text-body font-semibold">The bank</h2>
          <p className="text-figure font-semibold">
            <Fig id="store.ah" />{' '}
            <span className="num text-number font-normal text-ink-2">
              at {view.option.system.busVoltageV} V · <Fig id="store.capacity" /> · <Fig id="store.usable" /> of it used
            </span>
          </p>
          <p className="num text-number leading-6 text-ink-2">
            Lasts <Fig id="store.daysOld" /> without sun, old and at its coldest; <Fig id="store.days" /> new. Gives up
            to <Fig id="peak.current" /> at the worst moment, <Fig id="peak.crate" after="." />
          </p>
          <BankFields />
        </div>
        <Arrangement fuse={chosen?.main ? mainFuseText(chosen.main) : null} />
      </section>
      <UseFields />
      {figures['store.capacity'].value > 0 ? (
        <>
          <Fillings fillings={detail?.fillings ?? null} />
          <Schools schools={detail?.schools ?? null} />
          <Voltages detail={detail} />
        </>
      ) : (
        <p className="border-t border-line py-3 text-ink-2">
          Take down the loads, or choose units: what fills it, how deep it is used and on which voltage follow.
        </p>
      )}
      <Gauge gauge={detail?.gauge ?? null} />
    </div>
  );
}
