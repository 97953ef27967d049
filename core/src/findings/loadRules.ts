import { offeredWh } from '../sources/source.ts';
import type { Rule } from './finding.ts';

export const noLoads: Rule = ({ job }) =>
  job.loads.length > 0 ? [] : [{ code: 'no-loads', severity: 'note', where: { step: 'loads' }, values: {} }];

/** DC to AC and back to DC: names what the second conversion and its share of the inverter cost. */
export const doubleConversion: Rule = ({ job, ledger }) =>
  job.loads.flatMap((load, i) => {
    const row = ledger.loads[i];
    if (load.path !== 'inverter-adapter' || !row || row.usefulWh === 0) return [];
    const lostWh = row.conversionWh + row.idleWh;
    return [
      {
        code: 'double-conversion',
        severity: 'caution',
        where: { step: 'loads', loadId: load.id },
        values: { name: load.name, lostWh, share: lostWh / (row.usefulWh + lostWh) },
      },
    ];
  });

/** The one load whose uncertainty moves the day most, when that is worth a measurement (5 % of the day either way). */
export const measureFirst: Rule = ({ job, ledger, evidence }) => {
  const [first] = evidence.ranked;
  const load = job.loads.find(({ id }) => id === first?.loadId);
  if (!first || !load || load.evidence === 'measured') return [];
  const { lowWh, highWh } = first;
  if (highWh - lowWh < 0.1 * ledger.total.batteryWh) return [];
  return [
    {
      code: 'measure-first',
      severity: 'note',
      where: { step: 'loads', loadId: load.id },
      values: { name: load.name, evidence: load.evidence.replace('-', ' '), lowWh, highWh },
    },
  ];
};

/** A room or tank that asks for more than its unit gives: heat and cold are a danger to health. */
export const cannotHold: Rule = ({ profiles }) =>
  profiles
    .filter(({ shortHours }) => shortHours > 0)
    .map(({ load, shortHours }) => ({
      code: 'cannot-hold',
      severity: load.critical ? 'stop' : 'caution',
      where: { step: 'loads', loadId: load.id },
      values: {
        name: load.name,
        hours: shortHours,
        what: load.draw.kind === 'water-heating' ? 'heat the day’s water' : 'hold its temperature',
      },
    }));

/** Medical and cooling loads must not hang on one source. */
export const criticalSingleSource: Rule = ({ job, sources: all }) => {
  // Two arrays are one sun.
  const sources = new Set(all.filter((source) => offeredWh(source) > 0).map(({ kind }) => kind)).size;
  if (sources > 1) return [];
  return job.loads
    .filter((load) => load.critical)
    .map((load) => ({
      code: 'critical-single-source',
      severity: 'caution',
      where: { step: 'loads', loadId: load.id },
      values: { name: load.name, sources },
    }));
};
