import { showText } from '@joulemetric/core';
import { useCallback, useDeferredValue, useState } from 'react';
import { addRun, layRuns } from '../../commands/runs.ts';
import { useCopper, useRunsDetail, useThicker } from '../../edges/useRunsDetail.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { StepFindings } from '../../ui/StepFindings.tsx';
import { useSettled } from '../../ui/useSettled.ts';
import { useText } from '../../ui/useText.ts';
import { Batch } from './Batch.tsx';
import { Copper } from './Copper.tsx';
import { Diagram } from './Diagram.tsx';
import { Fuses } from './Fuses.tsx';
import { Reaches } from './Reaches.tsx';
import { RunFiles } from './RunFiles.tsx';
import { RunTable } from './RunTable.tsx';
import { useChangeRuns } from './useRuns.ts';

/** ms without an edit after which the copper at other volts is reckoned. */
const COPPER_AFTER_MS = 400;

/** Step 8: cables, what protects them, the volts at each appliance, and the diagram. */
export function Runs() {
  const { job, optionId, edit } = useJob();
  const text = useText();
  const deferred = useDeferredValue(job);
  const { value, problem } = useRunsDetail(job, optionId);
  // Two more systems are sized for it: not with every keystroke.
  const { value: copper } = useCopper(useSettled(job, COPPER_AFTER_MS), optionId);
  const [openId, setOpenId] = useState<string | null>(null);
  const { value: thicker } = useThicker(openId === null ? null : deferred, optionId);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const detail = value?.detail ?? null;
  const proposed = detail?.proposed ?? [];
  const change = useChangeRuns(proposed);
  const isLaid = detail?.isLaid ?? false;
  const showRun = useCallback((id: string): void => {
    setOpenId(id);
    requestAnimationFrame(() => document.getElementById(`run-${id}`)?.scrollIntoView({ block: 'center' }));
  }, []);
  const tick = (id: string, on: boolean): void => {
    const next = new Set(ticked);
    if (on) next.add(id);
    else next.delete(id);
    setTicked(next);
  };
  const chosen = [...ticked].filter((id) => proposed.some((run) => run.id === id));
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4" data-runs={detail ? 'ready' : 'waiting'}>
      <PhoneOptions />
      <StepHead question="What reaches each appliance, and what protects the way?">
        {detail && detail.lines.length > 0 ? (
          <>
            {detail.lines.length} runs, {text(detail.kg, 'kg')} of copper,{' '}
            {isLaid ? (
              <>
                <Fig id="loss.cable" /> of the need lost in them
              </>
            ) : (
              <>they would lose {showText(detail.lostWh, 'Wh')} a day</>
            )}
          </>
        ) : (
          'Nothing hangs on the bus yet: take down the loads first.'
        )}
      </StepHead>
      <StepFindings step="runs" problem={problem} />
      {detail && detail.lines.length > 0 && (
        <>
          <p className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
            {isLaid ? (
              <>
                {detail.completed.length > proposed.length && (
                  <Button strong onClick={() => edit(layRuns(optionId, detail.completed))}>
                    Add what is missing ({detail.completed.length - proposed.length})
                  </Button>
                )}
                <Button onClick={() => edit(addRun(optionId, proposed, proposed[0]?.id ?? null))}>Another run</Button>
                <Button onClick={() => edit(layRuns(optionId, null))}>Back to the proposal</Button>
              </>
            ) : (
              <>
                <Button strong onClick={() => edit(layRuns(optionId, proposed))}>
                  Lay these runs
                </Button>
                <span className="text-ink-2">
                  Proposed, with usual lengths. Any change lays them; from then on what they lose counts everywhere.
                </span>
              </>
            )}
          </p>
          {chosen.length > 0 && (
            <Batch ids={chosen} proposed={proposed} change={change} onDone={() => setTicked(new Set())} />
          )}
          <RunTable
            lines={detail.lines}
            isLaid={isLaid}
            change={change}
            proposed={proposed}
            ticked={ticked}
            onTick={tick}
            openId={openId}
            onOpen={setOpenId}
            thicker={(openId && thicker?.[openId]) || null}
          />
          <div className="pt-2">
            <RunFiles lines={detail.lines} proposed={proposed} />
          </div>
          <div className="pt-3">
            <Reaches appliances={detail.appliances} reserveSoc={detail.reserveSoc} onRun={showRun} />
            {value && <Diagram diagram={value.diagram} openId={openId} onRun={showRun} />}
            <Fuses lines={detail.lines} onRun={showRun} />
            <Copper copper={copper ?? []} />
          </div>
          <p className="max-w-[86ch] text-note text-ink-2">
            A design aid. Where a local code has tables of its own for cables and fuses, those count; so do the maker’s
            instructions. Measure polarity before anything is joined.
          </p>
        </>
      )}
    </div>
  );
}
