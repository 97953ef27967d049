import { type Draw, type Load, readInput, showText, withPhases } from '@joulemetric/core';
import { useAssessment } from '../../shell/JobContext.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';

type Of<K extends Draw['kind']> = Extract<Draw, { kind: K }>;
type ChangeLoad = (part: Partial<Pick<Load, 'draw' | 'uses' | 'variants'>>) => void;
interface FieldsOf<K extends Draw['kind']> {
  readonly draw: Of<K>;
  readonly onChange: (draw: Of<K>) => void;
}

/** The parts of a draw beyond its power, by its kind. */
export function DrawFields({ load, onChange: change }: { load: Load; onChange: ChangeLoad }) {
  const { draw } = load;
  const onChange = (next: Draw) => change({ draw: next });
  switch (draw.kind) {
    case 'thermostatic':
      return (
        <>
          <ThermostaticFields draw={draw} onChange={onChange} />
          <AtBothTemperatures load={load} draw={draw} />
        </>
      );
    case 'water-heating':
      return <WaterFields draw={draw} onChange={onChange} />;
    case 'room':
      return <RoomFields draw={draw} onChange={onChange} />;
    case 'cycle':
      return <Phases load={load} draw={draw} onChange={change} />;
    default:
      return null;
  }
}

const PAIR = 'grid grid-cols-2 gap-x-4 gap-y-3';

function ThermostaticFields({ draw, onChange }: FieldsOf<'thermostatic'>) {
  return (
    <div className={PAIR}>
      <QuantityField
        label="Duty"
        unit="%"
        factor={0.01}
        value={draw.duty}
        min={0}
        max={100}
        onChange={(duty) => duty !== null && onChange({ ...draw, duty })}
      />
      <RegionField
        quantity="°C"
        label="Duty is at"
        value={draw.dutyAtC}
        auto="any: not scaled"
        min={Math.max(-20, draw.setC + 1)}
        max={60}
        onChange={(dutyAtC) => onChange({ ...draw, dutyAtC })}
      />
      <RegionField
        quantity="°C"
        label="Holds"
        value={draw.setC}
        min={-40}
        max={20}
        onChange={(setC) => setC !== null && onChange({ ...draw, setC })}
      />
    </div>
  );
}

/** What its duty makes of a day where it was said, and in the job's air: both, so that neither surprises. */
function AtBothTemperatures({ load, draw }: { load: Load; draw: Of<'thermostatic'> }) {
  const { ledger } = useAssessment();
  const text = useText();
  const hereWh = ledger.loads.find(({ loadId }) => loadId === load.id)?.usefulWh;
  const { dutyAtC } = draw;
  if (hereWh === undefined || hereWh === 0) return null;
  const saidWh =
    (load.quantity * draw.runningW * draw.duty * load.uses.reduce((sum, { minutes }) => sum + minutes, 0)) / 60;
  return (
    <p className="pt-2 text-note text-ink-2">
      {dutyAtC === null
        ? `${showText(hereWh, 'Wh')} a day in any weather, as it is said.`
        : `${showText(saidWh, 'Wh')} a day at ${text(dutyAtC, '°C')} → ${showText(hereWh, 'Wh')} in this job's air.`}
    </p>
  );
}

function WaterFields({ draw, onChange }: FieldsOf<'water-heating'>) {
  return (
    <div className={PAIR}>
      <QuantityField
        label="Heated a day"
        unit="l"
        value={draw.litres}
        min={0}
        max={1000}
        onChange={(litres) => litres !== null && onChange({ ...draw, litres })}
      />
      <QuantityField
        label="Made warmer by"
        unit="K"
        value={draw.riseK}
        min={0}
        max={95}
        onChange={(riseK) => riseK !== null && onChange({ ...draw, riseK })}
      />
      <QuantityField
        label="Reaches the water"
        unit="%"
        factor={0.01}
        value={draw.efficiency}
        min={20}
        max={100}
        onChange={(efficiency) => efficiency !== null && onChange({ ...draw, efficiency })}
      />
      <QuantityField
        label="Tank loses"
        unit="W"
        value={draw.standingW}
        min={0}
        max={500}
        onChange={(standingW) => standingW !== null && onChange({ ...draw, standingW })}
      />
    </div>
  );
}

const MODES = [
  { value: 'cooling', label: 'cools' },
  { value: 'heating', label: 'heats' },
] as const;
const INSULATIONS = [
  { value: 'bare', label: 'bare metal' },
  { value: 'light', label: 'light' },
  { value: 'good', label: 'good' },
  { value: 'thick', label: 'thick' },
] as const;

function RoomFields({ draw, onChange }: FieldsOf<'room'>) {
  return (
    <div className={PAIR}>
      <Choice label="It" value={draw.mode} options={MODES} onChange={(mode) => onChange({ ...draw, mode })} />
      <RegionField
        quantity="°C"
        label="Holds inside"
        value={draw.setC}
        min={-5}
        max={40}
        onChange={(setC) => setC !== null && onChange({ ...draw, setC })}
      />
      <QuantityField
        label="Moves heat at"
        unit="W"
        value={draw.capacityW}
        min={50}
        max={30_000}
        onChange={(capacityW) => capacityW !== null && onChange({ ...draw, capacityW })}
      />
      <QuantityField
        label="Heat ÷ electricity"
        unit=""
        value={draw.cop}
        min={0.5}
        max={8}
        onChange={(cop) => cop !== null && onChange({ ...draw, cop })}
      />
      <QuantityField
        label="Room"
        unit="m³"
        value={draw.volumeM3}
        min={0.5}
        max={200}
        onChange={(volumeM3) => volumeM3 !== null && onChange({ ...draw, volumeM3 })}
      />
      <Choice
        label="Insulation"
        value={draw.insulation}
        options={INSULATIONS}
        onChange={(insulation) => onChange({ ...draw, insulation })}
      />
      <QuantityField
        label="Glass in the sun"
        unit="m²"
        value={draw.glazingM2}
        min={0}
        max={30}
        onChange={(glazingM2) => glazingM2 !== null && onChange({ ...draw, glazingM2 })}
      />
      <QuantityField
        label="People and things give"
        unit="W"
        value={draw.internalW}
        min={0}
        max={5000}
        onChange={(internalW) => internalW !== null && onChange({ ...draw, internalW })}
      />
    </div>
  );
}

/** The phases of a cycle, each with its watts and minutes; an empty length fills the rest of the use. */
function Phases({ load, draw, onChange }: { load: Load; draw: Of<'cycle'>; onChange: ChangeLoad }) {
  const { phases } = draw;
  const set = (index: number, part: Partial<(typeof phases)[number]>) =>
    onChange(
      withPhases(
        load,
        phases.map((phase, i) => (i === index ? { ...phase, ...part } : phase)),
      ),
    );
  const filled = phases.some(({ minutes }) => minutes === null);
  return (
    <div>
      <ol>
        {phases.map((phase, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a phase is known by its place while its fields are edited.
          <li key={index} className="grid grid-cols-[1fr_1fr_1.5fr_16px] items-end gap-x-2.5 gap-y-1 py-1.5">
            <div className="col-span-full">
              <TextField label="Phase" value={phase.label} maxLength={40} onChange={(label) => set(index, { label })} />
            </div>
            <QuantityField
              label="Power"
              read={readInput}
              unit="W"
              value={phase.powerW}
              min={0}
              max={20_000}
              onChange={(powerW) => powerW !== null && set(index, { powerW })}
            />
            <QuantityField
              label="For"
              unit="min"
              value={phase.minutes}
              min={0.01}
              max={1440}
              {...(phase.minutes === null || !filled ? { auto: 'the rest' } : {})}
              onChange={(minutes) => set(index, { minutes })}
            />
            <QuantityField
              label="Starting factor"
              unit="×"
              value={phase.startRatio}
              auto={String(load.startRatio)}
              min={1}
              max={12}
              onChange={(startRatio) => set(index, { startRatio })}
            />
            <button
              type="button"
              disabled={phases.length < 2}
              aria-label={`Remove the phase ${phase.label}`}
              onClick={() => onChange(withPhases(load, phases.toSpliced(index, 1)))}
              className="pb-1 text-total text-ink-2 hover:text-ink disabled:opacity-40 phone:min-h-11"
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      <button
        type="button"
        disabled={phases.length >= 12}
        onClick={() =>
          onChange(withPhases(load, [...phases, { label: 'phase', powerW: 50, minutes: 10, startRatio: null }]))
        }
        className="mt-1 border-b border-mark text-note phone:min-h-11"
      >
        One more phase
      </button>
    </div>
  );
}
