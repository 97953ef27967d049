import { changeBusVoltage, changeStore } from '../../commands/design.ts';
import { useJob, useOption, useView } from '../../shell/JobContext.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FitRow, useFindings } from '../../ui/FitRow.tsx';
import { Parts } from '../../ui/Parts.tsx';
import { RegionField } from '../../ui/RegionField.tsx';

const CHEMISTRIES = [
  { value: 'lfp', label: 'LFP' },
  { value: 'agm', label: 'AGM' },
  { value: 'gel', label: 'Gel' },
  { value: 'flooded', label: 'Flooded lead' },
] as const;
const VOLTAGES = [
  { value: '12', label: '12 V' },
  { value: '24', label: '24 V' },
  { value: '48', label: '48 V' },
] as const;

/** The battery bank: what it must hold, and what is chosen of it. */
export function StoreRow() {
  const { edit, optionId } = useJob();
  const view = useView();
  const { store, busVoltageV } = useOption().system;
  const findings = useFindings('store.capacity', 'peak.current', 'mass.kit');
  const days = Math.max(1, view.job.brief.sunlessDays);
  return (
    <FitRow
      name="Store"
      size={<Fig id="store.ah" />}
      aside={
        <>
          at {busVoltageV} V · <Fig id="store.capacity" />
        </>
      }
      findings={findings}
      why={
        <>
          For {days} sunless {days === 1 ? 'day' : 'days'}: <Fig id="store.required" after="," /> which is{' '}
          <Fig id="store.ah12" /> at 12 V or <Fig id="store.ah24" /> at 24 V. Usable <Fig id="store.usable" /> lasts{' '}
          <Fig id="store.daysOld" /> old and at its coldest, <Fig id="store.days" /> new. Gives up to{' '}
          <Fig id="peak.current" /> at the worst moment.
        </>
      }
    >
      <Parts
        parts={store.strings}
        name="String"
        unit="Ah"
        kind="charge"
        min={1}
        max={20_000}
        most={12}
        sizeOf={({ capacityAh }) => capacityAh}
        withValue={(string, capacityAh) => ({ ...string, capacityAh })}
        blank={{ id: 'string', name: 'String', capacityAh: 100 }}
        onChange={(strings, key) => edit(changeStore(optionId, { strings }), `store-${key}`)}
      />
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
        label="Out ÷ in, round trip"
        unit="%"
        factor={0.01}
        value={store.roundTripEfficiency}
        auto="the usual"
        min={50}
        max={100}
        onChange={(roundTripEfficiency) => edit(changeStore(optionId, { roundTripEfficiency }), 'store-round')}
      />
    </FitRow>
  );
}
