import {
  FAULT_KINDS,
  INSTRUMENT_KINDS,
  type InstrumentFault,
  type InstrumentKind,
  type Truth,
} from '@joulemetric/core';
import type { Request, Router } from 'express';
import type { Pool } from 'pg';
import { Problem } from '../errors.ts';
import {
  changeInstrument,
  insertInstrument,
  listInstruments,
  MOST_INSTRUMENTS,
  type StoredInstrument,
} from '../queries/instrument.ts';
import type { StoredLog } from '../queries/log.ts';
import { uuidFrom } from './ids.ts';

const MOST_STEPS = 2000;
const SPEEDS = [1, 10, 60, 600] as const;

/** `/:id/instruments`: simulated instruments that record into a log. */
export function instrumentRoutes(router: Router, pool: Pool, logOf: (request: Request) => Promise<StoredLog>): void {
  router.get('/:id/instruments', async (request, response) => {
    const { number } = await logOf(request);
    response.json((await listInstruments(pool, number)).map(shown));
  });

  router.post('/:id/instruments', async (request, response) => {
    const { number } = await logOf(request);
    const stored = await insertInstrument(pool, number, instrumentFrom(request.body));
    if (!stored) throw new Problem('list-full', `A log has at most ${MOST_INSTRUMENTS} instruments.`);
    response.status(201).json(shown(stored));
  });

  router.patch('/:id/instruments/:instrument', async (request, response) => {
    const { number } = await logOf(request);
    const id = uuidFrom(request, 'instrument', 'unknown-instrument');
    const { faults, zeroed, stopped } = (request.body ?? {}) as {
      faults?: unknown;
      zeroed?: unknown;
      stopped?: unknown;
    };
    const change = {
      ...(faults === undefined ? {} : { faults: faultsFrom(faults) }),
      ...(typeof zeroed === 'boolean' ? { zeroed } : {}),
    };
    const stored = await changeInstrument(pool, number, id, change, typeof stopped === 'boolean' ? stopped : null);
    if (!stored) throw new Problem('unknown-instrument', `The log has no instrument ${id}.`);
    response.json(shown(stored));
  });
}

/** What the page needs of one: not what is really so, which no instrument tells. */
const shown = ({ id, document, startedMs, stored, stopped }: StoredInstrument) => ({
  id,
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
  if (!(Number.isInteger(seed) && Math.abs(seed as number) < 2 ** 31)) refuse('seed', 'a whole number');
  return {
    kind: kind as InstrumentKind,
    everyS: everyS as number,
    speed: speed as number,
    seed: seed as number,
    zeroed: zeroed === true,
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

function truthFrom(truth: unknown): Truth {
  const { stepMin, ah, ...lists } = (truth ?? {}) as Record<string, unknown>;
  if (!(typeof stepMin === 'number' && stepMin >= 1 && stepMin <= 60)) refuse('truth/stepMin', 'minutes from 1 to 60');
  if (!(typeof ah === 'number' && ah > 0 && ah <= 1e6)) refuse('truth/ah', 'a number above 0');
  const [w, needW, soc, v, airC, storeC] = (['w', 'needW', 'soc', 'v', 'airC', 'storeC'] as const).map((name) => {
    const list = lists[name];
    const isGood =
      Array.isArray(list) &&
      list.length > 0 &&
      list.length <= MOST_STEPS &&
      list.every((value) => Number.isFinite(value) && Math.abs(value) < 1e6);
    return isGood ? (list as number[]) : refuse(`truth/${name}`, `1 to ${MOST_STEPS} numbers`);
  }) as [number[], number[], number[], number[], number[], number[]];
  if (new Set([w, needW, soc, v, airC, storeC].map(({ length }) => length)).size > 1)
    refuse('truth', 'lists of one length');
  if (!v.every((volts) => volts > 1)) refuse('truth/v', 'volts above 1');
  return { stepMin: stepMin as number, ah: ah as number, w, needW, soc, v, airC, storeC };
}
