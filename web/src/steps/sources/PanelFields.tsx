import { groupOf, type PanelGroup } from '@joulemetric/core';
import { QuantityField, TextField } from '../../ui/Field.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { PriceField } from '../../ui/PriceField.tsx';
import { RegionField } from '../../ui/RegionField.tsx';

type Change = (part: Partial<PanelGroup>, key: string) => void;

/** Like panels of an array, as their label says. */
export function PanelFields({
  group,
  onChange,
  onRemove,
  onSmallest,
}: {
  group: PanelGroup;
  onChange: Change;
  /** Where it is the only group: as many as the day asks. */
  onSmallest?: (() => boolean) | undefined;
  onRemove: () => void;
}) {
  const label = (key: 'vmpV' | 'impA' | 'vocV' | 'iscA', text: string, unit: 'V' | 'A', max: number) => (
    <QuantityField
      label={text}
      unit={unit}
      value={group[key]}
      auto="not known"
      min={unit === 'V' ? 0.5 : 0.05}
      max={max}
      onChange={(value) => onChange({ [key]: value }, key)}
    />
  );
  const count = (key: 'series' | 'parallel', text: string) => (
    <QuantityField
      label={text}
      unit=""
      whole
      value={group[key]}
      min={1}
      max={24}
      onChange={(value) => value !== null && onChange({ [key]: value }, key)}
    />
  );
  return (
    <fieldset className="mt-2 border-t border-line-2 pt-2" data-panels={group.id}>
      <legend className="sr-only">{group.name}</legend>
      <div className="grid grid-cols-8 items-end gap-x-4 gap-y-2 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2">
        <QuantityField
          label={`${group.name}: one has`}
          unit="W"
          value={group.ratingW}
          min={1}
          max={2000}
          onChange={(ratingW) => ratingW !== null && onChange({ ratingW }, 'watts')}
        />
        {label('vmpV', 'Best point', 'V', 500)}
        {label('impA', 'Best point', 'A', 100)}
        {label('vocV', 'Open', 'V', 600)}
        {label('iscA', 'Short-circuited', 'A', 120)}
        {count('series', 'In series')}
        {count('parallel', 'Side by side')}
        <PartPicker
          kind="panel"
          onPick={(part) => onChange(groupOf(part, group), 'part')}
          onSmallest={onSmallest}
          onPlate={(fields) => onChange(fields, 'plate')}
        />
      </div>
      <details className="mt-1">
        <summary className="cursor-pointer py-1 text-note text-ink-2 phone:min-h-11 phone:py-3">
          What else is known of it: heat, size, mass, price
        </summary>
        <div className="grid grid-cols-4 items-end gap-x-5 gap-y-2 pb-2 @max-[560px]:grid-cols-2">
          <TextField
            label="Called"
            required
            maxLength={60}
            value={group.name}
            onChange={(name) => onChange({ name }, 'name')}
          />
          <QuantityField
            label="Watts for each K"
            unit="%"
            factor={0.01}
            value={group.powerPerK}
            auto="−0.4, usual"
            min={-1}
            max={0}
            onChange={(powerPerK) => onChange({ powerPerK }, 'power-heat')}
          />
          <QuantityField
            label="Open volts for each K"
            unit="%"
            factor={0.01}
            value={group.vocPerK}
            auto="−0.29, usual"
            min={-1}
            max={0}
            onChange={(vocPerK) => onChange({ vocPerK }, 'volts-heat')}
          />
          <QuantityField
            label="Short-circuit amps for each K"
            unit="%"
            factor={0.01}
            value={group.iscPerK}
            auto="0.05, usual"
            min={-0.1}
            max={0.5}
            onChange={(iscPerK) => onChange({ iscPerK }, 'amps-heat')}
          />
          <RegionField
            quantity="°C"
            label="NOCT"
            value={group.noctC}
            usual={45}
            min={20}
            max={80}
            onChange={(noctC) => onChange({ noctC }, 'noct')}
          />
          <RegionField
            label="Longer side"
            quantity="m"
            value={group.lengthM}
            auto="by its area"
            min={0.1}
            max={4}
            onChange={(lengthM) => onChange({ lengthM }, 'length')}
          />
          <RegionField
            label="Covers"
            quantity="m²"
            value={group.areaM2}
            auto="the usual"
            min={0.01}
            max={10}
            onChange={(areaM2) => onChange({ areaM2 }, 'area')}
          />
          <RegionField
            quantity="kg"
            label="Mass of one"
            value={group.kg}
            auto="the usual"
            min={0.05}
            max={100}
            onChange={(kg) => onChange({ kg }, 'kg')}
          />
          <PriceField
            label="Price of one"
            value={group.price}
            max={100_000}
            onChange={(price) => onChange({ price }, 'price')}
          />
          <button
            type="button"
            onClick={onRemove}
            className="justify-self-start py-1 text-left text-note text-ink-2 underline phone:min-h-11"
          >
            Take them out
          </button>
        </div>
      </details>
    </fieldset>
  );
}
