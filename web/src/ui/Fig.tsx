import type { FigureId } from '@joulemetric/core';
import { useJob } from '../shell/JobContext.tsx';
import { Num } from './Number.tsx';

/** A figure that opens its working. Its number carries a fine dotted rule so that one sees it can be opened. */
export function Fig({ id, signed = false, className = '' }: { id: FigureId; signed?: boolean; className?: string }) {
  const { assessment, open, job } = useJob();
  const figure = assessment.figures[id];
  if (!figure) return null;
  return (
    <button
      type="button"
      data-figure={id}
      onClick={() => open({ kind: 'figure', id })}
      aria-label={`${figure.label}: open the working`}
      className={`underline decoration-mark decoration-dotted decoration-1 underline-offset-4 hover:decoration-ink ${className}`}
    >
      <Num value={figure.value} unit={figure.unit} units={job.brief.region.units} signed={signed} />
    </button>
  );
}
