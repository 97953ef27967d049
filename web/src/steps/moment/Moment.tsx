import { inverterFigures } from '@joulemetric/core';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { useMomentDetail } from '../../edges/useMomentDetail.ts';
import { useAssessment, useEditing, useJob, useShown, useView } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { CoincideChoice, StartingChoice } from '../../ui/MomentSchools.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { Argue } from './Argue.tsx';
import { BusBar } from './BusBar.tsx';
import { Forms } from './Forms.tsx';
import { Habits } from './Habits.tsx';
import { SetBars } from './SetBars.tsx';
import { Sizes } from './Sizes.tsx';
import { Supplies } from './Supplies.tsx';

const QUESTION = 'What comes together at the worst moment?';

/** Step 4: what really coincides, what starts on top of it, what carries it, and what supplies it. */
export function Moment() {
  const { job, optionId } = useJob();
  const view = useView();
  const assessment = useAssessment();
  const { value: detail, problem } = useMomentDetail(useDeferredValue(job), optionId);
  if (job.loads.length === 0) {
    return (
      <div className="px-5 pt-3.5 phone:px-4">
        <StepHead question={QUESTION}>Take down the loads first; what coincides follows.</StepHead>
      </div>
    );
  }
  const used = view.inverters.filter(({ ratingW }) => ratingW > 0);
  const ids = used[0] && inverterFigures(used[0]);
  const findings = assessment.findings.filter(
    ({ where, severity }) => where.step === 'moment' && severity !== 'note' && !where.figure?.startsWith('supply['),
  );
  return (
    <div
      className="px-5 pb-10 pt-3.5 phone:px-4"
      data-moment={detail ? 'ready' : 'waiting'}
      data-took-ms={detail?.tookMs.toFixed(3)}
    >
      <PhoneOptions />
      <StepHead question={QUESTION} aside={<CardLink />}>
        {ids ? (
          <>
            <Fig id={ids.continuous} /> or <Fig id={ids.apparent} /> at once; a start takes it to{' '}
            <Fig id={ids.surge} after="." /> The inverter gives <Fig id={ids.rating} after="," /> <Fig id={ids.holds} />{' '}
            for a start. The store gives <Fig id="peak.bus" after="," /> <Fig id="peak.current" after="," />{' '}
            <Fig id="peak.crate" after="." />
          </>
        ) : (
          <>
            Nothing hangs on an inverter. The store gives <Fig id="peak.bus" after="," />{' '}
            <Fig id="peak.current" after="," /> <Fig id="peak.crate" after="." />
          </>
        )}
      </StepHead>
      {findings.length > 0 && (
        <section aria-label="Findings" className="space-y-1 border-b border-line py-2">
          {findings.map((finding) => (
            <FindingLine key={`${finding.code}${finding.where.figure ?? ''}`} finding={finding} />
          ))}
        </section>
      )}
      <Unproved />
      {problem && (
        <p role="alert" className="py-2 text-copper">
          The sets could not be reckoned: {problem}
        </p>
      )}
      {used.map((inverter) => (
        <SetBars
          key={inverter.device.id}
          inverter={inverter}
          sets={detail?.inverters.find(({ deviceId }) => deviceId === inverter.device.id)?.sets ?? []}
          alone={used.length === 1}
        />
      ))}
      <BusBar />
      <Argue />
      <School />
      {used.map((inverter) => {
        const own = detail?.inverters.find(({ deviceId }) => deviceId === inverter.device.id) ?? null;
        return (
          <section key={inverter.device.id} aria-label={inverter.device.name} className="painted-in-view">
            <Sizes inverter={inverter} detail={own} alone={used.length === 1} />
            <Habits detail={own} />
            <Forms inverter={inverter} detail={own} />
          </section>
        );
      })}
      <Supplies details={detail?.supplies ?? []} />
    </div>
  );
}

/** A worst moment that is a bound, and a way to let the search cost more. */
function Unproved() {
  const assessment = useAssessment();
  const isProving = useShown((shown) => shown.isProving);
  const goOn = useShown((shown) => shown.goOn);
  const finding = assessment.findings.find(({ code }) => code === 'moment-unproved');
  if (!finding) return null;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line py-2" role="status">
      <FindingLine finding={finding} />
      {isProving ? (
        <span className="text-note text-ink-2">Reckoning on…</span>
      ) : (
        <Button onClick={goOn}>Reckon on</Button>
      )}
    </div>
  );
}

function CardLink() {
  const { optionId } = useEditing();
  return (
    <Link
      to={{ pathname: '../card', search: `?option=${optionId}` }}
      relative="path"
      className="inline-flex items-center whitespace-nowrap text-number font-medium underline underline-offset-4 phone:min-h-11"
    >
      Card for the client
    </Link>
  );
}

/** How the electrician looks at coincidence. */
function School() {
  return (
    <section
      aria-label="What counts as together"
      className="mt-3 grid grid-cols-2 gap-x-10 gap-y-3 @max-[620px]:grid-cols-1"
    >
      <CoincideChoice />
      <StartingChoice />
    </section>
  );
}
