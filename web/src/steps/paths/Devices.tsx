import {
  type Device,
  formatNumber,
  type Inverter,
  inverterOf,
  readField,
  smallestInverter,
  usualOf,
} from '@joulemetric/core';
import { addDevice, changeDevice, type DeviceChange, removeDevice } from '../../commands/design.ts';
import { useParts } from '../../edges/useParts.ts';
import { useEditing, useJob, useOption, useShown, useView } from '../../shell/JobContext.tsx';
import { BoughtFields } from '../../ui/BoughtFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField, TextField, useDraft } from '../../ui/Field.tsx';
import { HoursField } from '../../ui/HoursField.tsx';
import { InverterRating } from '../../ui/InverterRating.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { TypedField } from '../../ui/TypedField.tsx';

/** What stands between the bus and the loads in this option: sizes, losses, when it is on. */
export function Devices() {
  const { edit, optionId } = useEditing();
  const whatIf = useShown((shown) => shown.whatIf);
  const { devices } = useOption().system;
  if (whatIf.length > 0) {
    return (
      <p className="mt-5 border-t border-line pt-3 text-ink-2">
        Devices are changed in the job itself: make or drop the what-if first.
      </p>
    );
  }
  return (
    <section aria-label="Devices" className="mt-5">
      <h2 className="border-b border-ink pb-1 text-body font-semibold">Inverters, converters, ports</h2>
      {devices.map((device) => (
        <DeviceRow
          key={device.id}
          device={device}
          last={devices.filter(({ kind }) => kind === 'inverter').length === 1 && device.kind === 'inverter'}
        />
      ))}
      <div className="flex flex-wrap gap-3 pt-3">
        {(['inverter', 'converter', 'port'] as const).map((kind) => (
          <Button key={kind} disabled={devices.length >= 12} onClick={() => edit(addDevice(optionId, kind))}>
            {ADD[kind]}
          </Button>
        ))}
      </div>
    </section>
  );
}

const ADD = { inverter: 'Another inverter', converter: 'A shared converter', port: 'A station’s port' } as const;

const POLICIES = [
  { value: 'with-loads', label: 'with its loads' },
  { value: 'always', label: 'all day' },
  { value: 'hours', label: 'at set hours' },
  { value: 'manual', label: 'by hand' },
] as const;

function DeviceRow({ device, last }: { device: Device; last: boolean }) {
  const { job, edit, optionId } = useJob();
  const change: Change = (part, key) => edit(changeDevice(optionId, device.id, part), key && `${device.id}.${key}`);
  const usual = usualOf(device.kind);
  const fed = job.loads.filter((load) => load.device === device.id).length;
  return (
    <div
      data-device={device.id}
      className="grid grid-cols-5 gap-x-5 gap-y-2.5 border-b border-line py-3 @max-[860px]:grid-cols-3 @max-[560px]:grid-cols-2"
    >
      <TextField
        label="Called"
        required
        maxLength={60}
        value={device.name}
        onChange={(name) => change({ name }, 'name')}
      />
      <SizeFields device={device} change={change} />
      <QuantityField
        label="Idle, data sheet"
        unit="W"
        value={device.idleW}
        auto={device.points.length > 1 ? 'as fitted' : `${formatNumber(usual.idleShare.value * 100, 1)} % of rating`}
        min={0}
        max={500}
        onChange={(idleW) => change({ idleW }, 'idle')}
      />
      <QuantityField
        label="Best efficiency"
        unit="%"
        factor={0.01}
        value={device.peakEfficiency}
        auto={device.points.length > 1 ? 'as fitted' : `${formatNumber(usual.peak.value * 100)}, usual`}
        min={30}
        max={99.9}
        onChange={(peakEfficiency) => change({ peakEfficiency }, 'peak')}
      />
      {device.kind !== 'port' && (
        <QuantityField
          label="Shuts off below"
          unit="V at its terminals"
          value={device.cutOffV}
          auto="10.5 for each 12"
          min={3}
          max={60}
          onChange={(cutOffV) => change({ cutOffV }, 'cut-off')}
        />
      )}
      <PointsField device={device} onChange={(points) => change({ points }, 'points')} />
      <Choice label="Switched on" value={device.policy} options={POLICIES} onChange={(policy) => change({ policy })} />
      {device.policy === 'manual' && (
        <QuantityField
          label="Left on for nothing, a day"
          unit="h"
          value={device.leftOnH}
          min={0}
          max={24}
          onChange={(leftOnH) => leftOnH !== null && change({ leftOnH }, 'left')}
        />
      )}
      {device.policy === 'hours' && (
        <HoursField label="From-to" most={12} hours={device.hours} onChange={(hours) => change({ hours }, 'hours')} />
      )}
      {device.kind === 'inverter' && <SineFields device={device} change={change} />}
      {!last && (
        <p className="self-end">
          <button
            type="button"
            onClick={() => edit(removeDevice(optionId, device.id))}
            className="border-b border-mark text-note text-ink-2 hover:text-stop phone:min-h-11"
          >
            Remove {device.name}
            {fed > 0 && `, feeding ${fed}`}
          </button>
        </p>
      )}
    </div>
  );
}

type Change = (part: DeviceChange, key?: string) => void;

function SizeFields({ device, change }: { device: Device; change: Change }) {
  if (device.kind === 'inverter') {
    return (
      <>
        <InverterRating label="Rating" device={device} onChange={(ratingW) => change({ ratingW }, 'rating')} />
        <InverterPart device={device} change={change} />
      </>
    );
  }
  if (device.kind === 'converter') {
    return (
      <>
        <Choice
          label="Gives"
          value={String(device.outputV)}
          options={VOLTAGES}
          onChange={(volts) => change({ outputV: Number(volts) as typeof device.outputV })}
        />
        <QuantityField
          label="At most"
          unit="W"
          value={device.ratingW}
          min={1}
          max={10_000}
          onChange={(ratingW) => ratingW !== null && change({ ratingW }, 'rating')}
        />
      </>
    );
  }
  return (
    <>
      <QuantityField
        label="Gives"
        unit="V"
        value={device.outputV}
        min={5}
        max={240}
        onChange={(outputV) => outputV !== null && change({ outputV }, 'volts')}
      />
      <QuantityField
        label="Shuts off at"
        unit="A"
        value={device.limitA}
        auto="no limit in A"
        min={0.1}
        max={100}
        onChange={(limitA) => change({ limitA }, 'limitA')}
      />
      <QuantityField
        label="or at"
        unit="W"
        value={device.limitW}
        auto="no limit in W"
        min={1}
        max={10_000}
        onChange={(limitW) => change({ limitW }, 'limitW')}
      />
    </>
  );
}

/** A unit of the parts list, with its losses; what was measured of the one before goes. */
function InverterPart({ device, change }: { device: Inverter; change: Change }) {
  const parts = useParts().all;
  const { inverters } = useView();
  const requiredW = inverters.find((one) => one.device.id === device.id)?.need.requiredW ?? 0;
  const takeSmallest = () => {
    const found = smallestInverter(parts, requiredW);
    if (found) change(inverterOf(found));
    return found !== null;
  };
  return (
    <PartPicker
      kind="inverter"
      onPick={(part) => change(inverterOf(part))}
      onSmallest={requiredW > 0 ? takeSmallest : undefined}
      onPlate={(fields) => change(fields, 'plate')}
    />
  );
}

const VOLTAGES = ['5', '9', '12', '15', '19', '20', '24', '48'].map((value) => ({ value, label: `${value} V` }));

function SineFields({ device, change }: { device: Extract<Device, { kind: 'inverter' }>; change: Change }) {
  const { search } = device;
  const isBoxed = useOption().system.allInOnes.some(({ inverter }) => inverter === device.id);
  return (
    <>
      {!isBoxed && <BoughtFields bought={device} usualKg="the usual for its W" onChange={change} />}
      <Choice
        label="Wave"
        value={device.waveform}
        options={[
          { value: 'pure', label: 'pure sine' },
          { value: 'stepped', label: 'stepped' },
        ]}
        onChange={(waveform) => change({ waveform })}
      />
      <QuantityField
        label="Search mode takes"
        unit="W"
        value={search?.idleW ?? null}
        auto="off"
        min={0}
        max={200}
        onChange={(idleW) =>
          change({ search: idleW === null ? null : { idleW, wakeW: search?.wakeW ?? 15 } }, 'search')
        }
      />
      {search && (
        <QuantityField
          label="Wakes from"
          unit="W"
          value={search.wakeW}
          min={0}
          max={500}
          onChange={(wakeW) => wakeW !== null && change({ search: { ...search, wakeW } }, 'wake')}
        />
      )}
    </>
  );
}

/** Pairs as they are read off two meters: "76 > 117, 574 > 672" or "76/117 574/672", W out first. */
function PointsField({ device, onChange }: { device: Device; onChange: (points: Device['points']) => void }) {
  const shown = device.points.map(({ outW, inW }) => `${outW} > ${inW}`).join(', ');
  const field = useDraft(shown, (text) => {
    const read = readPairs(text);
    if ('problem' in read) return read.problem;
    onChange(read.points);
    return null;
  });
  return <TypedField label="Measured, W out > W in" placeholder="none: 76 > 117, 574 > 672" field={field} />;
}

function readPairs(text: string): { points: Device['points'] } | { problem: string } {
  const parts = text.split(/[,;\n]+/).filter((part) => part.trim() !== '');
  const points: Device['points'] = [];
  for (const part of parts) {
    const pair = part.split(/>|\/|→|=/).map((one) => readField(one, 'power'));
    const [out, taken] = pair;
    if (pair.length !== 2 || !out || !taken || 'problem' in out || 'problem' in taken)
      return { problem: `“${part.trim()}” is no pair such as 76 > 117` };
    if (!(out.value > 0)) return { problem: 'W out must be above 0; idle has a field of its own' };
    if (taken.value < out.value)
      return { problem: `${part.trim()}: it cannot give more than it takes; W out comes first` };
    if (out.value > 40_000 || taken.value > 60_000) return { problem: 'At most 40 000 W' };
    points.push({ outW: out.value, inW: taken.value });
  }
  return points.length > 24 ? { problem: 'At most 24 pairs' } : { points };
}
