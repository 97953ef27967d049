import { asKind, DEFAULT, type Load, loadOn, readInput, runningPowerW, withRunningPower } from '@joulemetric/core';
import { changeLoads, changeUses, duplicateLoad, type LoadChange, removeLoad } from '../../commands/loads.ts';
import { useAssessment, useEditing, useFed, useJob, useOption, usePanels } from '../../shell/JobContext.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { KeepForFirm } from '../../ui/KeepForFirm.tsx';
import { LedgerBar } from '../../ui/LedgerBar.tsx';
import { Num } from '../../ui/Number.tsx';
import { DeviceChoice } from './DeviceChoice.tsx';
import { DrawFields } from './DrawFields.tsx';
import { dayWords } from './dayWords.ts';
import { KIND_CHOICES, usesOfKind } from './kinds.ts';
import { NeverTogether } from './NeverTogether.tsx';
import { OtherDays } from './OtherDays.tsx';
import { Photos } from './Photos.tsx';
import { UseField } from './UseField.tsx';
import { Uses } from './Uses.tsx';
import { EVIDENCE_CHOICES, PATH_CHOICES, PATH_WORDS } from './words.ts';

/** Everything about one load. */
export function LoadDetail({ id }: { id: string }) {
  const { optionId, edit } = useEditing();
  const job = useFed();
  const assessment = useAssessment();
  const { close } = usePanels();
  const { day } = job.brief;
  const found = job.loads.find((other) => other.id === id);
  const load = found && loadOn(found, day);
  const entry = assessment.ledger.loads.find(({ loadId }) => loadId === id);
  if (!found || !load) return <p className="text-ink-2">This load has been removed.</p>;
  const change = (part: LoadChange, key?: string) =>
    edit(changeLoads(new Set([id]), part, optionId), key && `${id}.${key}`);
  const setUses = (uses: Load['uses'], key = 'uses') => edit(changeUses(id, day, uses), `${id}.${key}`);
  const findings = assessment.findings.filter(({ where }) => where.loadId === id);
  return (
    <div className="space-y-3" data-load-detail={id}>
      {entry && (
        <div>
          <p className="text-figure font-semibold">
            <Num value={entry.batteryWh} unit="Wh" />
          </p>
          <p className="pb-2 text-ink-2">
            from the store on {dayWords(day)}, <Num value={entry.usefulWh} unit="Wh" /> of it used
          </p>
          <LedgerBar parts={entry} scaleWh={entry.batteryWh} grows />
        </div>
      )}
      {findings.map((finding) => (
        <FindingLine key={finding.code} finding={finding} />
      ))}
      <TextField label="Name" required value={load.name} onChange={(name) => change({ name }, 'name')} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <QuantityField
          label="Power, one piece"
          read={readInput}
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
        <UseField load={load} onChange={setUses} />
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
          onChange={(kind) => change({ draw: asKind(kind, runningPowerW(load.draw)), uses: usesOfKind(kind, load) })}
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
      <Uses load={load} onChange={setUses} />
      <OtherDays load={found} />
      <DrawFields load={found} onChange={(part) => change(part, 'draw')} />
      <Choice label="Path" value={load.path} options={PATH_CHOICES} onChange={(path) => change({ path })} />
      <DeviceChoice load={load} onChange={(device) => change({ device })} />
      <OwnWay id={id} />
      <div className="grid grid-cols-2 gap-x-4 gap-y-3">
        <ConverterField load={load} onChange={(converterEfficiency) => change({ converterEfficiency }, 'converter')} />
        {load.path === 'fuel' && (
          <QuantityField
            label="Still takes from the bus"
            read={readInput}
            unit="W"
            value={load.residueW}
            min={0}
            max={2000}
            onChange={(value) => value !== null && change({ residueW: value }, 'residue')}
          />
        )}
        <QuantityField
          label="Start ÷ run"
          unit="×"
          value={load.startRatio}
          min={1}
          max={12}
          onChange={(value) => value !== null && change({ startRatio: value }, 'start')}
        />
        <QuantityField
          label="Start lasts"
          unit="s"
          value={load.startSeconds}
          auto="as usual"
          min={0.01}
          max={600}
          onChange={(startSeconds) => change({ startSeconds }, 'start-s')}
        />
        <QuantityField
          label="Power factor"
          unit=""
          value={load.powerFactor}
          min={0.1}
          max={1}
          onChange={(value) => value !== null && change({ powerFactor: value }, 'pf')}
        />
        <QuantityField
          label="Runs from"
          unit="V"
          value={load.minV}
          auto="not known"
          min={1}
          max={load.maxV ?? 500}
          onChange={(minV) => change({ minV }, 'minV')}
        />
        <QuantityField
          label="Bears up to"
          unit="V"
          value={load.maxV}
          auto="not known"
          min={load.minV ?? 1}
          max={500}
          onChange={(maxV) => change({ maxV }, 'maxV')}
        />
        <TextField label="Room" maxLength={40} value={load.room} onChange={(room) => change({ room }, 'room')} />
        <TextField
          label="Circuit"
          maxLength={40}
          value={load.circuit}
          onChange={(circuit) => change({ circuit }, 'circuit')}
        />
      </div>
      <div>
        <Tick label="Must never go off" on={load.critical} onChange={(critical) => change({ critical })} />
        <Tick label="Has a soft starter" on={load.softStart} onChange={(softStart) => change({ softStart })} />
        <Tick label="May be moved in time" on={load.movable} onChange={(movable) => change({ movable })} />
        <Tick label="Medical or precision device" on={load.sensitive} onChange={(sensitive) => change({ sensitive })} />
        <Tick
          label="Charges this very store"
          on={load.chargesStore}
          onChange={(chargesStore) => change({ chargesStore })}
        />
      </div>
      <Photos load={found} />
      <NeverTogether load={load} />
      <p className="flex flex-wrap gap-x-5 gap-y-2 border-t border-line pt-3">
        <button type="button" className="border-b border-mark phone:min-h-11" onClick={() => edit(duplicateLoad(id))}>
          Copy
        </button>
        <KeepForFirm load={found} />
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

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-2 py-0.5 phone:min-h-11">
      <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
      {label}
    </label>
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

/** Says that this option feeds the load in a way of its own, and takes that back. */
function OwnWay({ id }: { id: string }) {
  const { job, optionId, edit } = useJob();
  const option = useOption();
  const usual = job.loads.find((load) => load.id === id);
  if (!usual || !option.feeds.some(({ load }) => load === id)) return null;
  const { path, device, converterEfficiency } = usual;
  return (
    <p className="text-note text-ink-2">
      So in {option.name} only; usually {PATH_WORDS[path].short}.{' '}
      <button
        type="button"
        className="underline"
        onClick={() => edit(changeLoads(new Set([id]), { path, device, converterEfficiency }, optionId))}
      >
        As usual here too
      </button>
    </p>
  );
}
