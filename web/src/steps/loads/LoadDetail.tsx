import { asKind, DEFAULT, type Load, runningPowerW, withRunningPower } from '@joulemetric/core';
import { changeLoad, duplicateLoad, removeLoad, setNeverTogether } from '../../commands/loads.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { LedgerBar } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { DrawFields } from './DrawFields.tsx';
import { KIND_CHOICES, runsOfKind } from './kinds.ts';
import { Runs } from './Runs.tsx';
import { UseField } from './UseField.tsx';
import { EVIDENCE_CHOICES, PATH_CHOICES } from './words.ts';

/** Everything about one load. */
export function LoadDetail({ id }: { id: string }) {
  const { job, assessment, edit, close } = useJob();
  const load = job.loads.find((other) => other.id === id);
  const entry = assessment.ledger.loads.find(({ loadId }) => loadId === id);
  if (!load || !entry) return <p className="text-ink-2">This load has been removed.</p>;
  const change = (part: Partial<Omit<Load, 'id'>>, key?: string) => edit(changeLoad(id, part), key && `${id}.${key}`);
  const findings = assessment.findings.filter(({ where }) => where.loadId === id);
  return (
    <div className="space-y-3" data-load-detail={id}>
      <div>
        <p className="text-figure font-semibold">
          <Num value={entry.batteryWh} unit="Wh" />
        </p>
        <p className="pb-2 text-ink-2">
          from the store a day, <Num value={entry.usefulWh} unit="Wh" /> of it used
        </p>
        <LedgerBar parts={entry} scaleWh={entry.batteryWh} grows />
      </div>
      {findings.map((finding) => (
        <FindingLine key={finding.code} finding={finding} />
      ))}
      <TextField label="Name" required value={load.name} onChange={(name) => change({ name }, 'name')} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <QuantityField
          label="Power, one piece"
          kind="power"
          unit="W"
          value={runningPowerW(load.draw)}
          min={0}
          max={20_000}
          onChange={(value) => value !== null && change({ draw: withRunningPower(load.draw, value) }, 'power')}
        />
        <QuantityField
          label="Pieces"
          unit=""
          whole
          value={load.quantity}
          min={1}
          max={99}
          onChange={(value) => value !== null && change({ quantity: value }, 'quantity')}
        />
        <UseField load={load} onChange={(runs) => change({ runs }, 'runs')} />
        <Choice
          label="Evidence"
          value={load.evidence}
          options={EVIDENCE_CHOICES}
          onChange={(evidence) => change({ evidence })}
        />
      </div>
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <Choice
          label="Kind"
          value={load.draw.kind}
          options={KIND_CHOICES}
          onChange={(kind) => change({ draw: asKind(kind, runningPowerW(load.draw)), runs: runsOfKind(kind, load) })}
        />
        <QuantityField
          label="Days of the week"
          unit="of 7"
          value={load.daysPerWeek}
          min={0.1}
          max={7}
          onChange={(value) => value !== null && change({ daysPerWeek: value }, 'days')}
        />
      </div>
      <Runs load={load} onChange={(runs, key) => change({ runs }, key)} />
      <DrawFields load={load} onChange={(part) => change(part, 'draw')} />
      <Choice label="Path" value={load.path} options={PATH_CHOICES} onChange={(path) => change({ path })} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <ConverterField load={load} onChange={(converterEfficiency) => change({ converterEfficiency }, 'converter')} />
        <QuantityField
          label="Start ÷ run"
          unit="×"
          value={load.startRatio}
          min={1}
          max={12}
          onChange={(value) => value !== null && change({ startRatio: value }, 'start')}
        />
        <QuantityField
          label="Power factor"
          unit=""
          value={load.powerFactor}
          min={0.1}
          max={1}
          onChange={(value) => value !== null && change({ powerFactor: value }, 'pf')}
        />
      </div>
      <label className="flex items-center gap-2 phone:min-h-11">
        <input
          type="checkbox"
          checked={load.critical}
          onChange={(event) => change({ critical: event.target.checked })}
        />
        Must never go off
      </label>
      <NeverTogether load={load} />
      <p className="flex gap-5 border-t border-line pt-3">
        <button type="button" className="border-b border-mark phone:min-h-11" onClick={() => edit(duplicateLoad(id))}>
          Copy
        </button>
        <button
          type="button"
          className="border-b border-mark hover:text-stop phone:min-h-11"
          onClick={() => {
            close();
            edit(removeLoad(id));
          }}
        >
          Remove
        </button>
      </p>
    </div>
  );
}

function ConverterField({ load, onChange }: { load: Load; onChange: (value: number | null) => void }) {
  if (load.path !== 'inverter-adapter' && load.path !== 'dc-dc') return null;
  const adapter = load.path === 'inverter-adapter';
  const usual = adapter ? DEFAULT.adapterEfficiency.value : DEFAULT.converterEfficiency.value;
  return (
    <QuantityField
      label={adapter ? 'Adapter efficiency' : 'Converter efficiency'}
      unit="%"
      factor={0.01}
      value={load.converterEfficiency}
      auto={`${usual * 100}, usual`}
      min={30}
      max={100}
      onChange={onChange}
    />
  );
}

/** Loads of which only one runs at a time: they bring the worst moment down. */
function NeverTogether({ load }: { load: Load }) {
  const { job, edit } = useJob();
  const partners = job.neverTogether
    .filter((group) => group.includes(load.id))
    .flatMap((group) => group.filter((id) => id !== load.id));
  const others = job.loads.filter(
    ({ id, path }) => id !== load.id && !partners.includes(id) && path.startsWith('inverter'),
  );
  const nameOf = (id: string) => job.loads.find((other) => other.id === id)?.name ?? id;
  return (
    <div>
      <p className="text-note text-ink-2">Never runs together with</p>
      <ul>
        {partners.map((id) => (
          <li key={id} className="flex justify-between border-b border-line-2 py-1">
            {nameOf(id)}
            <button
              type="button"
              aria-label={`May run together with ${nameOf(id)}`}
              onClick={() => edit(setNeverTogether(load.id, id, false))}
              className="text-note text-ink-2 hover:text-ink phone:min-h-11"
            >
              may after all
            </button>
          </li>
        ))}
      </ul>
      <select
        aria-label="Add a load that never runs together with it"
        value=""
        onChange={(event) => edit(setNeverTogether(load.id, event.target.value, true))}
        className="min-h-8 w-full border-b border-line bg-transparent text-ink-2 phone:min-h-11"
      >
        <option value="">{partners.length > 0 ? 'and with…' : 'nothing set: choose…'}</option>
        {others.map((other) => (
          <option key={other.id} value={other.id}>
            {other.name}
          </option>
        ))}
      </select>
    </div>
  );
}
