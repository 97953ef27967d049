import { type CopperAt, DROP_LIMIT, formatNumber, IMPERIAL, showText } from '@joulemetric/core';
import { changeBrief, changeRules } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';

/** The copper of the whole job at 12 and at 24 V, and the schools that cables are reckoned by. */
export function Copper({ copper }: { copper: readonly CopperAt[] }) {
  const { job, edit } = useJob();
  const text = useText();
  const { cables } = job.rules;
  const { prices, region } = job.brief;
  const isMetric = region.units === 'metric';
  const change = (part: Partial<typeof cables>) => edit(changeRules({ cables: { ...cables, ...part } }), 'cables');
  const limits = DROP_LIMIT[cables.limits];
  return (
    <section
      aria-label="Copper and house rules"
      className="grid grid-cols-2 gap-x-10 gap-y-4 border-t border-line py-3 @max-[860px]:grid-cols-1"
    >
      <div>
        <h2 className="text-body font-semibold">
          Copper at 12 and at 24 V{' '}
          <span className="num font-normal text-note text-ink-2">this job, every size as it then needs</span>
        </h2>
        <table className="num mt-1 w-full text-right" aria-label="Copper at 12 and 24 V">
          <thead>
            <tr className="border-b border-ink text-note text-ink-2">
              <td />
              {copper.map(({ busV, isChosen }) => (
                <th
                  key={busV}
                  scope="col"
                  className={`py-1 pl-4 ${isChosen ? 'font-semibold text-ink' : 'font-normal'}`}
                >
                  {busV} V{isChosen ? ', as it is' : ''}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Line what="In all runs" values={copper.map(({ kg }) => text(kg, 'kg'))} />
            {prices.copperPerKg !== null && (
              <Line
                what="At your price"
                values={copper.map(({ money }) => `${formatNumber(money ?? 0)} ${region.currency}`)}
              />
            )}
            <Line what="Largest" values={copper.map(({ largest }) => largest)} />
            <Line
              what="Its fuse"
              values={copper.map(({ fuseA }) => (fuseA === null ? 'none fits' : showText(fuseA, 'A')))}
            />
            <Line what="Lost in all, a day" values={copper.map(({ lostWh }) => showText(lostWh, 'Wh'))} />
          </tbody>
        </table>
      </div>
      <div>
        <h2 className="text-body font-semibold">House rules for cables</h2>
        <div className="mt-1 grid grid-cols-2 items-start gap-x-5 gap-y-3">
          <Choice
            label="May be lost on the way"
            value={cables.limits}
            options={(['marine', 'caravan', 'strict'] as const).map((value) => ({
              value,
              label: DROP_LIMIT[value].name,
            }))}
            note={`${limits.says} (${limits.origin.source})`}
            onChange={(value) => change({ limits: value })}
          />
          <Choice
            label="Of which volts"
            value={cables.dropOf}
            options={[
              { value: 'bus', label: '12.0 or 24.0 V' },
              { value: 'chemistry', label: 'what the chemistry calls nominal' },
            ]}
            note="12.8 V for LFP: the same drop is a smaller share"
            onChange={(dropOf) => change({ dropOf })}
          />
          <Choice
            label="Cables side by side"
            value={cables.bundling}
            options={[
              { value: 'marine', label: '0.7 for 3, 0.6 for 4–6' },
              { value: 'building', label: '0.8 for 4–6, as in buildings' },
            ]}
            note="What is left of what one bears alone; codes differ"
            onChange={(bundling) => change({ bundling })}
          />
          <QuantityField
            label="Price of cable"
            unit={`${region.currency} for 1 ${isMetric ? 'kg' : 'lb'} of copper`}
            factor={isMetric ? 1 : IMPERIAL.kg.to(1)}
            min={0}
            max={10_000}
            auto="not given"
            value={prices.copperPerKg}
            onChange={(copperPerKg) => edit(changeBrief({ prices: { ...prices, copperPerKg } }), 'copper-price')}
          />
          <RegionField
            label="Copper that carries little"
            quantity="°C"
            min={-40}
            max={60}
            value={cables.coldC}
            onChange={(coldC) => change({ coldC: coldC ?? 20 })}
          />
          <RegionField
            label="Copper that carries what it may"
            quantity="°C"
            min={20}
            max={120}
            value={cables.hotC}
            onChange={(hotC) => change({ hotC: hotC ?? 70 })}
          />
          <QuantityField
            label="Branch at least"
            unit="mm²"
            min={0.2}
            max={50}
            auto="1.5 mm² or 16 AWG"
            value={cables.leastBranchMm2}
            onChange={(leastBranchMm2) => change({ leastBranchMm2 })}
          />
          <QuantityField
            label="Feeder of a fuse block at least"
            unit="mm²"
            min={0.2}
            max={100}
            auto="6 mm² or 10 AWG"
            value={cables.leastFeederMm2}
            onChange={(leastFeederMm2) => change({ leastFeederMm2 })}
          />
        </div>
      </div>
    </section>
  );
}

function Line({ what, values }: { what: string; values: readonly string[] }) {
  return (
    <tr className="border-b border-line-2">
      <th scope="row" className="py-1 text-left font-normal text-ink-2">
        {what}
      </th>
      {values.map((value, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the two voltages stand in a fixed order.
        <td key={i} className="whitespace-nowrap pl-4">
          {value}
        </td>
      ))}
    </tr>
  );
}
