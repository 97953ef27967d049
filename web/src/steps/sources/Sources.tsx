import { useMemo, useState } from 'react';
import { useSourcesDetail } from '../../edges/useSourcesDetail.ts';
import { useJob, useShown } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { StepFindings } from '../../ui/StepFindings.tsx';
import { Arrays } from './Arrays.tsx';
import { CellDay } from './CellDay.tsx';
import { type Chosen, DayTable } from './DayTable.tsx';
import { DrivingPart } from './DrivingPart.tsx';
import { Met } from './Met.tsx';
import { OneBox } from './OneBox.tsx';
import { RoofPlan } from './RoofPlan.tsx';
import { SuppliesPart } from './SuppliesPart.tsx';

/** Step 6: what fills the store, in every month on every kind of day, and what each source loses on the way. */
export function Sources() {
  const { job, optionId } = useJob();
  const heats = useShown(({ assessment }) => assessment.figures['store.heater'].value > 0);
  const { value: detail, problem } = useSourcesDetail(job, optionId);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const first = detail?.designMonth;
  const shown = useMemo(() => chosen ?? (first === undefined ? null : { month: first, kind: 1 }), [chosen, first]);
  const kind = detail && shown && (detail.kinds[shown.kind] ?? detail.kinds[0]);
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4" data-sources={detail ? 'ready' : 'waiting'}>
      <PhoneOptions />
      <StepHead question="What fills it, on a day of this trip?">
        <Fig id="sun.yield" /> from the sun and <Fig id="alternator.yield" /> from driving against{' '}
        <Fig id="demand.battery" after={heats ? '' : ':'} />{' '}
        {heats && (
          <>
            and <Fig id="store.heater" /> to warm the store:{' '}
          </>
        )}
        <Fig id="balance.net" signed />
      </StepHead>
      <StepFindings step="sources" problem={problem} />
      {detail && shown && kind ? (
        <section
          aria-label="Income less need"
          className="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-x-10 gap-y-4 py-3 @max-[860px]:grid-cols-1"
        >
          <DayTable detail={detail} chosen={shown} onChoose={setChosen} />
          <CellDay
            job={job}
            optionId={optionId}
            month={shown.month}
            kind={kind}
            cell={detail.cells.find(
              (one) => one.month === shown.month && one.kind === kind.kind && one.supplyId === kind.supplyId,
            )}
          />
        </section>
      ) : (
        // As high as what comes there: nothing below moves under a finger when it does.
        <p className="min-h-[27rem] py-3 text-ink-2 @max-[860px]:min-h-[46rem]">Playing through the days of a year…</p>
      )}
      <Arrays detail={detail} />
      <RoofPlan />
      <DrivingPart links={detail?.links ?? []} />
      <SuppliesPart uses={detail?.supplies ?? []} />
      <OneBox />
      {detail && <Met rows={detail.met} />}
    </div>
  );
}
