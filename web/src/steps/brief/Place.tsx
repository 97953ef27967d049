import {
  designMonth,
  IMPERIAL,
  type Job,
  monthlyExtraterrestrialKwh,
  monthName,
  readCoordinate,
  SKY,
} from '@joulemetric/core';
import { useState } from 'react';
import { changePlace, changeRegion } from '../../commands/design.ts';
import { useJob } from '../../shell/JobContext.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { MonthsField } from '../../ui/MonthsField.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { PlaceSearch } from './PlaceSearch.tsx';
import { Section } from './Section.tsx';
import { WeatherFile } from './WeatherFile.tsx';

const MAINS = [
  { value: '230V-50Hz', label: '230 V 50 Hz' },
  { value: '120V-60Hz', label: '120 V 60 Hz' },
] as const;
const UNITS = [
  { value: 'metric', label: 'kg, °C, m' },
  { value: 'imperial', label: 'lb, °F, ft' },
] as const;

/** What is finer than a latitude and a word for the sky: where the clocks stand, how high it is, what a table says. */
function FinerPlace() {
  const { job, edit } = useJob();
  const { place } = job.brief;
  const { monthly, longitudeDeg, utcOffsetH, heightM } = place;
  const [unfolded] = useState(() =>
    [longitudeDeg, utcOffsetH, heightM, ...Object.values(monthly)].some((one) => one !== null && one !== ''),
  );
  const change = (part: Partial<typeof monthly>, key: string) =>
    edit(changePlace({ monthly: { ...monthly, ...part, days: null } }), `monthly-${key}`);
  const imperial = job.brief.region.units === 'imperial';
  const { unit, to, from } = IMPERIAL['°C'];
  const degrees = imperial ? { unit, shown: to, stored: from } : { unit: '°C' };
  const range = (min: number, max: number) =>
    imperial ? { min: Math.ceil(to(min)), max: Math.floor(to(max)) } : { min, max };
  return (
    <details className="col-span-full" open={unfolded}>
      <summary className="cursor-pointer py-1 text-note text-ink-2">Clocks, height, month by month</summary>
      <div className="grid grid-cols-3 gap-x-5 gap-y-3 pt-2 phone:grid-cols-1">
        <QuantityField
          label="Longitude, west negative"
          unit="°"
          read={(text) => readCoordinate(text, 'longitude')}
          value={place.longitudeDeg}
          auto="not known"
          min={-180}
          max={180}
          onChange={(value) => edit(changePlace({ longitudeDeg: value }), 'longitude')}
        />
        <QuantityField
          label="Clocks ahead of UTC"
          unit="h"
          value={place.utcOffsetH}
          auto="by the sun"
          min={-12}
          max={14}
          onChange={(value) => edit(changePlace({ utcOffsetH: value }), 'utc')}
        />
        <RegionField
          label="Above the sea"
          quantity="m"
          value={place.heightM}
          auto="not known"
          min={-430}
          max={6000}
          note={place.heightM === null ? undefined : 'a new generator is derated for it'}
          onChange={(value) => edit(changePlace({ heightM: value }), 'height')}
        />
      </div>
      <WeatherFile />
      <div className="space-y-3 pt-3">
        <MonthsField
          label="Peak sun hours, January to December"
          unit="h"
          value={monthly.peakSunHours}
          min={0}
          max={12}
          // Bright and dull days of a file are not those of other figures.
          onChange={(peakSunHours) =>
            change({ peakSunHours, brightSunHours: null, dullSunHours: null, from: '' }, 'sun')
          }
        />
        <ClearnessField
          place={place}
          onChange={(peakSunHours) =>
            change({ peakSunHours, brightSunHours: null, dullSunHours: null, from: '' }, 'clearness')
          }
        />
        <MonthsField
          label="Usual afternoons, January to December"
          {...degrees}
          {...range(-40, 60)}
          value={monthly.dayTempC}
          onChange={(dayTempC) => change({ dayTempC }, 'day')}
        />
        <MonthsField
          label="Usual nights, January to December"
          {...degrees}
          {...range(-50, 50)}
          value={monthly.nightTempC}
          onChange={(nightTempC) => change({ nightTempC }, 'night')}
        />
      </div>
    </details>
  );
}

/** The same sun, said as the share of what arrives above the air: clearness K of each month. */
function ClearnessField({
  place,
  onChange,
}: {
  place: Job['brief']['place'];
  onChange: (peakSunHours: readonly number[] | null) => void;
}) {
  const above = Array.from({ length: 12 }, (_, m) => monthlyExtraterrestrialKwh(place.latitudeDeg, m + 1));
  const { peakSunHours } = place.monthly;
  return (
    <MonthsField
      label="or clearness K, January to December"
      unit=""
      value={peakSunHours?.map((hours, m) => (above[m] ? hours / above[m] : 0)) ?? null}
      min={0}
      max={0.86}
      onChange={(clearness) =>
        onChange(clearness?.map((k, m) => Math.round(Math.min(12, k * (above[m] ?? 0)) * 1000) / 1000) ?? null)
      }
    />
  );
}

/** Where it is used: its sky, its warmth, and what is finer than these. */
export function Place() {
  const { job, edit } = useJob();
  const { place, region } = job.brief;
  const skies = Object.entries(SKY).map(([value, { name }]) => ({ value: value as keyof typeof SKY, label: name }));
  return (
    <Section title="Place and sky">
      <PlaceSearch />
      <TextField
        label="Where it is used"
        value={place.label}
        onChange={(label) => edit(changePlace({ label }), 'place')}
      />
      <QuantityField
        label="Latitude, south negative"
        unit="°"
        read={(text) => readCoordinate(text, 'latitude')}
        value={place.latitudeDeg}
        min={-90}
        max={90}
        onChange={(value) => value !== null && edit(changePlace({ latitudeDeg: value }), 'latitude')}
      />
      <Choice label="Sky there" value={place.sky} options={skies} onChange={(sky) => edit(changePlace({ sky }))} />
      <QuantityField
        label={`Peak sun hours in ${monthName(designMonth(job.brief))}, if known`}
        unit="h"
        value={place.peakSunHours}
        auto="from latitude and sky"
        min={0}
        max={12}
        onChange={(value) => edit(changePlace({ peakSunHours: value }), 'sunhours')}
      />
      <RegionField
        quantity="°C"
        label="Usual afternoon"
        value={place.dayTempC}
        min={-40}
        max={60}
        onChange={(value) => value !== null && edit(changePlace({ dayTempC: value }), 'day-temp')}
      />
      <RegionField
        quantity="°C"
        label="Usual night"
        value={place.nightTempC}
        min={-50}
        max={50}
        onChange={(value) => value !== null && edit(changePlace({ nightTempC: value }), 'night-temp')}
      />
      <RegionField
        quantity="°C"
        label="Lowest on record"
        value={place.lowestC}
        auto="not known: 10 K below a usual night"
        min={-90}
        max={50}
        onChange={(value) => edit(changePlace({ lowestC: value }), 'lowest-temp')}
      />
      <FinerPlace />
      <Choice
        label="Mains of the region"
        value={region.mains}
        options={MAINS}
        onChange={(mains) => edit(changeRegion({ mains }))}
      />
      <Choice
        label="Weights, warmth and lengths in"
        value={region.units}
        options={UNITS}
        onChange={(units) => edit(changeRegion({ units }))}
      />
    </Section>
  );
}
