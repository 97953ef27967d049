import type { Finding } from '@joulemetric/core';
import { useAssessment } from '../shell/JobContext.tsx';
import { Findings } from './Findings.tsx';

/** What is to be checked in a step, and why what stands beside its figures could not be reckoned. */
export function StepFindings({ step, problem }: { step: Finding['where']['step']; problem: string | null }) {
  const { findings } = useAssessment();
  return (
    <div className="space-y-1 pt-2">
      <Findings findings={findings.filter(({ where }) => where.step === step)} />
      {problem && (
        <p role="alert" className="text-copper">
          {problem}
        </p>
      )}
    </div>
  );
}
