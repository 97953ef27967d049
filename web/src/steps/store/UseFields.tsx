import { CHEMISTRY, chargingVoltageV, show } from '@joulemetric/core';
import { changeBusVoltage, changeStore } from '../../commands/design.ts';
import { useEditing, useOption } from '../../shell/JobContext.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';

const CHEMISTRIES = [
  { value: 'lfp', label: 'LFP' },
  { value: 'agm', label: 'AGM' },
  { value: 'gel', label: 'Gel' },
  { value: 'flooded', label: 'Flooded lead' },
  { value: 'starter', label: 'Starter battery' },
] as const;
const VOLTAGES = [
  { value: '12', label: '12 V' },
  { value: '24', label: '24 V' },
  { value: '48', label: '48 V' },
] as const;

/** A portable station often has one socket for all that fills it. */
const INPUTS = [
  { value: 'add', label: 'add up' },
  { value: 'one', label: 'one at a time' },
] as const;

/** What it is and how it is used: whatever its units are. */
export function UseFields() {
  const { edit, optionId } = useEditing();
  const { store, busVoltageV } = useOption().system;
  return (
    <section
      aria-label="How it is used"
      className="grid grid-cols-5 items-end gap-x-5 gap-y-2 border-t border-line py-3 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2"
    >
      <Choice
        label="Bus"
        value={String(busVoltageV) as '12' | '24' | '48'}
        options={VOLTAGES}
        onChange={(volts) => edit(changeBusVoltage(optionId, Number(volts) as 12 | 24 | 48))}
      />
      <Choice
        label="Chemistry"
        value={store.chemistry}
        options={CHEMISTRIES}
        onChange={(chemistry) =>
          edit(changeStore(optionId, { chemistry, usableDepth: null, roundTripEfficiency: null }))
        }
      />
      <QuantityField
        label="Depth used"
        unit="%"
        factor={0.01}
        value={store.usableDepth}
        auto={store.chemistry === 'lfp' ? '80, usual' : '50, usual'}
        min={10}
        max={100}
        onChange={(usableDepth) => edit(changeStore(optionId, { usableDepth }), 'store-depth')}
      />
      <RegionField
        quantity="°C"
        label="Coldest it gets"
        value={store.coldestC}
        min={-40}
        max={50}
        onChange={(coldestC) => coldestC !== null && edit(changeStore(optionId, { coldestC }), 'store-cold')}
      />
      <QuantityField
        label="Out ÷ in"
        unit="%"
        factor={0.01}
        value={store.roundTripEfficiency}
        auto="the usual"
        min={50}
        max={100}
        onChange={(roundTripEfficiency) => edit(changeStore(optionId, { roundTripEfficiency }), 'store-round')}
      />
      <QuantityField
        label="Charging voltage, mean"
        unit="V"
        value={store.chargeV}
        auto={`${show(chargingVoltageV({ store: { ...store, chargeV: null }, busVoltageV }), 'V').number}, usual`}
        min={6}
        max={70}
        onChange={(chargeV) => edit(changeStore(optionId, { chargeV }), 'store-charge-v')}
      />
      <QuantityField
        label="Self-discharge"
        unit="% a month"
        factor={0.01}
        value={store.selfDischarge}
        auto={`${CHEMISTRY[store.chemistry].selfDischarge * 100}, usual`}
        min={0}
        max={50}
        onChange={(selfDischarge) => edit(changeStore(optionId, { selfDischarge }), 'store-self')}
      />
      <QuantityField
        label="Heater in it"
        unit="W"
        value={store.heaterW}
        auto="none"
        min={1}
        max={1000}
        onChange={(heaterW) => edit(changeStore(optionId, { heaterW }), 'store-heater')}
      />
      <Choice
        label="Its inputs"
        value={store.inputs}
        options={INPUTS}
        onChange={(inputs) => edit(changeStore(optionId, { inputs }))}
      />
      <QuantityField
        label="Takes in at most"
        unit="W"
        value={store.inputW}
        auto="what comes"
        min={5}
        max={50_000}
        onChange={(inputW) => edit(changeStore(optionId, { inputW }), 'store-input')}
      />
      <RegionField
        label="Leads, one way"
        quantity="m"
        value={store.leadM}
        usual={1.5}
        min={0.1}
        max={30}
        onChange={(leadM) => edit(changeStore(optionId, { leadM }), 'store-lead')}
      />
    </section>
  );
}
