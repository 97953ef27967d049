import type { Evidence } from '../job/schema.ts';
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

/** How far the true figure may lie from the entered one, as a share, by evidence. Common practice. */
export const EVIDENCE_SPREAD: Readonly<Record<Evidence, number>> = {
  measured: 0.05,
  'data-sheet': 0.15,
  nameplate: 0.5,
  typical: 0.4,
  guess: 0.6,
};

/** The one load whose uncertainty moves the day most, when that is worth a measurement (5 % of the day). */
export const measureFirst: Rule = ({ job, ledger }) => {
  const ranked = job.loads
    .map((load, i) => ({ load, spreadWh: (ledger.loads[i]?.batteryWh ?? 0) * EVIDENCE_SPREAD[load.evidence] }))
    .sort((a, b) => b.spreadWh - a.spreadWh);
  const first = ranked[0];
  if (!first || first.load.evidence === 'measured' || first.spreadWh < 0.05 * ledger.total.batteryWh) return [];
  const { load, spreadWh } = first;
  return [
    {
      code: 'measure-first',
      severity: 'note',
      where: { step: 'loads', loadId: load.id },
      values: { name: load.name, evidence: load.evidence.replace('-', ' '), spreadWh },
    },
  ];
};

/** Medical and cooling loads must not hang on one source. */
export const criticalSingleSource: Rule = ({ job, figures }) => {
  const sources = [figures['sun.yield'].value, figures['alternator.yield'].value].filter((wh) => wh > 0).length;
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
