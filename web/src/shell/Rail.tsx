import { ToggleGroup } from 'radix-ui';
import { Link } from 'react-router';
import { OutboxLater } from '../ui/OutboxLater.tsx';
import { useJob } from './JobContext.tsx';
import { SaveLine } from './SaveLine.tsx';
import { StepList } from './StepList.tsx';

/** The steps in the order of the work, the job they are of, and whether it is saved. */
export function Rail({ onPalette }: { onPalette: () => void }) {
  const { job, optionId } = useJob();
  return (
    <nav
      aria-label="Steps"
      className="flex h-full w-[168px] shrink-0 flex-col border-r border-line phone:hidden print:hidden"
    >
      <div className="border-b border-line px-4 pb-4 pt-3">
        <Link to="/" className="text-[18px] font-semibold leading-6" aria-label="Joulemetric: all jobs">
          Joule<span className="text-copper">metric</span>
        </Link>
        <p className="mt-3 truncate text-body font-semibold" title={job.title}>
          {job.title}
        </p>
        <p className="truncate text-body text-ink-2" title={job.client}>
          {job.client || 'no client yet'}
        </p>
        <OptionSwitch />
      </div>
      <div className="min-h-0 grow overflow-y-auto">
        <StepList optionId={optionId} />
      </div>
      <OutboxLater className="border-t border-line px-4 py-2" />
      <div className="flex items-center justify-between gap-2 border-t border-line px-4 py-2.5">
        <SaveLine />
        <button
          type="button"
          onClick={onPalette}
          aria-label="All commands, Control K"
          className="num shrink-0 rounded-[3px] border border-line px-1.5 text-note font-medium text-ink-2 hover:border-ink"
        >
          Ctrl K
        </button>
      </div>
    </nav>
  );
}

export function OptionSwitch() {
  const { job, optionId, chooseOption } = useJob();
  if (job.options.length < 2) return <p className="mt-2 text-note text-ink-2">{job.options[0]?.name}</p>;
  return (
    <ToggleGroup.Root
      type="single"
      value={optionId}
      onValueChange={(id) => id && chooseOption(id)}
      aria-label="Option"
      className="mt-2 flex flex-wrap"
    >
      {job.options.map((option) => (
        <ToggleGroup.Item
          key={option.id}
          value={option.id}
          className="num -ml-px border border-line px-2 py-0.5 text-note font-medium first:ml-0 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
        >
          {option.name}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
