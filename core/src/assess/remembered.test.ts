import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { prepareDays, tripDetail } from '../choices/daysDetail.ts';
import { kindsOf } from '../choices/kindsOfDay.ts';
import { runsDetail } from '../choices/runsDetail.ts';
import { dayBalance, sourcesDetail } from '../choices/sourcesDetail.ts';
import { blankArray } from '../job/blank.ts';
import type { Job } from '../job/schema.ts';
import { assess } from './assess.ts';

const DEMO = new URL('../../../demo/', import.meta.url);
const demos = readdirSync(DEMO).map((name) => JSON.parse(readFileSync(new URL(name, DEMO), 'utf8')) as Job);

/** A job with an array of its own and its runs laid, so that cables count. */
function laid(job: Job): Job {
  const [option, ...others] = job.options;
  if (!option) throw new Error('the job has no option');
  const arrays = [blankArray('roof', 'Roof', 300)];
  const chosen = { ...job, options: [{ ...option, system: { ...option.system, arrays } }, ...others] };
  const { proposed } = runsDetail(chosen, option.id);
  return { ...chosen, options: [{ ...option, system: { ...option.system, arrays, runs: [...proposed] } }, ...others] };
}

type Path = readonly (string | number)[];

/** Where numbers and yes-or-no stand in a value. */
function leaves(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number' || typeof value === 'boolean') return [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, part]) =>
    leaves(part, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

/** The value with something else at one place; all that is not on the way there stays the very same object. */
function edited<T>(value: T, [key, ...rest]: Path, change: (was: unknown) => unknown = otherThan): T {
  if (key === undefined) return change(value) as T;
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as T;
  copy[key as keyof T] = edited(copy[key as keyof T], rest, change);
  return copy;
}

const otherThan = (was: unknown): unknown =>
  typeof was === 'number' ? (was === 0 ? 1 : Math.round(was * 110) / 100) : !was;

/** Words that stand for something else, one at a time. */
const WORDS: readonly (readonly [Path, unknown])[] = [
  [['options', 0, 'system', 'store', 'chemistry'], 'agm'],
  [['options', 0, 'system', 'store', 'roundTripEfficiency'], 0.8],
  [['options', 0, 'system', 'store', 'chargeV'], 13],
  [['options', 0, 'system', 'store', 'selfDischarge'], 0.3],
  [['options', 0, 'system', 'devices', 0, 'policy'], 'always'],
  [['brief', 'place', 'sky'], 'cloudy'],
  [['brief', 'months'], [1]],
  [['brief', 'place', 'latitudeDeg'], -10],
  [['rules', 'arrayFactor'], 0.3],
  [['rules', 'cables', 'coldC'], 60],
  [['brief', 'drives'], []],
  [['rules', 'cables', 'limits'], 'caravan'],
  [['rules', 'coincide'], 'by-lanes'],
  [['rules', 'inverterCurve'], 'flat'],
  [['together', 'atMost'], []],
  [['loads', 0, 'critical'], true],
];

/** All that is asked of a job, or the words in which it is refused. */
function answers(job: Job): unknown {
  const id = job.options[0]?.id ?? '';
  const kinds = kindsOf(job).filter((_, k) => k !== 1);
  try {
    return {
      assessed: assess(job, id),
      runs: runsDetail(job, id),
      days: kinds.map((kind) => dayBalance(job, id, 6, kind, 1e5)),
    };
  } catch (error) {
    return String(error);
  }
}

/** What a week of Days has of sun and of all else. */
const sun = (job: Job) => {
  const ask = { month: null, weather: 'typical', ifs: [], stepMin: 15 } as const;
  return tripDetail(prepareDays(job, job.options[0]?.id ?? '', ask)).run.books;
};

const cells = (job: Job) => sourcesDetail(job, job.options[0]?.id ?? '', 1e5).cells;

describe('what is remembered of a job', () => {
  it.each(demos.map((job) => [job.title, laid(job)] as const))(
    'is what would be reckoned anew, whatever one thing is edited: %s',
    (_, job) => {
      // Of many alike, loads and runs, the first.
      const numbers = leaves(job).filter(
        (path) => !['loads', 'runs'].some((many) => path.includes(many) && !isFirst(path, many)),
      );
      expect(numbers.length).toBeGreaterThan(50);
      answers(job);
      // Every third of them takes seconds enough; the jobs have them in other places.
      for (const path of numbers.filter((_, i) => i % 3 === job.loads.length % 3)) {
        const other = edited(job, path);
        expect(answers(other), path.join('.')).toEqual(answers(structuredClone(other)));
      }
      const lead = job.options[0]?.system.runs?.findIndex(({ end }) => end === 'panels');
      const words = [...WORDS, [['options', 0, 'system', 'runs', lead, 'lengthM'], 9] as never];
      sun(job);
      for (const [path, word] of words) {
        const other = edited(job, path, () => word);
        expect(sun(other), path.join('.')).toEqual(sun(structuredClone(other)));
        expect(answers(other), path.join('.')).toEqual(answers(structuredClone(other)));
      }
    },
  );
});

it('is kept apart by option, by kind of day and by what else is said in words', () => {
  for (const [i, asStored] of demos.entries()) {
    const job = edited(asStored, ['options', 0, 'system', 'runs'], () => null);
    answers(job);
    cells(job);
    sun(job);
    const feeds = job.loads.slice(0, 1).map(({ id }) => ({
      load: id,
      path: 'supply-only' as const,
      device: null,
      converterEfficiency: null,
    }));
    for (const [path, word] of [...WORDS, [['options', 0, 'feeds'], feeds] as const]) {
      const other = edited(job, path, () => word);
      expect(answers(other), path.join('.')).toEqual(answers(structuredClone(other)));
      expect(sun(other), path.join('.')).toEqual(sun(structuredClone(other)));
      if (i === 0) expect(cells(other), path.join('.')).toEqual(cells(structuredClone(other)));
    }
    const [option] = job.options;
    const both = {
      ...job,
      options: [option, { ...option, id: 'other', system: { ...option?.system, busVoltageV: 48 } }],
    };
    const asked = (id: string) => runsDetail(both as Job, id).appliances[0]?.volts.full.cold ?? 0;
    expect(asked(option?.id ?? '')).toBeLessThan(30);
    expect(asked('other')).toBeGreaterThan(40);
  }
});

it('an idle that is edited counts in every kind of day', () => {
  const job = laid(demos[0] as Job);
  const needWh = (idleW: number) => {
    const other = edited(job, ['options', 0, 'system', 'arrays', 0, 'controller', 'idleW'], () => idleW);
    return cells(other)[0]?.needWh ?? 0;
  };
  expect(needWh(10) - needWh(0)).toBeGreaterThan(230);
});

const isFirst = (path: Path, list: string): boolean => path[path.indexOf(list) + 1] === 0;
