import { levelsOf } from '../battery/levels.ts';
import { restVoltageV } from '../battery/rest.ts';
import type { RunLine } from '../choices/runsDetail.ts';
import type { DesignOption, Job } from '../job/schema.ts';

/** One thing to check before a vehicle is handed over. */
export interface CheckItem {
  readonly id: string;
  readonly group: 'before power' | 'store' | 'sources' | 'loads' | 'mains' | 'hand over';
  readonly what: string;
  /** What should come out, and within what; in words where there is no figure. */
  readonly expected: string;
  /** Who may do it, where not everybody may. */
  readonly by: string | null;
}

const MOST_STARTS = 20;
const one = (value: number): string => (value >= 100 ? value.toFixed(0) : value.toFixed(1));

/**
 * The checks of a commissioning, made from the job. What they hold a reading against is reckoned from the job as it is
 * now; tolerances are common practice. It defers to local codes: work on mains is for a licensed person.
 * @param runs the runs that are laid; [] = none are
 */
export function checklist(job: Job, option: DesignOption, runs: readonly RunLine[]): CheckItem[] {
  const { busVoltageV, store, arrays, driving, devices } = option.system;
  const { chemistry } = store;
  const items: CheckItem[] = [];
  const add = (
    id: string,
    group: CheckItem['group'],
    what: string,
    expected: string,
    by: string | null = null,
  ): void => {
    items.push({ id, group, what, expected, by });
  };
  add(
    'polarity',
    'before power',
    'Polarity at the battery, at each busbar and at the end of every run',
    'plus to plus everywhere, with the main switch open',
  );
  add(
    'torque',
    'before power',
    'Every terminal tightened to the torque its maker gives',
    'marked with paint once it is',
  );
  add('fuses', 'before power', 'Every fuse in its holder against the schedule', 'none above what its cable carries');
  add(
    'labels',
    'before power',
    'Labels: fuses, switches, both ends of long runs, the main switch',
    'to be read without moving anything',
  );

  const full = restVoltageV(chemistry, busVoltageV, 1);
  const half = restVoltageV(chemistry, busVoltageV, 0.5);
  add(
    'rest',
    'store',
    'Volts of the store at rest, nothing on, an hour after charging',
    `between ${half.toFixed(1)} V (half full) and ${full.toFixed(1)} V (full)`,
  );
  const cutOff = levelsOf(store).cutOffSoc;
  add(
    'cut-off',
    'store',
    'Loads are cut off when they should be',
    `at ${Math.round(cutOff * 100)} %, ${restVoltageV(chemistry, busVoltageV, cutOff).toFixed(1)} V at rest (± 0.1 V for each 12 V)`,
  );
  add(
    'reconnect',
    'store',
    'Loads come back when they should',
    `${Math.round((store.reconnect ?? 0.1) * 100)} points above, not at once`,
  );
  if (chemistry === 'lfp')
    add(
      'cold',
      'store',
      'Charging stops when the store is below 0 °C',
      'tested with the sensor in ice water, or by the setting',
    );
  add('quiet', 'store', 'Amps with everything switched off', 'what the standing loads add up to, ± 0.1 A');

  for (const [i, array] of (arrays ?? []).entries()) {
    const watts = array.panels.reduce((sum, { ratingW, series, parallel }) => sum + ratingW * series * parallel, 0);
    add(
      `array-${array.id}`,
      'sources',
      `${arrays && arrays.length > 1 ? `Array ${i + 1}` : 'The array'} charges in the sun`,
      `up to ${one((watts * 0.8) / busVoltageV)} A at noon under a clear sky (80 % of ${Math.round(watts)} W)`,
    );
    add(
      `array-open-${array.id}`,
      'sources',
      `Volts of ${arrays && arrays.length > 1 ? `array ${i + 1}` : 'the array'}, unplugged from its controller`,
      'below the controller’s greatest volts, with the polarity right',
    );
  }
  for (const link of driving ?? [])
    add(
      `driving-${link.id}`,
      'sources',
      `${link.name} charges while the engine runs`,
      link.kind === 'dc-dc'
        ? `${one(link.ratingA)} A ± 10 %, none with the engine off`
        : 'amps that fall as the store fills, none with the engine off',
    );
  for (const supply of job.brief.supplies)
    add(`supply-${supply.id}`, 'sources', `${supply.name} charges`, 'amps as the charger’s label says, ± 10 %');

  for (const device of devices)
    if (device.kind === 'inverter')
      add(
        `idle-${device.id}`,
        'loads',
        `${device.name} with nothing on it`,
        device.idleW === null ? 'W in as its data sheet says' : `${one(device.idleW)} W in ± 20 %`,
      );
  const starts = job.loads.filter(({ startRatio, path }) => startRatio > 1 && path !== 'fuel').slice(0, MOST_STARTS);
  for (const load of starts)
    add(
      `start-${load.id}`,
      'loads',
      `${load.name} starts, with what else may run at the time`,
      `it starts; volts at the inverter or at its terminals stay above ${(busVoltageV * 0.9).toFixed(1)} V`,
    );
  const critical = job.loads.filter(({ critical: isCritical }) => isCritical);
  if (critical.length > 0)
    add(
      'critical',
      'loads',
      `What must never go off: ${critical
        .map(({ name }) => name)
        .slice(0, 6)
        .join(', ')}`,
      'it stays on when the others are cut off',
    );
  const measured = runs.filter(({ run, nominalA }) => run.end !== 'busbar' && run.end !== 'panels' && nominalA > 0);
  for (const { run, dropV, nominalA, volts } of measured)
    add(
      `drop-${run.id}`,
      'loads',
      `Volts lost on “${run.name}”, between its two ends, both conductors`,
      `${dropV.toFixed(2)} V at ${one(nominalA)} A, in proportion at less; ${((dropV / volts) * 100).toFixed(1)} %, ± a quarter`,
    );
  add(
    'drop',
    'loads',
    'Volts at the inverter under its heaviest load, against the battery’s own terminals',
    'at most 3 % less',
  );

  const hasMains = devices.some(({ kind }) => kind === 'inverter') || job.brief.supplies.length > 0;
  if (hasMains) {
    const licensed = 'a licensed person';
    add(
      'residual',
      'mains',
      'Residual-current device: test button, and tripping time by instrument',
      'it trips, within the time the local code gives',
      licensed,
    );
    add(
      'earth',
      'mains',
      'Protective earth and bonding, changeover between inverter and supply',
      'as the local code asks; never two sources at once',
      licensed,
    );
    add('socket', 'mains', 'Polarity and earth of every socket', 'right on each of them', licensed);
  }
  add(
    'papers',
    'hand over',
    'The client has been shown: main switch, fuses, what the display says, what to do when it beeps',
    'done, and the papers are in the vehicle',
  );
  return items;
}
