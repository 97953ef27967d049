import {
  arrayRatingW,
  blankPanels,
  broughtBy,
  controllerOf,
  freeId,
  groupOf,
  type PanelGroup,
  panelsOfList,
  readBearing,
  type SolarArray,
  type SolarController,
  smallestController,
  type Window,
} from '@joulemetric/core';
import { useParts } from '../../edges/useParts.ts';
import { useShownThen } from '../../shell/JobContext.tsx';
import { BoughtFields } from '../../ui/BoughtFields.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { HoursField, ShadeField } from '../../ui/HoursField.tsx';
import { PartPicker } from '../../ui/PartPicker.tsx';
import { PanelFields } from './PanelFields.tsx';

const MOST_GROUPS = 12;
/** W that one panel may have. */
const MOST_PANEL_W = 2000;
const GRID = 'grid grid-cols-6 items-end gap-x-5 gap-y-2 @max-[1000px]:grid-cols-4 @max-[560px]:grid-cols-2';

const MOUNTS = [
  { value: 'roof', label: 'close to the roof' },
  { value: 'free', label: 'air behind it' },
  { value: 'portable', label: 'set out by hand' },
] as const;
const KINDS = [
  { value: 'mppt', label: 'best point (MPPT)' },
  { value: 'pwm', label: 'straight (PWM)' },
] as const;
const WIRINGS = [
  { value: 'parallel', label: 'side by side' },
  { value: 'series', label: 'one after the other' },
] as const;
const AIMS = [
  { value: 'once', label: 'once' },
  { value: 'again', label: 'again and again' },
] as const;

/** What an array is: its panels, how they lie, and its controller. */
export function ArrayFields({
  array,
  isBoxed,
  windowOf,
  onChange,
  onRemove,
}: {
  array: SolarArray;
  /** Whether its controller is that of an all-in-one unit, which has a price of its own. */
  isBoxed: boolean;
  /** What its panels bring to their controller, once it is reckoned. */
  windowOf: Window | undefined;
  onChange: (part: Partial<SolarArray>, key: string) => void;
  onRemove: () => void;
}) {
  const { panels, controller } = array;
  const parts = useParts().all;
  const shownThen = useShownThen();
  const changeController = (part: Partial<SolarController>, key: string) =>
    onChange({ controller: { ...controller, ...part } }, `controller-${key}`);
  const changeGroup = (group: PanelGroup, part: Partial<PanelGroup>, key: string) =>
    onChange({ panels: panels.map((one) => (one === group ? { ...group, ...part } : one)) }, `${group.id}-${key}`);
  const addGroup = () => {
    const id = freeId(
      `panel-${panels.length + 1}`,
      panels.map((one) => one.id),
    );
    const name = `Panel ${panels.length + 1}`;
    const like = panels.at(-1);
    // The first takes over the watts that were typed, as few panels as can have them.
    const watts = Math.max(1, array.ratingW ?? 100);
    const parallel = Math.ceil(watts / MOST_PANEL_W);
    const group = like ? { ...like, id, name } : { ...blankPanels(id, name, watts / parallel), parallel };
    onChange({ panels: [...panels, group], ratingW: null }, 'panels');
  };
  const removeGroup = (group: PanelGroup) => {
    const left = panels.filter((one) => one !== group);
    const ratingW = left.length === 0 ? group.ratingW * group.series * group.parallel : null;
    onChange({ panels: left, ratingW: ratingW === null ? null : Math.min(20_000, ratingW) }, 'panels');
  };
  const takeSmallest = (group: PanelGroup) => {
    const { view, assessment } = shownThen();
    const { system } = view.option;
    // What the others have is had.
    const others = (system.arrays ?? []).filter(({ id }) => id !== array.id);
    const leftW = others.reduce((w, one) => w - arrayRatingW(one), assessment.figures['array.required'].value);
    const found = panelsOfList(parts, array, group, leftW, view.job.brief, system);
    if (found) {
      const { part, series, parallel } = found;
      changeGroup(group, { ...groupOf(part, group), series, parallel }, 'part');
    }
    return found !== null;
  };
  const takeController = (window: Window) => {
    const found = smallestController(parts, broughtBy(window));
    if (found) onChange({ controller: controllerOf(found) }, 'controller-part');
    return found !== null;
  };
  return (
    <>
      <div className={GRID}>
        <TextField
          label="Called"
          required
          maxLength={60}
          value={array.name}
          onChange={(name) => onChange({ name }, 'name')}
        />
        {panels.length === 0 && (
          <QuantityField
            label="Laboratory watts"
            unit="W"
            value={array.ratingW}
            min={0}
            max={20_000}
            onChange={(ratingW) => ratingW !== null && onChange({ ratingW }, 'watts')}
          />
        )}
        <Choice
          label="Stands"
          value={array.mount}
          options={MOUNTS}
          onChange={(mount) => onChange({ mount, ...(mount === 'portable' ? {} : { follows: false }) }, 'mount')}
        />
        {array.mount === 'portable' && (
          <Choice
            label="Aimed at the sun"
            value={array.follows ? 'again' : 'once'}
            options={AIMS}
            onChange={(aim) => onChange({ follows: aim === 'again' }, 'follows')}
          />
        )}
        {!array.follows && (
          <QuantityField
            label="Tilted by"
            unit="°"
            value={array.slopeDeg}
            min={0}
            max={90}
            onChange={(slopeDeg) => slopeDeg !== null && onChange({ slopeDeg }, 'slope')}
          />
        )}
        {!array.follows && array.slopeDeg > 0 && (
          <QuantityField
            label="Faces, from north"
            unit="°"
            value={array.azimuthDeg}
            read={readBearing}
            auto="any heading"
            min={0}
            max={360}
            onChange={(azimuthDeg) => onChange({ azimuthDeg }, 'azimuth')}
          />
        )}
        <QuantityField
          label="Lost to shade all day"
          unit="%"
          factor={0.01}
          value={array.shade}
          min={0}
          max={95}
          onChange={(shade) => shade !== null && onChange({ shade }, 'shade')}
        />
        <ShadeField
          label="Shaded from-to"
          shaded={array.shaded}
          onChange={(shaded) => onChange({ shaded }, 'shaded')}
        />
        {array.mount === 'portable' && (
          <HoursField
            label="Set out from-to"
            most={6}
            placeholder="all day"
            hours={array.setOut}
            onChange={(setOut) => onChange({ setOut }, 'set-out')}
          />
        )}
      </div>
      {panels.map((group) => (
        <PanelFields
          key={group.id}
          group={group}
          onChange={(part, key) => changeGroup(group, part, key)}
          onRemove={() => removeGroup(group)}
          onSmallest={panels.length === 1 ? () => takeSmallest(group) : undefined}
        />
      ))}
      <div className={`${GRID} pt-2`}>
        <QuantityField
          label="Clean"
          unit="%"
          factor={0.01}
          value={array.clean}
          auto="97, usual"
          min={50}
          max={100}
          onChange={(clean) => onChange({ clean }, 'clean')}
        />
        {panels.length > 1 && (
          <Choice
            label="The groups are joined"
            value={array.wiring}
            options={WIRINGS}
            onChange={(wiring) => onChange({ wiring }, 'wiring')}
          />
        )}
        <PartPicker
          kind="controller"
          label="Controller from the list"
          onPick={(part) => onChange({ controller: controllerOf(part) }, 'controller-part')}
          onSmallest={windowOf && (() => takeController(windowOf))}
          onPlate={(fields) => changeController(fields, 'controller-plate')}
        />
        <Choice
          label="Controller"
          value={controller.kind}
          options={KINDS}
          onChange={(kind) => changeController({ kind }, 'kind')}
        />
        <QuantityField
          label="It bears at most"
          unit="V"
          value={controller.maxV}
          auto="not known"
          min={5}
          max={1500}
          onChange={(maxV) => changeController({ maxV }, 'volts')}
        />
        <QuantityField
          label="Gives at most"
          unit="A"
          value={controller.maxA}
          auto="no limit"
          min={1}
          max={1000}
          onChange={(maxA) => changeController({ maxA }, 'amps')}
        />
        <QuantityField
          label="Takes at most"
          unit="W"
          value={controller.maxW}
          auto="no limit"
          min={5}
          max={50_000}
          onChange={(maxW) => changeController({ maxW }, 'watts')}
        />
        <QuantityField
          label="Its input bears"
          unit="A"
          value={controller.maxInputA}
          auto="not known"
          min={0.5}
          max={500}
          onChange={(maxInputA) => changeController({ maxInputA }, 'input')}
        />
        {controller.kind === 'mppt' && (
          <>
            <QuantityField
              label="It works from"
              unit="V"
              value={controller.minV}
              auto="what the store needs"
              min={1}
              max={1000}
              onChange={(minV) => changeController({ minV }, 'least')}
            />
            <QuantityField
              label="Out ÷ in"
              unit="%"
              factor={0.01}
              value={controller.efficiency}
              auto="97, usual"
              min={50}
              max={100}
              onChange={(efficiency) => changeController({ efficiency }, 'efficiency')}
            />
            <QuantityField
              label="Idle"
              unit="W"
              value={controller.idleW}
              auto="not counted"
              min={0}
              max={500}
              onChange={(idleW) => changeController({ idleW }, 'idle')}
            />
          </>
        )}
        {!isBoxed && <BoughtFields of="controller" bought={controller} onChange={changeController} />}
      </div>
      <p className="flex flex-wrap gap-x-6 pt-1">
        {panels.length < MOST_GROUPS && (
          <button
            type="button"
            onClick={addGroup}
            className="justify-self-start py-1 text-left text-note text-ink-2 underline phone:min-h-11"
          >
            {panels.length === 0 ? 'List its panels, from the label' : 'Other panels beside them'}
          </button>
        )}
        <button
          type="button"
          onClick={onRemove}
          className="justify-self-start py-1 text-left text-note text-ink-2 underline phone:min-h-11"
        >
          Take the array out
        </button>
      </p>
    </>
  );
}
