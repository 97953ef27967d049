import { Link } from 'react-router';
import { useEditing } from '../../shell/JobContext.tsx';
import type { StepPath } from '../../shell/steps.ts';

/** Leads from the answer to the step where it is chosen. */
export function ChosenIn({ step, children }: { step: StepPath; children: string }) {
  const { optionId } = useEditing();
  return (
    <p className="col-span-full">
      <Link
        to={{ pathname: `../${step}`, search: `?option=${optionId}` }}
        relative="path"
        className="phone:inline-flex phone:min-h-11 phone:items-center"
      >
        <span className="border-b border-mark">{children}</span>
      </Link>
    </p>
  );
}
