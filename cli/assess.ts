/**
 * `npm run -s assess -- FILE.json [--option ID] [--moves | --moment | --store | --sources | --runs]`: prints the assessment of one option as JSON;
 * with --moves what could be done to lose less, ranked, and the best order; with --moment the heaviest sets, sizes and
 * kinds of inverter, and what runs together on each supply, with the start order; with --store the bank, what fills it
 * and how fast, what each depth costs, and the job at 12, 24 and 48 V; with --sources what fills it: twelve months ×
 * kinds of day, each array's ledger from laboratory watts, its controller's window, unlike panels, driving, supplies;
 * with --runs each cable as laid or proposed (size, drop, loss, fuse, what decided), each appliance's volts and the state
 * of charge at which it drops out.
 */
import { parseArgs } from 'node:util';
import {
  assess,
  bestSequence,
  boxChoice,
  copperChoice,
  evaluate,
  type Job,
  momentDetail,
  PARTS,
  prepareMoves,
  rankMoves,
  runsDetail,
  sourcesDetail,
  storeDetail,
  thickerRuns,
} from '@joulemetric/core';
import { asJson, oneFile, parsed } from './command.ts';
import { withFlatIds } from './flatIds.ts';
import { optionOf, readJob } from './readJob.ts';

const USAGE = 'usage: npm run -s assess -- FILE.json [--option ID] [--moves | --moment | --store | --sources | --runs]';

export async function run(args: readonly string[]): Promise<string> {
  const { values, positionals } = parsed(
    () =>
      parseArgs({
        args: [...args],
        allowPositionals: true,
        options: {
          option: { type: 'string' },
          moves: { type: 'boolean' },
          moment: { type: 'boolean' },
          store: { type: 'boolean' },
          sources: { type: 'boolean' },
          runs: { type: 'boolean' },
        },
      }),
    USAGE,
  );
  const file = oneFile(positionals, USAGE);
  const job = await readJob(file);
  const asked = ASKED.find(([flag]) => values[flag])?.[1] ?? assess;
  return asJson(withFlatIds(asked(job, optionOf(job, values.option, file))));
}

function momentOf(job: Job, optionId: string): object {
  const { busPeak, supplies } = evaluate(job, optionId);
  return { optionId, bus: busPeak, ...momentDetail(job, optionId), orders: supplies.map(orderOf) };
}

function storeOf(job: Job, optionId: string): object {
  const { store, assessment, busPeak, nominalV, heater } = evaluate(job, optionId);
  const { bank, ah, capacityWh, usableWh, need, chargeLimitA, discharge, heating } = store;
  return {
    optionId,
    bank: {
      busV: job.options.find(({ id }) => id === optionId)?.system.busVoltageV,
      nominalV,
      ah,
      capacityWh,
      usableWh,
      requiredWh: need.requiredWh,
      requiredAh: need.requiredWh / nominalV,
      decidedBy: need.decidedBy,
      chargeLimitA,
      discharge,
      worstA: busPeak.weight / nominalV,
      heating,
      heaterWh: heater.wh,
      daysNew: store.new.days,
      daysOld: store.old.days,
      kg: bank?.kg ?? null,
      price: bank?.price ?? null,
      units: bank?.units ?? null,
      strings: bank?.strings ?? null,
    },
    ...storeDetail(job, optionId, PARTS),
    findings: assessment.findings.filter(({ where }) => where.step === 'store'),
  };
}

function sourcesOf(job: Job, optionId: string): object {
  const { assessment } = evaluate(job, optionId);
  const { unlike, ...detail } = sourcesDetail(job, optionId);
  const { columns, none } = boxChoice(job, optionId, PARTS);
  return {
    optionId,
    ...detail,
    // The points of the curves are for drawing.
    unlike: unlike.map(({ curve: _curve, curves: _curves, ...points }) => points),
    oneBox: { columns: columns.map(({ system: _system, ...column }) => column), none },
    findings: assessment.findings.filter(({ where }) => where.step === 'sources'),
  };
}

function cablesOf(job: Job, optionId: string): object {
  const { assessment } = evaluate(job, optionId);
  const { proposed: _proposed, completed: _completed, ...detail } = runsDetail(job, optionId);
  const findings = assessment.findings.filter(({ where }) => where.step === 'runs');
  const thicker = thickerRuns(job, optionId);
  const lines = detail.lines.map((line) => ({ ...line, thicker: thicker[line.run.id] ?? null }));
  return { optionId, ...detail, lines, copper: copperChoice(job, optionId), findings };
}

function orderOf({ limit, order, worstOrder, allAtOnce }: ReturnType<typeof evaluate>['supplies'][number]): object {
  return { supplyId: limit.supply.id, unit: limit.unit, ...order, worstOrder, allAtOnce };
}

function movesOf(job: Job, optionId: string): object {
  const prepared = prepareMoves(job, optionId);
  return { optionId, ...rankMoves(prepared, []), sequence: bestSequence(prepared).steps };
}

/** What is printed instead of the assessment; of several the first. */
const ASKED = [
  ['moves', movesOf],
  ['store', storeOf],
  ['sources', sourcesOf],
  ['runs', cablesOf],
  ['moment', momentOf],
] as const;
