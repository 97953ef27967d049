import { type Log, PURPOSES } from '@joulemetric/core';
import { type ReactNode, useContext, useState } from 'react';
import type { OpenLog } from '../../edges/answers.ts';
import type { LogChange } from '../../edges/useLogs.ts';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { UnitsField } from '../../ui/RegionField.tsx';
import { LogUnits } from './logUnits.ts';
import { PURPOSE } from './purposes.ts';
import { Spans } from './Spans.tsx';

const CHEMISTRY = [
  { value: '', label: 'not said' },
  { value: 'lfp', label: 'LFP' },
  { value: 'agm', label: 'AGM' },
  { value: 'gel', label: 'Gel' },
  { value: 'flooded', label: 'Flooded lead' },
] as const;

/** What was measured, of what, and what it should answer. */
export function LogFields({
  log: { log },
  change,
  about,
}: {
  log: OpenLog;
  change: (part: LogChange) => Promise<void>;
  /** What it is of, or which job it should go to. */
  about: (log: Log, put: (part: LogChange) => void) => ReactNode;
}) {
  const units = useContext(LogUnits);
  const [failed, setFailed] = useState<string | null>(null);
  const put = (part: LogChange) =>
    void change(part).then(
      () => setFailed(null),
      (error: Error) => setFailed(error.message),
    );
  const { capacity } = log;
  const setCapacity = (ah: number | null) =>
    put({ capacity: ah === null ? undefined : { ...capacity, ah, wh: null } } as Partial<Log>);
  return (
    <div>
      <div className="grid grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)_minmax(0,1fr)] gap-x-5 @max-[760px]:grid-cols-2">
        <TextField label="What was measured" value={log.name ?? ''} onChange={(name) => put({ name })} />
        <Choice
          label="What for"
          value={log.purpose ?? 'watch'}
          options={PURPOSES.map((value) => ({ value, label: PURPOSE[value] }))}
          onChange={(purpose) => put({ purpose })}
        />
        {about(log, put)}
      </div>
      {failed && (
        <p role="alert" className="text-copper">
          {failed}
        </p>
      )}
      <details className="pt-1">
        <summary className="num text-note text-ink-2 phone:min-h-11">
          {[
            capacity?.ah != null ? `${capacity.ah} Ah` : capacity?.wh != null ? `${capacity.wh} Wh` : 'no capacity',
            `reserve ${log.reserve ?? 20} %`,
            log.targetH != null ? `should last ${log.targetH} h` : null,
            log.outages?.length ? `${log.outages.length} off` : null,
            log.windows?.length ? `${log.windows.length} windows` : null,
            log.pairs?.length ? `${log.pairs.length} pairs` : null,
            log.zone ?? 'UTC',
          ]
            .filter((one) => one !== null)
            .join(' · ')}
        </summary>
        <div className="grid grid-cols-4 gap-x-5 gap-y-2 pt-2 @max-[760px]:grid-cols-2">
          <QuantityField
            label="Capacity"
            unit="Ah"
            value={capacity?.ah ?? null}
            auto="not said"
            min={0.1}
            max={100_000}
            onChange={setCapacity}
          />
          <Choice
            label="Chemistry"
            value={capacity?.chemistry ?? ''}
            options={CHEMISTRY}
            onChange={(chemistry) =>
              capacity && put({ capacity: { ...capacity, chemistry: chemistry || undefined } } as Partial<Log>)
            }
          />
          <QuantityField
            label="Reserve"
            unit="%"
            value={log.reserve ?? null}
            auto="20"
            min={0}
            max={95}
            onChange={(reserve) => put({ reserve: reserve ?? undefined } as Partial<Log>)}
          />
          <QuantityField
            label="Should last"
            unit="h"
            value={log.targetH ?? null}
            auto="not said"
            min={0.1}
            max={10_000}
            onChange={(targetH) => put({ targetH })}
          />
          <QuantityField
            label="Most it can draw"
            unit="W"
            value={log.maxW ?? null}
            auto="not said"
            min={0.1}
            max={100_000}
            onChange={(maxW) => put({ maxW })}
          />
          <QuantityField
            label="Timer switches off after"
            unit="h"
            value={log.timers?.[0]?.everyH ?? null}
            auto="none"
            min={0.1}
            max={1000}
            onChange={(everyH) => put({ timers: everyH === null ? [] : [{ everyH }] })}
          />
          <UnitsField
            units={units}
            label="Air meanwhile"
            quantity="°C"
            value={log.conditions?.ambientC ?? null}
            auto="not said"
            min={-40}
            max={60}
            onChange={(ambientC) => put((now) => ({ conditions: { ...now.conditions, ambientC } }))}
          />
          <UnitsField
            units={units}
            label="Air in use"
            quantity="°C"
            value={log.conditions?.useC ?? null}
            auto="not said"
            min={-40}
            max={60}
            onChange={(useC) => put((now) => ({ conditions: { ...now.conditions, useC } }))}
          />
        </div>
        <Spans log={log} put={put} />
      </details>
    </div>
  );
}
