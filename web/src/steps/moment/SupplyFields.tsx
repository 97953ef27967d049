import { MAINS_V, type Supply } from '@joulemetric/core';
import { changeSupply, type SupplyChange } from '../../commands/supplies.ts';
import { useEditing, useJob } from '../../shell/JobContext.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';

type Change = (part: SupplyChange, key: string) => void;

const SHARES = [
  { value: 'usual', label: '90 %, usual' },
  { value: '0.8', label: '80 %, for hours' },
  { value: '0.85', label: '85 %' },
  { value: '1', label: 'all of it' },
] as const;

/** What a supply is: its breaker or rating, and the share of it that is used. */
export function SupplyFields({ supply }: { supply: Supply }) {
  const { edit } = useEditing();
  const change: Change = (part, key) => edit(changeSupply(supply.id, part), `${supply.id}.${key}`);
  const shown = supply.share === null ? 'usual' : String(supply.share);
  const shares = SHARES.some(({ value }) => value === shown)
    ? SHARES
    : [...SHARES, { value: shown, label: `${Math.round(Number(shown) * 1000) / 10} %` }];
  return (
    <div className="grid grid-cols-3 content-start gap-x-5 gap-y-2 @max-[560px]:grid-cols-2">
      <TextField
        label="Called"
        required
        maxLength={60}
        value={supply.name}
        onChange={(name) => change({ name }, 'name')}
      />
      <Limits supply={supply} change={change} />
      <Choice
        label="Used of it"
        value={shown}
        options={shares}
        onChange={(share) => change({ share: share === 'usual' ? null : Number(share) }, 'share')}
      />
    </div>
  );
}

/** Common breakers by region: 6 to 16 A at 230 V, 15 to 50 A at 120 V. Common practice. */
const BREAKERS = { '230V-50Hz': [6, 10, 15, 16], '120V-60Hz': [15, 20, 30, 50] } as const;

/** A 50 A socket at 120 V has two legs. Common practice. */
const TWO_LEGS_FROM_A = 50;

function Limits({ supply, change }: { supply: Supply; change: Change }) {
  const { job } = useJob();
  if (supply.kind === 'hookup') {
    const breakers = BREAKERS[job.brief.region.mains];
    return (
      <>
        <div>
          <QuantityField
            label="Breaker"
            unit="A"
            value={supply.amps}
            atV={MAINS_V[job.brief.region.mains]}
            min={1}
            max={200}
            onChange={(amps) => amps !== null && change({ amps }, 'amps')}
          />
          <p className="num -ml-1.5 text-note text-ink-2">
            {breakers.map((amps) => (
              <button
                key={amps}
                type="button"
                aria-label={`${amps} A`}
                onClick={() => change({ amps, legs: amps === TWO_LEGS_FROM_A ? 2 : 1 }, 'amps')}
                className="min-h-6 min-w-6 px-1.5 underline decoration-mark underline-offset-4 hover:text-ink phone:min-h-11"
              >
                {amps}
              </button>
            ))}
          </p>
        </div>
        <QuantityField
          label="Volts of a leg"
          unit="V"
          value={supply.volts}
          min={90}
          max={260}
          onChange={(volts) => volts !== null && change({ volts }, 'volts')}
        />
        <Choice
          label="Legs"
          value={String(supply.legs) as '1' | '2'}
          options={[
            { value: '1', label: 'one' },
            { value: '2', label: 'two, loads spread' },
          ]}
          onChange={(legs) => change({ legs: legs === '2' ? 2 : 1 }, 'legs')}
        />
      </>
    );
  }
  return (
    <>
      <QuantityField
        label="Gives for hours"
        unit="W"
        value={supply.ratedW}
        min={supply.kind === 'generator' ? 100 : 50}
        max={supply.kind === 'generator' ? 100_000 : 30_000}
        onChange={(ratedW) => ratedW !== null && change({ ratedW }, 'rated')}
      />
      <QuantityField
        label="Bears at a start"
        unit="W"
        value={supply.startW}
        auto="no more"
        min={supply.kind === 'generator' ? 100 : 50}
        max={supply.kind === 'generator' ? 200_000 : 60_000}
        onChange={(startW) => change({ startW }, 'start')}
      />
      {supply.kind === 'generator' && (
        <>
          <QuantityField
            label="VA on its label"
            unit="VA"
            value={supply.ratedVa}
            auto="not given"
            min={100}
            max={150_000}
            onChange={(ratedVa) => change({ ratedVa }, 'va')}
          />
          <RegionField
            label="Runs at"
            quantity="m"
            value={supply.altitudeM}
            min={-400}
            max={5500}
            note="above the sea"
            onChange={(altitudeM) => altitudeM !== null && change({ altitudeM }, 'altitude')}
          />
        </>
      )}
    </>
  );
}
