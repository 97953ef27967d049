import {
  type DaysAsk,
  type Job,
  monthName,
  showText,
  type TripDetail,
  type Units,
  type WhatIf,
  whatIfsOf,
} from '@joulemetric/core';
import { lazy, Suspense } from 'react';
import { useDaysMoment } from '../../edges/useDays.ts';
import { useIsPhone } from '../../shell/useIsPhone.ts';
import { Choice } from '../../ui/Field.tsx';
import { LedgerBar, LedgerLegend } from '../../ui/LedgerBar.tsx';
import { Moment } from './Moment.tsx';
import { saveTrace } from './traceFile.ts';
import { lengthText, whenText } from './when.ts';

const TripChart = lazy(() => import('./TripChart.tsx').then((module) => ({ default: module.TripChart })));

export const whatIfWords = (units: Units): Readonly<Record<WhatIf, string>> => ({
  'heat-wave': `heat wave, ${units === 'imperial' ? '14 °F' : '8 °C'} warmer`,
  'cold-snap': `cold snap, ${units === 'imperial' ? '18 °F' : '10 °C'} colder`,
  overcast: 'one grey day after the other',
  'inverter-on': 'inverter left on',
  guest: 'one more guest',
  shaded: 'first array half in shade',
  aged: 'battery old',
  timer: 'the outlet’s timer',
});

/** Years that might be, offered by number: the same number is the same weather for every option. */
const MIGHT_BE = [1, 2, 3, 4, 5];

const weatherKey = ({ weather }: DaysAsk): string => (typeof weather === 'object' ? `year ${weather.number}` : weather);

/** Under what the trip is played. */
export function TripControls({
  job,
  optionId,
  ask,
  byTheHour,
  month,
  otherId,
  onAsk,
  onOther,
}: {
  job: Job;
  optionId: string;
  ask: DaysAsk;
  /** Whether a weather file's hours are there beside its days. */
  byTheHour: boolean;
  month: number;
  otherId: string | null;
  onAsk: (part: Partial<DaysAsk>) => void;
  onOther: (id: string | null) => void;
}) {
  const isPhone = useIsPhone();
  const others = job.options.filter(({ id }) => id !== optionId);
  const toggle = (one: WhatIf) =>
    onAsk({ ifs: ask.ifs.includes(one) ? ask.ifs.filter((other) => other !== one) : [...ask.ifs, one] });
  return (
    <div className="pt-2">
      <div className="grid grid-cols-4 items-end gap-x-5 gap-y-2 @max-[760px]:grid-cols-2">
        <Choice
          label="It begins on the first of"
          value={String(month)}
          options={Array.from({ length: 12 }, (_, i) => ({ value: String(i + 1), label: monthName(i + 1) }))}
          onChange={(value) => onAsk({ month: Number(value) })}
        />
        <Choice
          label="Weather"
          value={weatherKey(ask)}
          options={[
            { value: 'typical', label: 'every day as is usual' },
            { value: 'sunless', label: 'no sun at all' },
            ...(job.brief.place.monthly.days
              ? [{ value: 'imported', label: `the ${byTheHour ? 'hours' : 'days'} of the weather file` }]
              : []),
            ...MIGHT_BE.map((number) => ({ value: `year ${number}`, label: `days that might be, no. ${number}` })),
          ]}
          onChange={(value) =>
            onAsk({
              weather: value.startsWith('year ')
                ? { seed: 1, number: Number(value.slice(5)) }
                : (value as 'typical' | 'sunless' | 'imported'),
            })
          }
        />
        {others.length > 0 && (
          <Choice
            label="Beside it"
            value={otherId ?? ''}
            options={[{ value: '', label: 'nothing' }, ...others.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(value) => onOther(value === '' ? null : value)}
          />
        )}
      </div>
      {isPhone ? (
        <details className="pt-2">
          <summary className="py-1 text-number">
            What if
            {ask.ifs.length > 0
              ? `: ${ask.ifs.map((one) => whatIfWords(job.brief.region.units)[one]).join(', ')}`
              : ' it comes otherwise'}
          </summary>
          <WhatIfs job={job} chosen={ask.ifs} onToggle={toggle} />
        </details>
      ) : (
        <WhatIfs job={job} chosen={ask.ifs} onToggle={toggle} />
      )}
    </div>
  );
}

function WhatIfs({ job, chosen, onToggle }: { job: Job; chosen: readonly WhatIf[]; onToggle: (one: WhatIf) => void }) {
  const words = whatIfWords(job.brief.region.units);
  return (
    <fieldset className="mt-3 pt-1">
      <legend className="text-note text-ink-2 phone:sr-only">What if</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-0.5">
        {whatIfsOf(job).map((one) => (
          <label key={one} className="flex items-center gap-1.5 py-0.5 text-number phone:min-h-11">
            <input
              type="checkbox"
              checked={chosen.includes(one)}
              onChange={() => onToggle(one)}
              className="size-3.5 accent-[var(--ink)]"
            />
            {words[one]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The trip hour by hour, its moments and its books. */
export function TripPicture({
  job,
  optionId,
  ask,
  trip,
  other,
  otherName,
  atH,
  onPoint,
}: {
  job: Job;
  optionId: string;
  ask: DaysAsk;
  trip: TripDetail & { readonly tookMs: number };
  other: TripDetail | null;
  otherName: string;
  atH: number | null;
  onPoint: (atH: number | null) => void;
}) {
  const moment = useDaysMoment(job, optionId, ask, atH);
  return (
    <section aria-label="The trip hour by hour" data-trip="ready" data-took-ms={trip.tookMs} className="pt-3">
      <p className="text-number">{tripWords(trip)}</p>
      {other && <p className="num text-ink-2">{otherWords(trip, other, otherName)}</p>}
      <Suspense fallback={<div className="h-[330px]" />}>
        <TripChart trip={trip} other={other} otherName={otherName} atH={atH} onPoint={onPoint} />
      </Suspense>
      <p className="num text-note text-ink-2">
        Charge in ink, sun in copper (what finds no room as a line above it), driving dashed, supplies dotted, what is
        drawn in grey, what goes unserved in red; a ring where it is full, a red line where loads are cut off
        {trip.run.lockedH > 0 ? ', a dashed one where it becomes too cold to be charged' : ''}. Point at a moment to ask
        about it.
      </p>
      {atH !== null && <Moment moment={moment.value} onClose={() => onPoint(null)} />}
      <Books trip={trip} />
      <Unserved trip={trip} />
      <p className="pt-1">
        <button
          type="button"
          onClick={() => saveTrace(trip, job)}
          className="py-1 text-note text-ink-2 underline phone:min-h-11"
        >
          Save these hours as CSV
        </button>
      </p>
    </section>
  );
}

function tripWords({ marks, run, unserved, month }: TripDetail): string {
  const cut = marks.find(({ kind }) => kind === 'cut-off');
  const low = Math.min(...run.lowSoc);
  const lowDay = run.lowSoc.indexOf(low) + 1;
  const outlet =
    run.outletEmptyH === null
      ? ''
      : ` The outlet’s own battery is down to its reserve on ${whenText(run.outletEmptyH)}; from then on the store does its work.`;
  const locked = run.lockedH > 0 ? ` For ${lengthText(run.lockedH)} the store is too cold to be charged.` : '';
  if (!cut)
    return `In ${monthName(month)} it lasts: the lowest it gets is ${showText(low, 'share')}, on day ${lowDay}.${outlet}${locked}`;
  const back = marks.find(({ kind, atH }) => kind === 'back' && atH > cut.atH);
  // What a port has shut off does not go without for want of charge.
  const short = unserved.filter(({ wh, trippedWh }) => wh > trippedWh + 0.01);
  const [first] = short;
  const others = short.length - 1;
  const who = first
    ? `${first.name}${others > 0 ? ` and ${others} more` : ''} ${others > 0 ? 'go' : 'goes'} without`
    : 'something goes unserved';
  const until = back ? `, back on ${whenText(back.atH)}` : '';
  return `In ${monthName(month)} it runs out on ${whenText(cut.atH)}: ${who}${until}. On ${run.shortWh.filter((wh) => wh > 0.01).length} of ${run.days} days something goes unserved.${outlet}${locked}`;
}

function otherWords(trip: TripDetail, other: TripDetail, name: string): string {
  const [here, there] = [trip, other].map(({ run }) => ({
    low: Math.min(...run.lowSoc),
    short: run.shortWh.filter((wh) => wh > 0.01).length,
    unserved: run.books.unservedWh,
  }));
  if (!here || !there) return '';
  const points = Math.round((there.low - here.low) * 100);
  const low =
    points === 0
      ? 'as low'
      : `${Math.abs(points)} ${Math.abs(points) === 1 ? 'point' : 'points'} ${points > 0 ? 'higher' : 'lower'} at its lowest`;
  const short =
    here.short === 0 && there.short === 0
      ? 'neither runs out'
      : `${there.short} short ${there.short === 1 ? 'day' : 'days'} against ${here.short}, ${showText(there.unserved, 'Wh')} unserved against ${showText(here.unserved, 'Wh')}`;
  return `${name} in the same weather, dashed: ${low}; ${short}.`;
}

/** Where the trip's energy came from and went, by the ledger's parts. */
function Books({ trip: { run } }: { trip: TripDetail }) {
  const { books, fromStoreWh } = run;
  const income = books.sunWh + books.drivingWh + books.supplyWh;
  const lost = books.conversionWh + books.idleWh + books.cableWh + books.storageWh;
  const wh = (value: number) => showText(value, 'Wh');
  const came = [
    `sun ${wh(books.sunWh)}`,
    ...(books.drivingWh > 0.5 ? [`driving ${wh(books.drivingWh)}`] : []),
    ...(books.supplyWh > 0.5 ? [`supplies ${wh(books.supplyWh)}`] : []),
  ].join(', ');
  const store =
    fromStoreWh >= 0 ? `${wh(fromStoreWh)} out of what was stored` : `${wh(-fromStoreWh)} more stored than before`;
  const spilled = books.sunOfferedWh - books.sunWh;
  return (
    <div className="border-t border-line pt-2">
      <p className="num">
        The books balance: in {wh(income)} ({came}), {store}; useful {wh(books.usefulWh)}, lost {wh(lost)}.
      </p>
      <div className="py-1">
        <LedgerBar parts={books} scaleWh={books.usefulWh + lost} height={16} />
      </div>
      <LedgerLegend />
      <p className="num pt-1 text-ink-2">
        {books.sunWh > 0.5 &&
          `Of the sun ${wh(books.directSunWh)} went straight to what ran and lost nothing in the store. `}
        {wh(books.intoStoreWh)} went into the store from all sources and {wh(books.outOfStoreWh)} came out of it.
        {spilled > 1 ? ` ${wh(spilled)} of sun found no room.` : ''}
      </p>
    </div>
  );
}

function Unserved({ trip: { unserved, beyond, run } }: { trip: TripDetail }) {
  if (unserved.length === 0 && beyond.length === 0) return null;
  return (
    <div className="pt-2">
      {unserved.length > 0 && (
        <>
          <h3 className="text-number font-semibold">
            Went without{' '}
            <span className="num font-normal text-note text-ink-2">critical ones first, Wh in {run.days} days</span>
          </h3>
          <ul className="num grid grid-cols-3 gap-x-8 @max-[760px]:grid-cols-1">
            {unserved.map(({ id, name, critical, wh, trippedWh }) => (
              <li key={id} className="flex justify-between gap-3 border-b border-line-2 py-0.5">
                <span className={`truncate ${critical ? 'font-semibold text-stop' : ''}`}>
                  {name}
                  {critical ? ', critical' : ''}
                  {trippedWh > 0.01 ? ', its port shuts off' : ''}
                </span>
                <span>{showText(wh, 'Wh')}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      {beyond.map(({ id, name, hours }) => (
        <p key={id} className="num text-copper">
          {name} cannot do what it should for {lengthText(hours)}: it would have to run more than all the time.
        </p>
      ))}
    </div>
  );
}
