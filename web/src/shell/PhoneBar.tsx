import { memo, useEffect, useRef, useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { OutboxLater } from '../ui/OutboxLater.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { useEditing, useJob } from './JobContext.tsx';
import { OptionSwitch } from './Rail.tsx';
import { SaveLine } from './SaveLine.tsx';
import { StepList } from './StepList.tsx';
import { STEPS } from './steps.ts';

/** On the phone: which job and whether it is saved, above. */
export function PhoneHead() {
  const { job } = useJob();
  return (
    <header className="hidden border-b border-line px-4 py-2 phone:block print:hidden">
      <span className="flex items-center justify-between gap-3">
        <span className="min-w-0 truncate text-[15px] font-semibold">{job.title}</span>
        <SaveLine />
      </span>
      <OutboxLater className="pt-1" />
    </header>
  );
}

/** The steps within the thumb's reach: a strip to swipe on which the present one is always in view, and all of them at once. */
export function PhoneTabs({ onPalette }: { onPalette: () => void }) {
  const { optionId } = useEditing();
  const [all, setAll] = useState(false);
  return (
    <nav
      aria-label="Steps"
      className="hidden shrink-0 border-t border-line bg-paper pb-[env(safe-area-inset-bottom)] phone:flex print:hidden"
    >
      <StepStrip optionId={optionId} />
      <button
        type="button"
        onClick={() => setAll(true)}
        className="min-h-12 shrink-0 border-l border-line px-4 text-ink-2"
      >
        More
      </button>
      <Sheet open={all} onOpenChange={setAll} title="Steps">
        <nav aria-label="All steps" className="-mx-4 mt-2">
          <StepList optionId={optionId} onGo={() => setAll(false)} />
        </nav>
        <Button
          onClick={() => {
            setAll(false);
            onPalette();
          }}
        >
          All commands
        </Button>
      </Sheet>
    </nav>
  );
}

const StepStrip = memo(function StepStrip({ optionId }: { optionId: string }) {
  const strip = useRef<HTMLDivElement>(null);
  const { pathname } = useLocation();
  // biome-ignore lint/correctness/useExhaustiveDependencies: wherever one goes, the strip follows.
  useEffect(() => {
    strip.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [pathname]);
  return (
    <div
      ref={strip}
      className="flex min-w-0 grow snap-x overflow-x-auto px-3 [mask-image:linear-gradient(to_right,transparent,black_18px,black_calc(100%-18px),transparent)] [scrollbar-width:none]"
    >
      {STEPS.map((step) => (
        <NavLink
          key={step.path}
          to={{ pathname: step.path, search: `?option=${optionId}` }}
          className={({ isActive }) =>
            `flex min-h-12 min-w-[66px] grow snap-center items-center justify-center border-t-3 px-2 ${isActive ? 'border-ink font-semibold' : 'border-transparent text-ink-2'}`
          }
        >
          {step.onPhone}
        </NavLink>
      ))}
    </div>
  );
});

/** The options on the phone, above the sheet. */
export function PhoneOptions() {
  return (
    <div className="hidden phone:block">
      <OptionSwitch />
    </div>
  );
}
