import { lazy, Suspense } from 'react';
import { duplicateOption, removeOption, renameOption } from '../../commands/design.ts';
import { useAssessment, useJob, useOption, useView } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { LedgerBar, LedgerLegend } from '../../ui/LedgerBar.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { ArrayRow } from './ArrayRow.tsx';
import { DcdcRow } from './DcdcRow.tsx';
import { Income } from './Income.tsx';
import { InverterRow } from './InverterRow.tsx';
import { StoreRow } from './StoreRow.tsx';

const StayChart = lazy(() => import('./StayChart.tsx'));

/** What the loads and the brief come to: sizes a fitter can buy, and how the day goes with them. */
export function Result() {
  const { job } = useJob();
  const assessment = useAssessment();
  const view = useView();
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
      {view.inverters.map((inverter) => (
        <InverterRow key={inverter.device.id} inverter={inverter} />
      ))}
      <StoreRow />
      <ArrayRow />
      <DcdcRow />
      <Income />
      <section className="pt-4" aria-label="State of charge">
        <Suspense fallback={<div className="h-[236px]" />}>
          <StayChart stay={view.stay} />
        </Suspense>
      </section>
      <OptionRow />
    </div>
  );
}

/** The option itself: its name, a copy to compare with, and its end. */
function OptionRow() {
  const { job, edit, optionId } = useJob();
  const option = useOption();
  return (
    <section aria-label="Option" className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3 border-t border-line pt-3">
      <div className="w-56">
        <TextField
          label="This option is called"
          required
          maxLength={40}
          value={option.name}
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
