import { chainOf } from '../paths/chain.ts';
import { holdsSeconds, PROTECTION, SELECTIVE_RATIO } from '../reference/protection.ts';
import type { RunRow } from '../runs/laid.ts';
import { thickerThan } from '../runs/sized.ts';
import type { Assessed, Finding, Rule } from './finding.ts';
import { namesOf } from './names.ts';

/** Runs that are laid; what is only proposed is not found fault with. */
const rowsOf = ({ runs }: Assessed): readonly RunRow[] => runs?.rows ?? [];

const at = ({ run }: RunRow) => ({ step: 'runs', runId: run.id }) as const;

const sizeOf = ({ areaMm2, parallel }: RunRow) => ({ areaMm2, parallel });

/** Of the next thicker that is sold, all beside one another, mm²; 0 = none is. */
function thickerMm2(row: RunRow): number {
  const next = thickerThan(row.run.conductor, row);
  return next ? next.areaMm2 * next.parallel : 0;
}

/** A below which nothing heats. */
const NO_CURRENT_A = 0.01;

/** More flows for hours than the cable bears as it lies. */
export const runUndersized: Rule = (assessed) =>
  rowsOf(assessed)
    .filter(({ carried, ampacityA }) => carried.lowA > ampacityA + 1e-9)
    .map((row) => ({
      code: 'run-undersized',
      severity: 'stop',
      where: at(row),
      values: { name: row.run.name, amps: row.carried.lowA, bearsA: row.ampacityA, ...sizeOf(row) },
    }));

/** A fuse that lets more through than its cable bears: it protects nothing. */
export const runOverFused: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { ratingA } = row.fuse;
    if (ratingA === null || ratingA <= row.ampacityA + 1e-9) return [];
    return [
      {
        code: 'run-over-fused',
        severity: 'stop',
        where: at(row),
        values: { name: row.run.name, ratingA, bearsA: row.ampacityA, ...sizeOf(row) },
      },
    ];
  });

/** Nothing on the way from a source that opens before the cable burns. Panels give no more than their cable is sized for. */
export const runUnfused: Rule = (assessed) => {
  const rows = rowsOf(assessed);
  const protects = (row: RunRow, ampacityA: number) =>
    row.fuse.ratingA !== null && row.fuse.ratingA <= ampacityA + 1e-9;
  return rows
    .filter((row) => {
      if (row.fuse.kind !== null || row.run.end === 'panels' || behindPort(row)) return false;
      for (let above = rows[row.parent]; above; above = rows[above.parent])
        if (above.zone.kind === row.zone.kind && protects(above, row.ampacityA)) return false;
      return true;
    })
    .map((row) => ({
      code: 'run-unfused',
      severity: 'stop',
      where: at(row),
      values: { name: row.run.name, bearsA: row.ampacityA, shortA: row.shortA ?? 0 },
    }));
};

/** A port or converter limits what comes out of it; the way to a port is inside its station. */
const behindPort = ({ zone, run }: RunRow): boolean =>
  zone.kind === 'output' || (run.end === 'device' && run.from === null);

/** A fuse of a kind that is sold for fewer volts: it arcs on instead of opening. */
export const runFuseVolts: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { kind, ratedV } = row.fuse;
    if (kind === null || ratedV !== null) return [];
    const values = {
      name: row.run.name,
      kind: PROTECTION[kind].name,
      volts: row.volts,
      soldV: PROTECTION[kind].soldForV.at(-1) as number,
    };
    return [{ code: 'run-fuse-volts', severity: 'stop', where: at(row), values }];
  });

/** A fuse that what runs for hours opens. */
export const runFuseSmall: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { ratingA, neededA } = row.fuse;
    if (ratingA === null || ratingA >= neededA - 1e-9 || row.carried.lowA < NO_CURRENT_A) return [];
    return [
      {
        code: 'run-fuse-small',
        severity: 'caution',
        where: at(row),
        values: { name: row.run.name, ratingA, neededA, amps: row.carried.lowA },
      },
    ];
  });

/** A cable that carries the current and for which no fuse is sold: none lies between 1.25 × the current and what it bears. */
export const runNoFuseFits: Rule = (assessed) =>
  rowsOf(assessed)
    .filter(
      ({ fuse, ampacityA, run, carried }) =>
        run.protection !== 'none' &&
        run.ratingA === null &&
        carried.lowA <= ampacityA &&
        (fuse.ratingA === null || fuse.ratingA > ampacityA + 1e-9 || fuse.ratingA < fuse.neededA - 1e-9),
    )
    .map((row) => ({
      code: 'run-no-fuse-fits',
      severity: 'caution',
      where: at(row),
      values: { name: row.run.name, neededA: row.fuse.neededA, bearsA: row.ampacityA, ...sizeOf(row) },
    }));

/** A start that lasts longer than the fuse surely holds at that current. */
export const runStartOpens: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { kind, ratingA, holdsSeconds: holds } = row.fuse;
    if (kind === null || ratingA === null || row.carried.startSeconds <= holds + 1e-9) return [];
    return [
      {
        code: 'run-start-opens',
        severity: 'caution',
        where: at(row),
        values: {
          name: row.run.name,
          ratingA,
          kind: PROTECTION[kind].name,
          startA: row.carried.startA,
          seconds: row.carried.startSeconds,
          holdsSeconds: holdsSeconds(PROTECTION[kind], row.carried.startA / ratingA),
        },
      },
    ];
  });

/** The first fuse from the bank must break the bank's own short circuit. */
export const runInterrupt: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { kind, interruptA, mustInterruptA } = row.fuse;
    if (kind === null || mustInterruptA === null || interruptA >= mustInterruptA) return [];
    return [
      {
        code: 'run-interrupt',
        severity: 'caution',
        where: at(row),
        values: { name: row.run.name, kind: PROTECTION[kind].name, interruptA, shortA: mustInterruptA },
      },
    ];
  });

/** A main fuse that is not so much larger than one behind it that the other surely opens first. */
export const runNotSelective: Rule = (assessed) => {
  const rows = rowsOf(assessed);
  return rows.flatMap((row): Finding[] => {
    const above = rows[row.parent];
    const [own, main] = [row.fuse.ratingA, above?.fuse.ratingA ?? null];
    if (!above || above.zone.kind !== row.zone.kind || own === null || main === null) return [];
    const ratio = SELECTIVE_RATIO[row.fuse.kind ?? 'strip'];
    if (main >= own * ratio - 1e-9) return [];
    return [
      {
        code: 'run-not-selective',
        severity: 'note',
        where: at(row),
        values: { name: row.run.name, main: above.run.name, ratingA: own, mainA: main, ratio },
      },
    ];
  });
};

/** More of the volts lost on the way than the limit chosen allows. */
export const runDrop: Rule = (assessed) =>
  rowsOf(assessed)
    // That of an alternator is told of where it is reckoned, with its charger.
    .filter(
      ({ run: { end }, wayShare, limitShare }) =>
        end !== 'busbar' && end !== 'alternator' && wayShare > limitShare * (1 + 1e-9),
    )
    .map((row) => ({
      code: 'run-drop',
      severity: 'caution',
      where: at(row),
      values: {
        name: row.run.name,
        share: row.wayShare,
        limit: row.limitShare,
        lostV: row.wayShare * row.volts,
        ...sizeOf(row),
        thickerMm2: thickerMm2(row),
        lengthM: row.lengthM,
      },
    }));

/** A load for which no voltage exists at which it gets what it asks for. */
export const runCollapse: Rule = ({ runs }) =>
  (runs?.appliances ?? []).flatMap((one): Finding[] => {
    if (one.fallsAt === null) return [];
    const runsAtAll = one.volts.low.hot !== null;
    return [
      {
        code: 'run-collapse',
        severity: 'stop',
        where: { step: 'runs', loadId: one.loadId, ...(one.runId === null ? {} : { runId: one.runId }) },
        values: { name: one.name, falls: one.fallsAt, what: runsAtAll ? 'start' : 'run' },
      },
    ];
  });

/** A start that pulls its own volts below what it needs. */
export const runStartDip: Rule = ({ runs }) =>
  (runs?.appliances ?? []).flatMap((one): Finding[] => {
    const { cutOffV, startV, startAtStoreV: storeV, startSeconds, volts } = one;
    if (cutOffV === null || startV === null || storeV === null || startSeconds === 0) return [];
    if (startV >= cutOffV || (volts.low.hot ?? 0) < cutOffV) return [];
    return [
      {
        code: 'run-start-dip',
        severity: 'caution',
        where: { step: 'runs', loadId: one.loadId, ...(one.runId === null ? {} : { runId: one.runId }) },
        values: { name: one.name, startV, storeV, cutOffV, seconds: startSeconds },
      },
    ];
  });

/** A start is no load's own matter: what hangs on the same leads must bear it. */
export const runStartPulls: Rule = ({ runs }) =>
  (runs?.appliances ?? []).flatMap(({ loadId, name, runId, startSeconds, pulls: [worst] }): Finding[] =>
    worst
      ? [
          {
            code: 'run-start-pulls',
            severity: 'caution',
            where: { step: 'runs', loadId, ...(runId === null ? {} : { runId }) },
            values: { name, other: worst.name, volts: worst.volts, cutOffV: worst.cutOffV, seconds: startSeconds },
          },
        ]
      : [],
  );

/** What is fed by a converter or port loses nothing to a low store, and all the more to the lead behind it. */
export const runOutputLow: Rule = ({ runs, job, option }) =>
  (runs?.rows ?? []).flatMap(({ run, zone, outputV }): Finding[] => {
    if (zone.kind !== 'output' || outputV === null) return [];
    const { device } = zone;
    return job.loads.flatMap((load): Finding[] => {
      if (load.minV === null || outputV >= load.minV || !run.loads.includes(load.id)) return [];
      if (chainOf(load, option.system.devices).device?.id !== device.id) return [];
      const values = {
        name: load.name,
        run: run.name,
        device: device.name,
        volts: outputV,
        outputV: device.outputV,
        leastV: load.minV,
      };
      const where = { step: 'runs', loadId: load.id, runId: run.id } as const;
      return [{ code: 'run-output-low', severity: 'stop', where, values }];
    });
  });

/** A load that stops for want of volts while the store still has charge that was meant to be used. */
export const loadDropsOut: Rule = ({ runs }) =>
  (runs?.appliances ?? []).flatMap((one): Finding[] => {
    const { dropOut, cutOffV } = one;
    const reserve = runs?.bank.reserveSoc ?? 0;
    if (!dropOut || cutOffV === null || dropOut.soc <= reserve + 1e-6) return [];
    return [
      {
        code: 'load-drops-out',
        severity: 'caution',
        where: { step: 'runs', loadId: one.loadId, ...(one.runId === null ? {} : { runId: one.runId }) },
        values: {
          name: one.name,
          cutOffV,
          soc: dropOut.soc,
          lowSoc: dropOut.lowSoc,
          highSoc: dropOut.highSoc,
          strandedAh: dropOut.strandedAh,
          reserve,
        },
      },
    ];
  });

/** One solid wire hardens and breaks where it is shaken. */
export const runSolid: Rule = (assessed) =>
  rowsOf(assessed)
    .filter(({ run }) => run.conductor === 'solid')
    .map((row) => ({ code: 'run-solid', severity: 'caution', where: at(row), values: { name: row.run.name } }));

export const runAluminium: Rule = (assessed) =>
  rowsOf(assessed)
    .filter(({ run }) => run.conductor === 'aluminium')
    .map((row) => ({ code: 'run-aluminium', severity: 'caution', where: at(row), values: { name: row.run.name } }));

/** Plus and minus that can be joined the wrong way round. */
export const runUnkeyed: Rule = (assessed) =>
  rowsOf(assessed)
    .filter(({ run }) => run.unkeyed)
    .map((row) => ({ code: 'run-unkeyed', severity: 'caution', where: at(row), values: { name: row.run.name } }));

/** A plug-in socket that what hangs on it, all splitters together, asks more of than it bears. */
export const socketOverload: Rule = (assessed) =>
  rowsOf(assessed).flatMap((row): Finding[] => {
    const { socketA, loads } = row.run;
    if (socketA === null || row.carried.lowA <= socketA + 1e-9) return [];
    return [
      {
        code: 'socket-overload',
        severity: 'stop',
        where: at(row),
        values: {
          name: row.run.name,
          amps: row.carried.lowA,
          socketA,
          shared: loads.length,
          names: namesOf(loads, assessed.job.loads),
        },
      },
    ];
  });

/** Something on the bus to which nothing leads, while the rest is laid. */
export const withoutRun: Rule = ({ runs }) =>
  runs && runs.withoutRun.length > 0
    ? [
        {
          code: 'without-run',
          severity: 'caution',
          where: { step: 'runs' },
          values: { names: namesOf(runs.withoutRun, []), count: runs.withoutRun.length },
        },
      ]
    : [];
