import {
  type DcSide,
  formatNumber,
  type Inverter,
  type InverterDetail,
  inverterFigures,
  MARGIN,
  namesOf,
  type SizeChoice,
  type SizedInverter,
  show,
  showText,
} from '@joulemetric/core';
import { changeDevice, changeRules, chooseInverterSize, type DeviceChange } from '../../commands/design.ts';
import { useDevice, useEditing, useJob, useView } from '../../shell/JobContext.tsx';
import { QuantityField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { useFindings } from '../../ui/FitRow.tsx';
import { InverterRating } from '../../ui/InverterRating.tsx';
import { Num } from '../../ui/Number.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { useText } from '../../ui/useText.ts';
import { FAIL_WORDS } from './words.ts';

const GRID =
  'grid grid-cols-[22px_84px_minmax(110px,1fr)_92px_92px_repeat(2,minmax(150px,190px))] gap-x-4 @max-[860px]:grid-cols-[22px_72px_minmax(0,1fr)_66px]';
const WIDE = '@max-[860px]:hidden';

/** Which size: what passes, what each costs a day in this job, and what it asks of the battery side. */
export function Sizes({
  inverter,
  detail,
  alone,
}: {
  inverter: SizedInverter;
  detail: InverterDetail | null;
  alone: boolean;
}) {
  const { edit, optionId } = useEditing();
  const text = useText();
  const view = useView();
  const device = useDevice(inverter.device);
  const ids = inverterFigures(inverter);
  const change = (part: DeviceChange, key: string) =>
    edit(changeDevice(optionId, device.id, part), `${device.id}.${key}`);
  const busV = view.option.system.busVoltageV;
  const shown: readonly DcSide['busV'][] = busV === 48 ? [24, 48] : [12, 24];
  const notes = useFindings(ids.holds, ids.rating).filter(({ severity }) => severity === 'note');
  return (
    <div className="pt-5">
      <h3 className="border-b border-ink pb-1 text-body font-semibold">
        {alone ? 'Which size' : `Which size of ${device.name}`}{' '}
        <span className="num font-normal text-note text-ink-2">
          with {MARGIN[view.job.rules.inverterMargin].name} margin <Fig id={ids.required} /> needed; at full rating it
          draws <Fig id={ids.current} />
        </span>
      </h3>
      <Schools inverter={inverter} detail={detail} />
      <div className={`${GRID} num pt-2 text-note text-ink-2`} aria-hidden="true">
        <span />
        <span className="text-right">rating</span>
        <span />
        <span className="text-right">idles a day</span>
        <span className={`text-right ${WIDE}`}>converting</span>
        {shown.map((volts) => (
          <span key={volts} className={`${WIDE} ${volts === busV ? 'font-medium text-ink' : ''}`}>
            from {volts} V, low battery
          </span>
        ))}
      </div>
      <fieldset>
        <legend className="sr-only">Rating of {device.name}</legend>
        {(detail?.sizes ?? []).map((size) => (
          <SizeRow
            key={size.ratingW}
            size={size}
            inverter={inverter}
            shown={shown}
            busV={busV}
            onChoose={() => edit(chooseInverterSize(optionId, device.id, size.ratingW))}
          />
        ))}
      </fieldset>
      <p className="num pt-1 text-note text-ink-2">
        At full rating and 11.0 V per 12 V: fuse at least 1.25 × the current (common practice), cable at least the fuse
        by ABYC E-11, free air, 105 °C (recalled). A local table counts where it differs; length and drop are for the
        cable runs.
      </p>
      {(device.idleW !== null || device.points.length > 1) && (
        <p className="num pt-1 text-note text-ink-2">
          The one fitted idles as measured or given, other sizes as is usual for theirs; choosing one drops those
          figures.
        </p>
      )}
      <div className="grid grid-cols-6 gap-x-5 gap-y-2.5 pt-3 @max-[860px]:grid-cols-3 @max-[560px]:grid-cols-2">
        <InverterRating label="Fitted" device={device} onChange={(ratingW) => change({ ratingW }, 'rating')} />
        <QuantityField
          label="VA on its data sheet"
          unit="VA"
          value={device.ratingVa}
          auto="as many as W"
          min={50}
          max={60_000}
          {...(device.ratingW === null && device.ratingVa !== null ? { note: 'counts once a size is fitted' } : {})}
          onChange={(ratingVa) => change({ ratingVa }, 'va')}
        />
        <QuantityField
          label="Holds at a start, data sheet"
          unit="W"
          value={device.surgeW}
          auto="twice its rating"
          min={50}
          max={120_000}
          {...(device.ratingW === null && device.surgeW !== null ? { note: 'counts once a size is fitted' } : {})}
          onChange={(surgeW) => change({ surgeW }, 'surge')}
        />
        <QuantityField
          label="for"
          unit="s"
          value={device.surgeSeconds}
          auto="1, usual"
          min={0.005}
          max={600}
          onChange={(surgeSeconds) => change({ surgeSeconds }, 'surge-s')}
        />
        <RegionField
          quantity="°C"
          label="Air around it, hottest"
          value={device.ambientC}
          auto={`at most ${text(25, '°C')}`}
          min={-20}
          max={80}
          onChange={(ambientC) => change({ ambientC }, 'ambient')}
        />
        <Wave device={device} sineFor={detail?.sineFor ?? []} />
      </div>
      {notes.length > 0 && (
        <div className="space-y-1 pt-2">
          {notes.map((finding) => (
            <FindingLine key={finding.code} finding={finding} />
          ))}
        </div>
      )}
    </div>
  );
}

function Wave({ device, sineFor }: { device: Inverter; sineFor: readonly string[] }) {
  const needs = sineFor.length > 0 ? `needed by ${namesOf(sineFor, [])}` : 'nothing here insists on it';
  return (
    <div>
      <p className="text-note text-ink-2">Wave</p>
      <p className="min-h-8 py-1 text-number">{device.waveform === 'pure' ? 'pure sine' : 'stepped'}</p>
      <p className="mt-1 text-note text-ink-2">Pure sine: {needs}. Set on Paths.</p>
    </div>
  );
}

/** What each margin comes to, with both sides of the argument. */
function Schools({ inverter, detail }: { inverter: SizedInverter; detail: InverterDetail | null }) {
  const { job, edit } = useJob();
  return (
    <fieldset className="grid grid-cols-4 gap-x-5 border-b border-line py-2 @max-[860px]:grid-cols-2 @max-[420px]:grid-cols-1">
      <legend className="sr-only">Margin</legend>
      {(detail?.schools ?? []).map(({ margin, ratingW }) => {
        const { name, why, against } = MARGIN[margin];
        const isOn = job.rules.inverterMargin === margin;
        return (
          <div key={margin}>
            <label
              className={`block cursor-pointer outline-copper has-focus-visible:outline-2 border-l-3 py-0.5 pl-2 ${isOn ? 'border-ink' : 'border-transparent'}`}
            >
              <input
                type="radio"
                name={`margin-${inverter.device.id}`}
                checked={isOn}
                onChange={() => edit(changeRules({ inverterMargin: margin }))}
                className="sr-only"
              />
              <span className={`text-number ${isOn ? 'font-semibold' : ''}`}>{name}</span>
              <span className="num text-number text-ink-2"> → {showText(ratingW, 'W')}</span>
              <span className="num block text-note text-ink-2">
                For: {why}. Against: {against}.
              </span>
            </label>
          </div>
        );
      })}
    </fieldset>
  );
}

function SizeRow({
  size,
  inverter,
  shown,
  busV,
  onChoose,
}: {
  size: SizeChoice;
  inverter: SizedInverter;
  shown: readonly DcSide['busV'][];
  busV: number;
  onChoose: () => void;
}) {
  const device = useDevice(inverter.device);
  const isFitted = size.ratingW === (device.ratingW ?? inverter.ratingW);
  const passes = size.fails.length === 0;
  return (
    <div
      data-size={size.ratingW}
      className={`border-line-2 ${isFitted ? 'border-y border-y-ink' : 'border-b'} ${passes ? '' : 'text-ink-2'}`}
    >
      <label className={`${GRID} items-baseline py-1.5 phone:min-h-11`}>
        <input
          type="radio"
          name={`size-${device.id}`}
          aria-label={`${formatNumber(size.ratingW)} W`}
          checked={isFitted}
          onChange={onChoose}
          onClick={() => isFitted && device.ratingW === null && onChoose()}
          className="size-4 translate-y-0.5 accent-[var(--ink)]"
        />
        <span className={`text-right text-number ${isFitted ? 'font-semibold' : ''}`}>
          <Num value={size.ratingW} unit="W" />
        </span>
        <span className="num text-number">
          {passes ? (
            <>
              {showText(size.marginTaken, 'share')} in hand
              {isFitted && (
                <span className="text-note text-ink-2"> · {device.ratingW === null ? 'as required' : 'fitted'}</span>
              )}
            </>
          ) : (
            <span className="text-copper">{size.fails.map((fail) => FAIL_WORDS[fail]).join(', ')}</span>
          )}
        </span>
        <span className="text-right text-number">
          <Num value={size.idleWh} unit="Wh" />
        </span>
        <span className={`text-right text-number ${WIDE}`}>
          <Num value={size.conversionWh} unit="Wh" />
        </span>
        <span className="num col-start-3 hidden @max-[860px]:block">
          {size.dc
            .filter((side) => side.busV === busV)
            .map((dc) => (
              <DcWords key={dc.busV} dc={dc} />
            ))}
        </span>
        {shown.map((volts) => {
          const dc = size.dc.find((side) => side.busV === volts);
          return (
            <span key={volts} className={`num ${WIDE} ${volts === busV ? '' : 'text-ink-2'}`}>
              {dc && <DcWords dc={dc} />}
            </span>
          );
        })}
      </label>
    </div>
  );
}

function DcWords({ dc }: { dc: DcSide }) {
  const { job } = useJob();
  const cable = job.brief.region.units === 'metric' ? `${formatNumber(dc.areaMm2, 1)} mm²` : `${dc.awg} AWG`;
  return (
    <>
      <span className="text-number">{show(dc.amps, 'A').number} A</span>
      <span className="text-note text-ink-2">
        {' '}
        · {dc.fuseA === null ? 'no common fuse' : `fuse ${dc.fuseA}`} · {dc.parallel > 1 ? `${dc.parallel} × ` : ''}
        {cable}
      </span>
    </>
  );
}
