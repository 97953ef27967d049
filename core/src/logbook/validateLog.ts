import { boundsFault } from '../job/bounds.ts';
import type { Fault } from '../job/fault.ts';
import { FAULTS_SHOWN, twoWays } from '../job/schemaCheck.ts';
import { type Log, LogSchema } from './logSchema.ts';
import { zoneOf } from './stamp.ts';

export type ValidatedLog = { readonly ok: true; readonly log: Log } | { readonly ok: false; readonly faults: Fault[] };

const fits = twoWays<Log>(LogSchema);
const MOST_READINGS = 20_000;

/** The door for log files: shape, ranges, and what only several values together can get wrong. */
export function validateLog(document: unknown): ValidatedLog {
  const tooMuch = boundsFault(document, MOST_READINGS);
  if (tooMuch) return { ok: false, faults: [tooMuch] };
  if (!fits.accepts(document)) return { ok: false, faults: fits.faults(document) };
  const faults = consistency(document);
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, FAULTS_SHOWN) } : { ok: true, log: document };
}

function consistency(log: Log): Fault[] {
  const faults: Fault[] = [];
  const add = (path: string, expected: string, found?: string): void => {
    faults.push({ path, expected, ...(found === undefined ? {} : { found }) });
  };
  for (const [path, zone] of [
    ['/zone', log.zone],
    ['/csv/zone', log.csv?.zone],
  ] as const)
    if (zone !== undefined && zoneOf(zone) === null) add(path, 'a time zone: Europe/Paris, UTC, +02:00', zone);
  for (const [i, { at, h }] of (log.readings ?? []).entries())
    if ((at === undefined) === (h === undefined))
      add(`/readings/${i}`, 'a time: either at or h', at === undefined ? 'neither' : 'both');
  const { capacity } = log;
  if (capacity && capacity.wh == null && capacity.ah == null) add('/capacity', 'wh, or ah', 'neither');
  if (capacity?.wh != null && capacity.ah != null && capacity.nominalV != null) {
    const off = Math.abs(capacity.ah * capacity.nominalV - capacity.wh) / capacity.wh;
    if (off > 0.01)
      add(
        '/capacity',
        `wh, ah and nominalV that agree: ${capacity.ah} Ah at ${capacity.nominalV} V are ${(capacity.ah * capacity.nominalV).toFixed(0)} Wh`,
        `${capacity.wh} Wh`,
      );
  }
  if ((log.reserve ?? 20) >= (log.ceiling ?? 100))
    add('/reserve', 'less than what counts as full', String(log.reserve));
  for (const [i, window] of (log.windows ?? []).entries()) {
    const isGiven = window.w != null || (window.wh != null && window.minutes != null);
    if (!isGiven && (window.from === undefined || window.to === undefined))
      add(`/windows/${i}`, 'w, or wh and minutes, or from and to in the readings');
  }
  if (log.swingW && (log.swingW[0] as number) > (log.swingW[1] as number)) add('/swingW', 'the lower watts first');
  return faults;
}
