import type { DaysAsk, Survival, Units, WhatIf } from '@joulemetric/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { changeRules, changeStore } from '../../commands/design.ts';
import { useOtherTrip, useSurvivals, useTrip, useYears } from '../../edges/useDays.ts';
import { useHours } from '../../edges/useHours.ts';
import { useJob, useOption } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Choice, QuantityField } from '../../ui/Field.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { StepFindings } from '../../ui/StepFindings.tsx';
import { OddsPart } from './Odds.tsx';
import { PlanStrip } from './PlanStrip.tsx';
import { TripControls, TripPicture, whatIfWords } from './Trip.tsx';
import { chanceText, lengthText } from './when.ts';
import { YearPart } from './Year.tsx';

const FIRST_ASK: DaysAsk = { month: null, weather: 'typical', ifs: [], stepMin: 15 };
const SEED = 1;
const YEARS = 200;

/** Step 7: the job's days played through, and many years of weather that might be. */
export function Days() {
  const { job, optionId, session } = useJob();
  const settled = useDeferredValue(job);
  const [chosen, setAsk] = useState<DaysAsk>(FIRST_ASK);
  const hourly = useHours(session.id, job.brief.place);
  const ask = useMemo(() => (chosen.weather === 'imported' ? { ...chosen, hourly } : chosen), [chosen, hourly]);
  const [otherId, setOther] = useState<string | null>(null);
  const [atH, setAt] = useState<number | null>(null);
  const comparedId = otherId !== optionId && job.options.some(({ id }) => id === otherId) ? otherId : null;
  const { value: trip, problem } = useTrip(settled, optionId, ask);
  const { value: other } = useOtherTrip(settled, comparedId, ask);
  const { value: survivals } = useSurvivals(settled, optionId, ask);
  const years = useYears(settled, optionId, ask, SEED, YEARS);
  const otherName = job.options.find(({ id }) => id === comparedId)?.name ?? '';
  const { odds } = years;
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4" data-days={trip ? 'ready' : 'waiting'}>
      <PhoneOptions />
      <StepHead question="When does it run out, and how sure is that?">
        {survivals ? survivalWords(survivals) : 'Playing…'}
        {odds &&
          ` In its months of use it runs out in ${odds.inUse.anyShort.value === 0 ? `none of ${odds.years}` : chanceText(odds.inUse.anyShort.value)} years, ${underWords(ask, job.brief.region.units)}.`}
      </StepHead>
      <StepFindings step="days" problem={problem} />
      <PlanStrip />
      {trip && (
        <>
          <TripControls
            job={job}
            optionId={optionId}
            ask={ask}
            byTheHour={hourly !== null}
            month={trip.month}
            otherId={comparedId}
            onAsk={(part) => {
              setAsk((now) => ({ ...now, ...part }));
              setAt(null);
            }}
            onOther={setOther}
          />
          <TripPicture
            job={settled}
            optionId={optionId}
            ask={ask}
            trip={trip}
            other={other}
            otherName={otherName}
            atH={atH !== null && atH < trip.run.days * 24 ? atH : null}
            onPoint={setAt}
          />
        </>
      )}
      <OddsPart years={years} />
      {/* The trip is played first. */}
      {trip && <YearPart job={settled} optionId={optionId} ask={ask} />}
      <CutOffs />
    </div>
  );
}

/** Of the trip alone: years have weather of their own. */
const WEATHER: readonly WhatIf[] = ['heat-wave', 'cold-snap', 'overcast'];

/** Of what battery the years are, and under which of the ticks. */
function underWords({ ifs }: DaysAsk, units: Units): string {
  const battery = ifs.includes('aged') ? 'its battery old' : 'its battery as it is now';
  const others = ifs.filter((one) => one !== 'aged' && !WEATHER.includes(one)).map((one) => whatIfWords(units)[one]);
  return [battery, ...others].join(', ');
}

function survivalWords(survivals: readonly Survival[]): string {
  const of = (age: Survival['age']) => survivals.find((one) => one.age === age);
  const length = (one: Survival | undefined) =>
    one?.hours == null ? 'longer than four months' : lengthText(one.hours);
  const [now, old] = [of('now'), of('old')];
  const first = now?.first ? `, then ${now.first} goes without` : '';
  return `Full, parked and without any sun it lasts ${length(now)}${first}; when the battery is old and at its coldest, ${length(old)}.`;
}

const ORDERS = [
  { value: 'critical-last', label: 'what is not critical' },
  { value: 'largest-first', label: 'the largest, critical ones last' },
  { value: 'together', label: 'all at once' },
] as const;

const STOPS = [
  { value: 'yes', label: 'enough to stop in order' },
  { value: 'no', label: 'nothing' },
] as const;

/** At what charge loads go, which first, and when they come back. */
function CutOffs() {
  const { job, edit, optionId } = useJob();
  const { store } = useOption().system;
  const change = (part: Partial<typeof store>, key: string) => edit(changeStore(optionId, part), `cut-off-${key}`);
  return (
    <section aria-label="Cut-offs" className="mt-4 border-t border-line pt-3">
      <h2 className="text-body font-semibold">When the store has no more to give</h2>
      <div className="grid grid-cols-4 items-end gap-x-5 gap-y-2 pt-1 @max-[760px]:grid-cols-2">
        <Choice
          label="First goes"
          value={job.rules.dropOrder}
          options={ORDERS}
          onChange={(dropOrder) => edit(changeRules({ dropOrder }), 'drop-order')}
        />
        <QuantityField
          label="Loads are cut off at"
          unit="% of charge"
          factor={0.01}
          value={store.cutOff}
          auto="its usable depth"
          min={0}
          max={95}
          onChange={(cutOff) => change({ cutOff }, 'at')}
        />
        <QuantityField
          label="They come back above that by"
          unit="points"
          factor={0.01}
          value={store.reconnect}
          auto="10, usual"
          min={1}
          max={90}
          onChange={(reconnect) => change({ reconnect }, 'back')}
        />
        <QuantityField
          label="Kept for critical loads"
          unit="points"
          factor={0.01}
          value={store.keepForCritical}
          min={0}
          max={80}
          onChange={(keepForCritical) => keepForCritical !== null && change({ keepForCritical }, 'keep')}
        />
        <Choice
          label="Kept to stop what runs"
          value={job.rules.keepToStop ? 'yes' : 'no'}
          options={STOPS}
          onChange={(kept) => edit(changeRules({ keepToStop: kept === 'yes' }), 'keep-to-stop')}
        />
      </div>
    </section>
  );
}
