import { NavLink } from 'react-router';
import { useJob } from './JobContext.tsx';
import { OptionSwitch } from './Rail.tsx';
import { SaveLine } from './SaveLine.tsx';
import { STEPS } from './steps.ts';

/** On the phone: which job and whether it is saved, above. */
export function PhoneHead() {
  const { job } = useJob();
  return (
    <header className="hidden items-center justify-between gap-3 border-b border-line px-4 py-2 phone:flex print:hidden">
      <span className="flex min-w-0 items-center gap-2">
        <span className="truncate text-[15px] font-semibold">{job.title}</span>
      </span>
      <SaveLine />
    </header>
  );
}

/** The steps within the thumb's reach. */
export function PhoneTabs({ onMore }: { onMore: () => void }) {
  const { optionId } = useJob();
  return (
    <nav
      aria-label="Steps"
      className="hidden shrink-0 grid-cols-6 border-t border-line bg-paper pb-[env(safe-area-inset-bottom)] phone:grid print:hidden"
    >
      {STEPS.map((step) => (
        <NavLink
          key={step.path}
          to={{ pathname: step.path, search: `?option=${optionId}` }}
          className={({ isActive }) =>
            `flex min-h-12 items-center justify-center border-t-3 ${isActive ? 'border-ink font-semibold' : 'border-transparent text-ink-2'}`
          }
        >
          {step.onPhone}
        </NavLink>
      ))}
      <button type="button" onClick={onMore} className="min-h-12 border-t-3 border-transparent text-ink-2">
        More
      </button>
    </nav>
  );
}

/** The options on the phone, above the sheet. */
export function PhoneOptions() {
  return (
    <div className="hidden phone:block">
      <OptionSwitch />
    </div>
  );
}
