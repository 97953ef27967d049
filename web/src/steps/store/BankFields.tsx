import {
  type BatteryString,
  blankString,
  CHEMISTRY,
  freeId,
  type PartOf,
  smallestBank,
  stringOf,
} from '@joulemetric/core';
import { changeStore } from '../../commands/design.ts';
import { useParts } from '../../edges/useParts.ts';
import { useAssessment, useEditing, useOption } from '../../shell/JobContext.tsx';
import { Button } from '../../ui/Button.tsx';
import { QuantityField, TextField } from '../../ui/Field.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { PriceField } from '../../ui/PriceField.tsx';
import { RegionField } from '../../ui/RegionField.tsx';

const MOST_STRINGS = 12;

/** What the bank is made of: left as required, or strings of units. */
export function BankFields() {
  const { edit, optionId } = useEditing();
  const { store, busVoltageV } = useOption().system;
  const { strings } = store;
  const replace = (next: readonly BatteryString[] | null, key: string) =>
    edit(changeStore(optionId, { strings: next && [...next] }), `store-${key}`);
  const add = () => {
    const list = strings ?? [];
    const number = list.length + 1;
    const id = freeId(
      `string-${number}`,
      list.map((one) => one.id),
    );
    const like = list.at(-1);
    const blank = { ...blankString(id, `String ${number}`, 100), unitV: 12, series: busVoltageV / 12 };
    replace([...list, like ? { ...like, id, name: `String ${number}` } : blank], 'more');
  };
  return (
    <div className="mt-2">
      {strings === null && (
        <p className="text-ink-2">
          No units are chosen yet: everything is reckoned with a bank of just the size needed.
        </p>
      )}
      {strings?.map((string) => (
        <StringFields
          key={string.id}
          string={string}
          onlyOne={strings.length === 1}
          onChange={(part, key) =>
            replace(
              strings.map((one) => (one === string ? { ...string, ...part } : one)),
              `${string.id}-${key}`,
            )
          }
          onRemove={() => replace(strings.length === 1 ? null : strings.filter((one) => one !== string), 'less')}
        />
      ))}
      {(strings?.length ?? 0) < MOST_STRINGS && (
        <p className="mt-2">
          <Button onClick={add}>{strings === null ? 'Choose the units' : 'Another string beside it'}</Button>
        </p>
      )}
    </div>
  );
}

function StringFields({
  string,
  onlyOne,
  onChange,
  onRemove,
}: {
  string: BatteryString;
  onlyOne: boolean;
  onChange: (part: Partial<BatteryString>, key: string) => void;
  onRemove: () => void;
}) {
  const { store, busVoltageV } = useOption().system;
  const { chemistry } = store;
  const { edit, optionId } = useEditing();
  const parts = useParts().all;
  const { figures } = useAssessment();
  const requiredWh = figures['store.required'].value;
  const currents = {
    longA: figures['peak.long'].value,
    worstA: figures['peak.current'].value,
    startA: figures['peak.start'].value,
  };
  const take = (part: PartOf<'battery'>, series: number, parallel: number) => {
    // A bank is of one chemistry: a part of another makes it that.
    if (part.chemistry !== chemistry)
      edit(changeStore(optionId, { chemistry: part.chemistry, usableDepth: null, roundTripEfficiency: null }));
    onChange({ ...stringOf(part, string), series, parallel }, 'part');
  };
  const takeSmallest = () => {
    const found = smallestBank(parts, chemistry, busVoltageV, { requiredWh, currents });
    if (found) take(found.part, found.series, found.parallel);
    return found !== null;
  };
  const data = CHEMISTRY[chemistry];
  const count = (key: 'series' | 'parallel', label: string) => (
    <QuantityField
      label={label}
      unit=""
      whole
      value={string[key]}
      min={1}
      max={24}
      onChange={(value) => value !== null && onChange({ [key]: value }, key)}
    />
  );
  return (
    <fieldset className="border-t border-line-2 py-2" data-string={string.id}>
      <legend className="sr-only">{string.name}</legend>
      <div className="grid grid-cols-5 items-end gap-x-5 gap-y-2 @max-[560px]:grid-cols-2">
        <QuantityField
          label={`${string.name}: a unit holds`}
          unit="Ah"
          value={string.capacityAh}
          atV={string.unitV ?? busVoltageV}
          min={0.5}
          max={20_000}
          onChange={(capacityAh) => capacityAh !== null && onChange({ capacityAh }, 'ah')}
        />
        <QuantityField
          label="A unit has"
          unit="V"
          value={string.unitV}
          auto="as the bus"
          min={2}
          max={60}
          onChange={(unitV) => onChange({ unitV }, 'volts')}
        />
        {count('series', 'In series')}
        {count('parallel', 'Side by side')}
        <PartPicker
          kind="battery"
          onPick={(part) => take(part, Math.max(1, Math.round(busVoltageV / part.unitV)), string.parallel)}
          onSmallest={onlyOne ? takeSmallest : undefined}
          onPlate={({ unitV, ...fields }) =>
            onChange(
              { ...fields, ...(unitV && { unitV, series: Math.max(1, Math.round(busVoltageV / unitV)) }) },
              'plate',
            )
          }
        />
      </div>
      <details className="mt-1">
        <summary className="cursor-pointer py-1 text-note text-ink-2 phone:min-h-11 phone:py-3">
          What else is known of it: measured capacity, limits, mass, price
        </summary>
        <div className="grid grid-cols-4 items-end gap-x-5 gap-y-2 pb-2 @max-[560px]:grid-cols-2">
          <TextField
            label="Called"
            required
            maxLength={60}
            value={string.name}
            onChange={(name) => onChange({ name }, 'name')}
          />
          <QuantityField
            label="Still has, measured"
            unit="%"
            factor={0.01}
            value={string.health}
            auto="as new"
            min={5}
            max={120}
            onChange={(health) => onChange({ health }, 'health')}
          />
          <QuantityField
            label="Charge, a unit"
            unit="A"
            value={string.chargeA}
            atV={string.unitV ?? busVoltageV}
            auto={`${data.chargeLimitC} C, usual`}
            min={0.1}
            max={2000}
            onChange={(chargeA) => onChange({ chargeA }, 'charge')}
          />
          <QuantityField
            label="Gives, a unit"
            unit="A"
            value={string.dischargeA}
            atV={string.unitV ?? busVoltageV}
            auto={`${data.dischargeLimitC} C, usual`}
            min={0.1}
            max={5000}
            onChange={(dischargeA) => onChange({ dischargeA }, 'discharge')}
          />
          <QuantityField
            label="Gives briefly, a unit"
            unit="A"
            value={string.shortA}
            atV={string.unitV ?? busVoltageV}
            auto={`${data.short.c} C, usual`}
            min={0.1}
            max={20_000}
            onChange={(shortA) => onChange({ shortA }, 'short')}
          />
          <QuantityField
            label="For"
            unit="s"
            value={string.shortS}
            auto={`${data.short.seconds} s, usual`}
            min={0.1}
            max={3600}
            onChange={(shortS) => onChange({ shortS }, 'short time')}
          />
          <QuantityField
            label="Resistance inside"
            unit="mΩ"
            value={string.resistanceMohm}
            auto="the usual"
            min={0.01}
            max={1000}
            onChange={(resistanceMohm) => onChange({ resistanceMohm }, 'resistance')}
          />
          <RegionField
            quantity="kg"
            label="Mass of a unit"
            value={string.kg}
            auto="the usual"
            min={0.1}
            max={2000}
            onChange={(kg) => onChange({ kg }, 'kg')}
          />
          <PriceField label="Price of a unit" value={string.price} onChange={(price) => onChange({ price }, 'price')} />
          <button
            type="button"
            onClick={onRemove}
            className="py-1 text-left text-note text-ink-2 underline phone:min-h-11"
          >
            Take it out
          </button>
        </div>
      </details>
    </fieldset>
  );
}
