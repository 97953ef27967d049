import {
  blankLink,
  type DrivingLink,
  formatNumber,
  freeId,
  type LinkDetail,
  linkOf,
  showText,
  smallestLink,
} from '@joulemetric/core';
import { changeAlternator, changeBrief, changeSources } from '../../commands/design.ts';
import { useParts } from '../../edges/useParts.ts';
import { useJob, useOption, useShown } from '../../shell/JobContext.tsx';
import { BoughtFields } from '../../ui/BoughtFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { HoursField } from '../../ui/HoursField.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';

const MOST_LINKS = 4;
const GRID = 'grid grid-cols-6 items-end gap-x-5 gap-y-2 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2';
const KINDS = [
  { value: 'dc-dc', label: 'DC-DC charger' },
  { value: 'relay', label: 'relay' },
  { value: 'two-way', label: 'relay, both ways' },
] as const;
const VOLTAGES = [
  { value: 'steady', label: 'steady' },
  { value: 'smart', label: 'turned down by the vehicle' },
] as const;
const SHARINGS = [
  { value: 'sun-first', label: 'the sun first' },
  { value: 'blended', label: 'both by what they offer' },
] as const;

/** What charges while driving: the plan, the alternator, and what links it to the store. */
type Text = ReturnType<typeof useText>;

export function DrivingPart({ links }: { links: readonly LinkDetail[] }) {
  const text = useText();
  const { job, edit, optionId } = useJob();
  const { driving, arrays } = useOption().system;
  const { alternator, drives } = job.brief;
  const suggestedA = useShown(({ assessment }) => assessment.figures['dcdc.rating'].value);
  const requiredA = useShown(({ assessment }) => assessment.figures['dcdc.required'].value);
  const limitA = useShown(({ assessment }) => assessment.figures['alternator.limit'].value);
  const parts = useParts().all;
  const replace = (next: DrivingLink[] | null, key: string) =>
    edit(changeSources(optionId, 'driving', next), `driving-${key}`);
  const add = () => {
    const list = driving ?? [];
    const id = freeId(
      `dcdc-${list.length + 1}`,
      list.map((one) => one.id),
    );
    const amps = driving === null && suggestedA > 0 ? suggestedA : 20;
    replace([...list, blankLink(id, list.length === 0 ? 'DC-DC charger' : `Charger ${list.length + 1}`, amps)], 'more');
  };
  return (
    <section aria-label="Driving" className="painted-in-view border-t border-line py-3">
      <h2 className="text-body font-semibold">
        Driving{' '}
        <span className="num font-normal text-note text-ink-2">
          the alternator can feed <Fig id="alternator.limit" /> of DC-DC charger; <Fig id="dcdc.required" /> would cover
          the day
        </span>
      </h2>
      <div className={`${GRID} pt-2`}>
        <HoursField
          label="Driving from-to, a usual day"
          most={6}
          placeholder="none"
          hours={drives}
          onChange={(uses) => edit(changeBrief({ drives: uses }), 'drives')}
        />
        <QuantityField
          label="Alternator, on its label"
          unit="A"
          value={alternator.ratingA}
          min={0}
          max={1000}
          onChange={(ratingA) => ratingA !== null && edit(changeAlternator({ ratingA }), 'alternator')}
        />
        <Choice
          label="Its voltage is"
          value={alternator.voltage}
          options={VOLTAGES}
          onChange={(voltage) => edit(changeAlternator({ voltage }), 'alternator-voltage')}
        />
        <QuantityField
          label="The vehicle itself needs"
          unit="A"
          value={alternator.ownLoadA}
          auto="35, usual"
          min={0}
          max={500}
          onChange={(ownLoadA) => edit(changeAlternator({ ownLoadA }), 'alternator-own')}
        />
        <QuantityField
          label="Alternator voltage while driving"
          unit="V"
          value={alternator.volts}
          auto={`${formatNumber((13.5 * alternator.systemV) / 12, 1)}, usual`}
          min={11}
          max={32}
          onChange={(volts) => edit(changeAlternator({ volts }), 'alternator-volts')}
        />
        <QuantityField
          label="Hot output, of its rating"
          unit="%"
          value={alternator.hotFactor === null ? null : alternator.hotFactor * 100}
          auto="80, usual"
          min={20}
          max={100}
          onChange={(percent) =>
            edit(changeAlternator({ hotFactor: percent === null ? null : percent / 100 }), 'alternator-hot')
          }
        />
      </div>
      {driving === null && suggestedA > 0 && (
        <p className="pt-2 text-ink-2">
          No charger is chosen yet: reckoned with <Fig id="dcdc.rating" after="," /> the next standard size.
        </p>
      )}
      {driving?.map((link) => {
        const change = (part: Partial<DrivingLink>, key: string) =>
          replace(
            driving.map((one) => (one === link ? { ...link, ...part } : one)),
            `${link.id}-${key}`,
          );
        const kind = link.kind === 'relay' && link.bothWays ? 'two-way' : link.kind;
        const flow = links.find(({ id }) => id === link.id);
        return (
          <article key={link.id} aria-label={link.name} className="mt-2 border-t border-line-2 pt-2">
            <div className={GRID}>
              <TextField
                label="Called"
                required
                maxLength={60}
                value={link.name}
                onChange={(name) => change({ name }, 'name')}
              />
              <Choice
                label="Links by"
                value={kind}
                options={KINDS}
                onChange={(next) =>
                  change({ kind: next === 'dc-dc' ? 'dc-dc' : 'relay', bothWays: next === 'two-way' }, 'kind')
                }
              />
              <QuantityField
                label={link.kind === 'relay' ? 'It carries' : 'It gives'}
                unit="A"
                value={link.ratingA}
                min={0}
                max={500}
                onChange={(ratingA) => ratingA !== null && change({ ratingA }, 'amps')}
              />
              <RegionField
                label="Cable to it, one way"
                quantity="m"
                value={link.cableM}
                {...(link.kind === 'relay' ? { usual: 5 } : { auto: 'not known' })}
                min={0.1}
                max={50}
                onChange={(cableM) => change({ cableM }, 'cable')}
              />
              <QuantityField
                label="Of"
                unit="mm²"
                value={link.cableMm2}
                auto="as it needs"
                min={0.5}
                max={300}
                onChange={(cableMm2) => change({ cableMm2 }, 'area')}
              />
              {link.kind === 'dc-dc' && (
                <>
                  <QuantityField
                    label="Efficiency"
                    unit="%"
                    value={link.efficiency === null ? null : link.efficiency * 100}
                    auto="90, usual"
                    min={50}
                    max={100}
                    onChange={(percent) =>
                      change({ efficiency: percent === null ? null : percent / 100 }, 'efficiency')
                    }
                  />
                  <QuantityField
                    label="Minimum input voltage"
                    unit="V"
                    value={link.minInputV}
                    auto={`${formatNumber((11.5 * alternator.systemV) / 12, 1)}, usual`}
                    min={6}
                    max={60}
                    onChange={(minInputV) => change({ minInputV }, 'least-input')}
                  />
                  <QuantityField
                    label="Idle"
                    unit="W"
                    value={link.idleW}
                    auto="not counted"
                    min={0}
                    max={500}
                    onChange={(idleW) => change({ idleW }, 'idle')}
                  />
                </>
              )}
              {link.kind === 'dc-dc' && (arrays?.length ?? 0) > 0 && (
                <Choice
                  label="Sun through it"
                  value={link.sharesWith ?? ''}
                  options={[
                    { value: '', label: 'none' },
                    ...(arrays ?? []).map(({ id, name }) => ({ value: id, label: name })),
                  ]}
                  onChange={(id) => change({ sharesWith: id === '' ? null : id }, 'shares')}
                />
              )}
              {link.sharesWith !== null && (
                <Choice
                  label="Comes first"
                  value={link.sharing}
                  options={SHARINGS}
                  onChange={(sharing) => change({ sharing }, 'sharing')}
                />
              )}
              <BoughtFields bought={link} onChange={change} />
              <PartPicker
                kind="dc-dc"
                onPlate={(fields) => change(fields, 'plate')}
                onPick={(part) => change(linkOf(part, link), 'part')}
                onSmallest={() => {
                  // What the others give is given.
                  const othersA = driving.reduce((sum, one) => sum + (one === link ? 0 : one.ratingA), 0);
                  const found = smallestLink(parts, requiredA - othersA, limitA - othersA);
                  if (found) change(linkOf(found, link), 'part');
                  return found !== null;
                }}
              />
              <button
                type="button"
                onClick={() => replace(driving.length === 1 ? null : driving.filter((one) => one !== link), 'less')}
                className="justify-self-start py-1 text-left text-note text-ink-2 underline phone:min-h-11"
              >
                Take it out
              </button>
            </div>
            {flow && <p className="num pt-1.5 text-ink-2">{flowWords(flow, text)}</p>}
          </article>
        );
      })}
      {(driving?.length ?? 0) < MOST_LINKS && (
        <p className="mt-2 flex flex-wrap gap-3">
          <Button onClick={add}>
            {driving === null || driving.length === 0 ? 'Choose the charger' : 'Another beside it'}
          </Button>
          {driving === null && <Button onClick={() => replace([], 'none')}>None is fitted</Button>}
          {driving?.length === 0 && <Button onClick={() => replace(null, 'auto')}>Size it as required</Button>}
        </p>
      )}
    </section>
  );
}

function flowWords({ inputA, alternatorShare, farV, areaMm2, cableM, outputW, wh }: LinkDetail, text: Text): string {
  const cable =
    cableM > 0 ? ` ${showText(farV, 'V')} at the end of ${text(cableM, 'm')} of ${formatNumber(areaMm2)} mm².` : '';
  return `Draws ${showText(inputA, 'A')}, ${formatNumber(alternatorShare * 100)} % of the alternator’s label, and gives ${showText(outputW, 'W')}: ${showText(wh, 'Wh')} a day.${cable}`;
}
