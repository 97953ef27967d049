import { memo } from 'react';
import { NavLink } from 'react-router';
import { useShown } from './JobContext.tsx';
import { PARTS, type Step, type StepPath } from './steps.ts';

/** All steps in the order of the work, its parts a little apart, each with how many findings ask for something. */
export const StepList = memo(function StepList({ optionId, onGo }: { optionId: string; onGo?: () => void }) {
  return PARTS.map((steps) => (
    <ul key={steps[0]?.part} className="py-1.5 first:pt-2">
      {steps.map((step) => (
        <li key={step.path}>
          <StepLink step={step} optionId={optionId} onGo={onGo} />
        </li>
      ))}
    </ul>
  ));
});

function StepLink({ step, optionId, onGo }: { step: Step; optionId: string; onGo: (() => void) | undefined }) {
  const loads = useShown(({ view }) => view.job.loads.length);
  const open = useOpenFindings(step.path);
  return (
    <NavLink
      to={{ pathname: step.path, search: `?option=${optionId}` }}
      onClick={onGo}
      className={({ isActive }) =>
        `flex items-baseline border-l-3 py-[5.5px] pl-[13px] pr-4 text-number phone:min-h-11 phone:items-center ${
          isActive ? 'border-ink bg-sheet font-semibold' : 'border-transparent text-ink-2 hover:text-ink'
        }`
      }
    >
      <span className="num w-[26px] text-note text-ink-2">{step.number ?? '='}</span>
      <span className="grow">{step.name}</span>
      {step.path === 'loads' && open === 0 && <span className="num text-note text-ink-2">{loads}</span>}
      {open > 0 && (
        <span className="num text-note font-medium text-copper">
          {open}
          <span aria-hidden="true"> ›</span>
          <span className="sr-only"> findings</span>
        </span>
      )}
    </NavLink>
  );
}

/** Findings of a step that ask for something: notes do not count. */
const useOpenFindings = (step: StepPath): number =>
  useShown(
    ({ assessment }) =>
      assessment.findings.filter(({ where, severity }) => where.step === step && severity !== 'note').length,
  );
