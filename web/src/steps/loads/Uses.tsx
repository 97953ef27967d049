import { addUse, cycleLength, formatClock, type Load, type Use } from '@joulemetric/core';
import { useView } from '../../shell/JobContext.tsx';
import { Lane } from './Lane.tsx';

/** When a load runs, to be dragged: the lane large enough for a thumb, and its uses in words. */
export function Uses({ load, onChange }: { load: Load; onChange: (uses: Use[], key?: string) => void }) {
  const view = useView();
  const drawn = view.drawn[view.job.loads.findIndex(({ id }) => id === load.id)];
  if (!drawn || load.draw.kind === 'standby') return null;
  const usual = load.draw.kind === 'cycle' ? cycleLength(load.draw.phases).fixedMin : 0;
  const length = Math.max(usual, load.uses.at(-1)?.minutes ?? 30);
  return (
    <div>
      <p className="text-note text-ink-2">When: drag it, its right end to change how long</p>
      <div className="mt-1">
        <Lane load={load} skylineW={drawn.skylineW} scaleW={Math.max(1, drawn.runningW)} onChange={onChange} keys />
      </div>
      <p className="num flex justify-between text-note text-ink-2" aria-hidden="true">
        <span>00</span>
        <span>06</span>
        <span>12</span>
        <span>18</span>
        <span>24</span>
      </p>
      <ul className="mt-1">
        {load.uses.map((use) => (
          <li key={use.startMin} className="num flex justify-between border-b border-line-2 py-0.5">
            {formatClock(use.startMin)}–{formatClock(use.startMin + use.minutes)}
            <button
              type="button"
              aria-label={`Remove the use at ${formatClock(use.startMin)}`}
              onClick={() =>
                onChange(
                  load.uses.filter((other) => other !== use),
                  'remove',
                )
              }
              className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        onClick={() => onChange(addUse(load.uses, length))}
        className="mt-1.5 border-b border-mark text-note phone:min-h-11"
      >
        One more use
      </button>
    </div>
  );
}
