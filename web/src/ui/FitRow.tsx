import type { SaidFinding } from '../edges/view.ts';
import { useAssessment } from '../shell/JobContext.tsx';
import { FindingLine } from './FindingLine.tsx';

/** One thing to fit: its name, its size, why, what may be chosen, and what to check. */
export function FitRow({
  name,
  size,
  aside,
  why,
  findings,
  children,
}: {
  name: string;
  size: React.ReactNode;
  aside?: React.ReactNode;
  why: React.ReactNode;
  findings: readonly SaidFinding[];
  children: React.ReactNode;
}) {
  return (
    <section
      aria-label={name}
      className="grid grid-cols-[190px_minmax(0,1fr)_minmax(300px,400px)] gap-x-8 border-t border-line py-3 @max-[860px]:grid-cols-[170px_minmax(0,1fr)] @max-[560px]:grid-cols-1"
    >
      <div>
        <h2 className="text-body font-semibold">{name}</h2>
        <p className="text-figure font-semibold">{size}</p>
        {aside && <p className="num text-ink-2">{aside}</p>}
      </div>
      <div>
        <div className="num text-number leading-6 text-ink-2">{why}</div>
        <div className="mt-1 space-y-1">
          {findings.map((finding) => (
            <FindingLine key={finding.code} finding={finding} />
          ))}
        </div>
      </div>
      <div className="grid grid-cols-3 content-start gap-x-5 gap-y-2 @max-[860px]:col-start-2 @max-[860px]:mt-2 @max-[860px]:grid-cols-4 @max-[560px]:col-start-1 @max-[560px]:grid-cols-2">
        {children}
      </div>
    </section>
  );
}

/** Findings about any of these figures. */
export function useFindings(...ids: string[]): SaidFinding[] {
  const assessment = useAssessment();
  return assessment.findings.filter(({ where }) => where.figure && ids.includes(where.figure));
}
