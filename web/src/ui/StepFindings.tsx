import type { Finding } from '@joulemetric/core';
import { useAssessment } from '../shell/JobContext.tsx';
import { FindingLine } from './FindingLine.tsx';

/** What is to be checked in a step, and why what stands beside its figures could not be reckoned. */
export function StepFindings({ step, problem }: { step: Finding['where']['step']; problem: string | null }) {
  const { findings } = useAssessment();
  return (
    <div className="space-y-1 pt-2">
      {findings
        .filter(({ where }) => where.step === step)
        .map((finding) => (
          <FindingLine key={finding.code + JSON.stringify(finding.values)} finding={finding} />
        ))}
      {problem && (
        <p role="alert" className="text-copper">
          {problem}
        </p>
      )}
    </div>
  );
}
