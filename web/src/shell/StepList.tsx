import { NavLink } from 'react-router';
import { useAssessment, useJob } from './JobContext.tsx';
import { PARTS, type Step, type StepPath } from './steps.ts';

/** All steps in the order of the work, its parts a little apart, each with how many findings ask for something. */
export function StepList({ onGo }: { onGo?: () => void }) {
  return PARTS.map((steps) => (
    <ul key={steps[0]?.part} className="py-1.5 first:pt-2">
      {steps.map((step) => (
        <li key={step.path}>
          <StepLink step={step} onGo={onGo} />
        </li>
      ))}
    </ul>
  ));
}

function StepLink({ step, onGo }: { step: Step; onGo: (() => void) | undefined }) {
  const { job, optionId } = useJob();
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
      {step.path === 'loads' && open === 0 && <span className="num text-note text-ink-2">{job.loads.length}</span>}
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
function useOpenFindings(step: StepPath): number {
  const { findings } = useAssessment();
  return findings.filter(({ where, severity }) => where.step === step && severity !== 'note').length;
}
