import { type Static, Type } from '@sinclair/typebox';
import { boundsFault } from '../job/bounds.ts';
import type { Fault } from '../job/fault.ts';
import { FAULTS_SHOWN, twoWays } from '../job/schemaCheck.ts';
import { type HourlyYear, YEAR_HOURS } from './hours.ts';
import { COLDEST_C, HOTTEST_C, MOST_GHI_WH } from './series.ts';

const hours = (minimum: number, maximum: number, description: string) =>
  Type.Array(Type.Number({ minimum, maximum, description }), { minItems: YEAR_HOURS, maxItems: YEAR_HOURS });

const Schema = Type.Object(
  {
    latitudeDeg: Type.Number({ minimum: -90, maximum: 90, description: '°, north positive' }),
    longitudeDeg: Type.Number({ minimum: -180, maximum: 180, description: '°, east positive' }),
    utcOffsetH: Type.Number({ minimum: -12, maximum: 14, description: 'h ahead of UTC' }),
    ghiWh: hours(0, MOST_GHI_WH, 'Wh/m² on the flat in the hour'),
    tempC: hours(COLDEST_C, HOTTEST_C, '°C'),
  },
  { additionalProperties: false },
);

const fits = twoWays<Static<typeof Schema>>(Schema);

export type ValidatedHours =
  | { readonly ok: true; readonly year: HourlyYear }
  | { readonly ok: false; readonly faults: Fault[] };

/** The door for the hours of a weather file. */
export function validateHours(document: unknown): ValidatedHours {
  const tooMuch = boundsFault(document, YEAR_HOURS);
  if (tooMuch) return { ok: false, faults: [tooMuch] };
  return fits.accepts(document)
    ? { ok: true, year: document }
    : { ok: false, faults: fits.faults(document).slice(0, FAULTS_SHOWN) };
}
