import { FAULT_KINDS, type InstrumentFault, type InstrumentKind } from '@joulemetric/core';
import { useState } from 'react';
import type { LogInstrument, OpenLog } from '../../edges/answers.ts';
import { api, isConflict } from '../../edges/api.ts';
import { figures } from '../../edges/compute.ts';
import { MakerIds } from '../../edges/makerIds.ts';
import { useInstruments } from '../../edges/useLogs.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Field.tsx';

const KIND: Readonly<Record<InstrumentKind, string>> = {
  monitor: 'battery monitor with a shunt',
  plug: 'plug-in energy meter',
  clamp: 'DC clamp',
  thermometer: 'thermometer',
  weather: 'weather station',
};
const FAULT: Readonly<Record<InstrumentFault, string>> = {
  'drop-outs': 'loses readings',
  stuck: 'display stuck',
  drift: 'drifts',
  reset: 'counter set back',
  'wrong-sign': 'wired the wrong way',
  thousandfold: 'changes its unit',
};
const SPEEDS = [1, 10, 60, 600].map((speed) => ({
  value: String(speed),
  label: speed === 1 ? 'as fast as time' : `${speed} × as fast`,
}));

/** Simulated instruments, fed by the job's own simulation: for trying out, and for learning what readings look like. */
export function Instruments({ log, onReadings }: { log: OpenLog; onReadings: () => void }) {
  const { job, optionId } = useJob();
  const { instruments, mutate } = useInstruments(log.id, onReadings);
  const [kind, setKind] = useState<InstrumentKind>('monitor');
  const [speed, setSpeed] = useState('60');
  const [told, setTold] = useState<string | null>(null);
  const [ids] = useState(() => new MakerIds());
  const begin = async () => {
    setTold('Playing the trip that it measures…');
    try {
      const truth = await figures.ask('truth', (remote) => remote.truth(job, optionId));
      const seed = instruments.length + 1;
      const instrument = { kind, everyS: Number(speed) >= 60 ? 60 : 1, speed: Number(speed), seed, truth };
      await api.addInstrument(log.id, ids.idOf(instrument), instrument);
      ids.made(instrument);
      setTold(null);
      await mutate();
    } catch (error) {
      setTold((error as Error).message);
    }
  };
  const change = (one: LogInstrument, part: Parameters<typeof api.changeInstrument>[3]) =>
    void api
      .changeInstrument(log.id, one.id, one.version, part)
      .then(
        () => setTold(null),
        (error: Error) =>
          setTold(isConflict(error) ? 'It was changed elsewhere meanwhile. This is how it is now.' : error.message),
      )
      .finally(mutate);
  return (
    <details className="mt-3 border-t border-line pt-2" open={instruments.length > 0}>
      <summary className="text-body font-semibold phone:min-h-11">
        Simulated instruments{' '}
        <span className="num font-normal text-ink-2">
          {instruments.length > 0
            ? `${instruments.filter(({ stopped }) => !stopped).length} recording`
            : 'to try it out with'}
        </span>
      </summary>
      <ul>
        {instruments.map((one) => (
          <li key={one.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line-2 py-1.5">
            <span className="min-w-[190px]">{KIND[one.kind]}</span>
            <span className="num text-ink-2">
              {one.stored} readings, every {one.everyS} s{one.speed > 1 ? `, ${one.speed} × as fast` : ''}
            </span>
            {!one.stopped &&
              FAULT_KINDS.map((fault) => (
                <label key={fault} className="text-note text-ink-2 phone:min-h-11">
                  <input
                    type="checkbox"
                    checked={one.faults.includes(fault)}
                    onChange={() =>
                      change(one, {
                        faults: one.faults.includes(fault)
                          ? one.faults.filter((other) => other !== fault)
                          : [...one.faults, fault],
                      })
                    }
                    className="mr-1 accent-[var(--ink)]"
                  />
                  {FAULT[fault]}
                </label>
              ))}
            {one.kind === 'clamp' && !one.zeroed && !one.stopped && (
              <Button onClick={() => change(one, { zeroed: true })}>Zero it</Button>
            )}
            {one.stopped ? (
              <span className="text-note text-ink-2">ended</span>
            ) : (
              <Button onClick={() => change(one, { stopped: true })}>End</Button>
            )}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pt-2">
        <Choice
          label="Instrument"
          value={kind}
          options={(Object.keys(KIND) as InstrumentKind[]).map((value) => ({ value, label: KIND[value] }))}
          onChange={setKind}
        />
        <Choice label="Time runs" value={speed} options={SPEEDS} onChange={setSpeed} />
        <Button onClick={() => void begin()}>Record with it</Button>
        {told && (
          <span role="status" className="text-note text-copper">
            {told}
          </span>
        )}
      </div>
    </details>
  );
}
