/**
 * `npm run -s simulate -- FILE.json [--option ID] [--years N] [--seed S] [--weather FILE]`: plays the job's days
 * through and prints the books and the odds as JSON: the trip of its plan in typical weather, a full store without sun, a
 * usual day of each month, and many years that might be. With a weather file the job stands at its place, and trip and
 * year are played hour by hour in its year.
 */
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import {
  type PreparedDays,
  placeOfWeather,
  prepareDays,
  survivals,
  tripDetail,
  yearDetail,
  yearsOdds,
  yearsSample,
} from '@joulemetric/core';
import { oneFile, parsed, refuse } from './command.ts';
import { optionOf, readJob } from './readJob.ts';
import { weatherIn } from './readWeather.ts';

const USAGE =
  'usage: npm run -s simulate -- FILE.json [--option ID] [--years N] [--seed S] [--step MINUTES] [--weather FILE]';
const STEPS = [1, 2, 3, 4, 5, 6, 10, 12, 15];
const MOST_YEARS = 2000;

function whole(name: string, text: string, least: number, most: number): number {
  const value = Number(text);
  if (!/^[+-]?\d+$/.test(text.trim()) || value < least || value > most)
    refuse(`--${name}: expected a whole number from ${least} to ${most}, found "${text}"`, USAGE);
  return value;
}

export async function run(args: readonly string[]): Promise<string> {
  const { values, positionals } = parsed(
    () =>
      parseArgs({
        args: [...args],
        allowPositionals: true,
        options: {
          option: { type: 'string' },
          years: { type: 'string', default: '200' },
          seed: { type: 'string', default: '1' },
          step: { type: 'string', default: '15' },
          weather: { type: 'string' },
        },
      }),
    USAGE,
  );
  const file = oneFile(positionals, USAGE);
  const years = whole('years', values.years, 0, MOST_YEARS);
  const seed = whole('seed', values.seed, 0, 2 ** 31 - 1);
  const stepMin = whole('step', values.step, 1, 15);
  if (!STEPS.includes(stepMin)) refuse(`--step: expected one of ${STEPS.join(', ')} minutes, found "${values.step}"`);
  const asRead = await readJob(file);
  const weather = values.weather === undefined ? null : await weatherIn(values.weather);
  const place = weather && placeOfWeather(weather, basename(values.weather ?? ''));
  const job = { ...asRead, brief: { ...asRead.brief, place: { ...asRead.brief.place, ...place } } };
  const optionId = optionOf(job, values.option, file);
  const kind = weather ? 'imported' : 'typical';
  const prepared = prepareDays(job, optionId, {
    month: null,
    weather: kind,
    ifs: [],
    stepMin,
    hourly: weather?.hourly ?? null,
  });
  const odds = years === 0 ? null : withBooks(yearsOdds(prepared, yearsSample(prepared, seed, 0, years), seed));
  return `${JSON.stringify({ optionId, stepMin, ...answer(prepared, kind), odds }, (_, value) => plain(value), 2)}\n`;
}

/** Typed arrays are printed as lists. */
function plain(value: unknown): unknown {
  return ArrayBuffer.isView(value) ? [...(value as Float32Array)] : value;
}

function answer(prepared: PreparedDays, weather: 'typical' | 'imported'): object {
  const { model, cutOff } = prepared.setup;
  const { run: trip, month, marks, unserved, beyond, plan } = tripDetail(prepared);
  const { typical, run: year } = yearDetail(prepared);
  return {
    store: {
      fullWh: model.fullWh,
      cutOffSoc: cutOff.soc,
      keepForCritical: cutOff.keep,
      reconnectSoc: cutOff.soc + cutOff.keep + cutOff.reconnect,
      inBySun: model.inBySun,
      inByAmps: model.inByAmps,
      out: model.out,
    },
    plan,
    survival: survivals(prepared).map(({ hours, ...one }) => ({
      ...one,
      hours,
      days: hours === null ? null : hours / 24,
    })),
    trip: { month, ...summaryOf(trip), marks, unserved, beyond },
    year: { weather, ...summaryOf(year) },
    typical,
  };
}

function withBooks({ books, fromStoreWh, ...odds }: ReturnType<typeof yearsOdds>): object {
  return { ...odds, books: { ...books, fromStoreWh, outOfBalanceWh: outOfBalance(books, fromStoreWh) } };
}

function outOfBalance(books: ReturnType<typeof yearsOdds>['books'], fromStoreWh: number): number {
  const { sunWh, drivingWh, supplyWh, usefulWh, conversionWh, idleWh, cableWh, storageWh } = books;
  return sunWh + drivingWh + supplyWh + fromStoreWh - usefulWh - conversionWh - idleWh - cableWh - storageWh;
}

function summaryOf({
  days,
  books,
  fromStoreWh,
  shortFromH,
  lockedH,
  lowSoc,
  shortWh,
  spilledWh,
  endSoc,
}: ReturnType<typeof tripDetail>['run']): object {
  return {
    days,
    books: { ...books, fromStoreWh, outOfBalanceWh: outOfBalance(books, fromStoreWh) },
    shortFromH,
    shortDays: [...shortWh].filter((wh) => wh > 0.01).length,
    lockedH,
    lowSoc,
    endSoc,
    shortWh,
    spilledWh,
  };
}
