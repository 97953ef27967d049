import { type FigureId, showText } from '@joulemetric/core';
import { usePanels, useShown, useUnits } from '../shell/JobContext.tsx';
import { Num } from './Number.tsx';

/**
 * A figure that opens its working. Its number carries a fine dotted rule so that one sees it can be opened.
 * @param after punctuation that must stay on the figure's line
 */
export function Fig({ id, signed = false, after = '' }: { id: FigureId; signed?: boolean; after?: string }) {
  const units = useUnits();
  const figure = useShown(({ assessment }) => assessment.figures[id]);
  const { open } = usePanels();
  if (!figure) return null;
  return (
    <span className="whitespace-nowrap">
      <button
        type="button"
        data-figure={id}
        onClick={() => open({ kind: 'figure', id })}
        aria-label={`${figure.label}, ${showText(figure.value, figure.unit, units)}: open the working`}
        className="underline decoration-mark decoration-dotted decoration-1 underline-offset-4 hover:decoration-ink"
      >
        <Num value={figure.value} unit={figure.unit} units={units} signed={signed} />
      </button>
      {after}
    </span>
  );
}
