import { randomUUID } from 'node:crypto';
import {
  FAULT_KINDS,
  INSTRUMENT_KINDS,
  type InstrumentFault,
  type InstrumentKind,
  type Truth,
} from '@joulemetric/core';
import type { Request, Response, Router } from 'express';
import type { Pool } from 'pg';
import { inTransaction } from '../database.ts';
import { Problem } from '../errors.ts';
import {
  changeInstrument,
  insertInstrument,
  listInstruments,
  MOST_INSTRUMENTS,
  MOST_RECORDING,
  readInstrument,
  type StoredInstrument,
} from '../queries/instrument.ts';
import type { StoredLog } from '../queries/log.ts';
import { uuidFrom } from './ids.ts';
import { seenFrom } from './seen.ts';

const MOST_STEPS = 2000;
/** Readings that one may show in a second of real time. */
const MOST_A_SECOND = 60;
const SPEEDS = [1, 10, 60, 600] as const;

/** `/:id/instruments`: simulated instruments that record into a log. */
export function instrumentRoutes(
  router: Router,
  pool: Pool,
  workspace: (request: Request) => Promise<string>,
  logOf: (request: Request) => Promise<StoredLog>,
): void {
  router.get('/:id/instruments', async (request, response) => {
    const { number } = await logOf(request);
    response.json((await listInstruments(pool, number)).map(shown));
  });

  const make = async (request: Request, response: Response, id: string): Promise<void> => {
    const { number } = await logOf(request);
    const document = instrumentFrom(request.body);
    const owner = await workspace(request);
    const made = await inTransaction(pool, (db) => insertInstrument(db, owner, number, id, document));
    if ('full' in made) throw new Problem(made.full === 'gone' ? 'unknown-log' : 'list-full', FULL[made.full]);
    response.status(made.isNew ? 201 : 200).json(shown(made.stored));
  };

  router.post('/:id/instruments', (request, response) => make(request, response, randomUUID()));

  router.put('/:id/instruments/:instrument', async (request, response) => {
    const id = uuidFrom(request, 'instrument', 'unknown-instrument');
    if (seenFrom(request) !== 'none')
      throw new Problem('version-required', 'An instrument is made with If-None-Match: *, and changed with PATCH.');
    await make(request, response, id);
  });

  router.patch('/:id/instruments/:instrument', async (request, response) => {
    const { number } = await logOf(request);
    const id = uuidFrom(request, 'instrument', 'unknown-instrument');
    const seen = seenFrom(request);
    const { faults, zeroed, stopped } = (request.body ?? {}) as Record<'faults' | 'zeroed' | 'stopped', unknown>;
    const change = {
      ...(faults === undefined ? {} : { faults: faultsFrom(faults) }),
      ...(zeroed === undefined ? {} : { zeroed: yesOrNo('zeroed', zeroed) }),
    };
    const stops = stopped === undefined ? null : yesOrNo('stopped', stopped);
    const stored = seen === 'none' ? null : await changeInstrument(pool, number, id, seen, change, stops);
    if (stored) {
      response.json(shown(stored));
      return;
    }
    const current = await readInstrument(pool, number, id);
    if (!current) throw new Problem('unknown-instrument', `The log has no instrument ${id}.`);
    throw new Problem('version-conflict', `The instrument is at version ${current.version}.`, {
      current: shown(current),
    });
  });
}

const FULL = {
  log: `A log has at most ${MOST_INSTRUMENTS} instruments.`,
  all: `At most ${MOST_RECORDING} instruments record at once. End some first.`,
  gone: 'The log was removed meanwhile.',
} as const;

function yesOrNo(field: string, value: unknown): boolean {
  return typeof value === 'boolean' ? value : refuse(field, 'true or false');
}

/** What the page needs of one: not what is really so, which no instrument tells. */
const shown = ({ id, version, document, startedMs, stored, stopped }: StoredInstrument) => ({
  id,
  version,
  kind: document.kind,
  everyS: document.everyS,
  speed: document.speed,
  faults: document.faults,
  zeroed: document.zeroed,
  startedMs,
  stored,
  stopped,
});

function instrumentFrom(body: unknown): StoredInstrument['document'] {
  const {
    kind,
    everyS = 1,
    speed = 1,
    seed = 1,
    faults = [],
    zeroed = false,
    truth,
  } = (body ?? {}) as Record<string, unknown>;
  if (!INSTRUMENT_KINDS.includes(kind as InstrumentKind)) refuse('kind', `one of ${INSTRUMENT_KINDS.join(', ')}`);
  if (!(typeof everyS === 'number' && everyS >= 0.5 && everyS <= 3600))
    refuse('everyS', 'a number of seconds from 0.5 to 3,600');
  if (!SPEEDS.includes(speed as (typeof SPEEDS)[number])) refuse('speed', `one of ${SPEEDS.join(', ')}`);
  if ((speed as number) / (everyS as number) > MOST_A_SECOND)
    refuse('speed', `at most ${MOST_A_SECOND} readings a second: speed ÷ everyS`);
  if (!(Number.isInteger(seed) && Math.abs(seed as number) < 2 ** 31)) refuse('seed', 'a whole number');
  return {
    kind: kind as InstrumentKind,
    everyS: everyS as number,
    speed: speed as number,
    seed: seed as number,
    zeroed: yesOrNo('zeroed', zeroed),
    faults: faultsFrom(faults),
    truth: truthFrom(truth),
  };
}

function refuse(field: string, expected: string): never {
  throw new Problem('invalid-instrument', `/${field}: expected ${expected}.`);
}

function faultsFrom(faults: unknown): InstrumentFault[] {
  if (!Array.isArray(faults) || !faults.every((fault) => FAULT_KINDS.includes(fault)))
    refuse('faults', `a list of ${FAULT_KINDS.join(', ')}`);
  return [...new Set(faults as InstrumentFault[])];
}

/** Between which each list of what is really so lies; a state of charge is a share. */
const TRUTH = {
  w: [-200_000, 200_000],
  needW: [-200_000, 200_000],
  soc: [-0.001, 1.001],
  v: [1, 1000],
  airC: [-90, 200],
  storeC: [-90, 200],
} as const satisfies Partial<Record<keyof Truth, readonly [number, number]>>;

function truthFrom(truth: unknown): Truth {
  const { stepMin, ah, ...lists } = (truth ?? {}) as Record<string, unknown>;
  if (!(typeof stepMin === 'number' && stepMin >= 1 && stepMin <= 60)) refuse('truth/stepMin', 'minutes from 1 to 60');
  if (!(typeof ah === 'number' && ah > 0 && ah <= 1e6)) refuse('truth/ah', 'a number above 0');
  const [w, needW, soc, v, airC, storeC] = Object.entries(TRUTH).map(([name, [least, most]]) => {
    const list = lists[name];
    const isGood =
      Array.isArray(list) &&
      list.length > 0 &&
      list.length <= MOST_STEPS &&
      list.every((value) => typeof value === 'number' && value >= least && value <= most);
    return isGood ? (list as number[]) : refuse(`truth/${name}`, `1 to ${MOST_STEPS} numbers from ${least} to ${most}`);
  }) as [number[], number[], number[], number[], number[], number[]];
  if (new Set([w, needW, soc, v, airC, storeC].map(({ length }) => length)).size > 1)
    refuse('truth', 'lists of one length');
  return { stepMin: stepMin as number, ah: ah as number, w, needW, soc, v, airC, storeC };
}
