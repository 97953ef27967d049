import { APPLIANCES, blankSupply, DAY_KINDS, type Job, proposeLoad, readStation } from '@joulemetric/core';
import fc from 'fast-check';
import {
  addDevice,
  changeBusVoltage,
  changeDevice,
  changeMoveCost,
  chooseInverterSize,
  duplicateOption,
  fillStation,
  removeDevice,
  removeOption,
} from '../commands/design.ts';
import {
  addLoad,
  changeLoad,
  changeLoads,
  duplicateLoad,
  duplicateLoads,
  type Edit,
  moveLoad,
  moveLoadTo,
  removeLoad,
  setVariant,
} from '../commands/loads.ts';
import { addSupply, changeSupply, removeSupply } from '../commands/supplies.ts';
import { dropJoin, dropLimit, joinTogether, limitTogether, setNeverTogether } from '../commands/together.ts';

const load = (i: number) =>
  proposeLoad(APPLIANCES[i % APPLIANCES.length]?.name ?? '', (name) => name, APPLIANCES[i]).load;

/** One random command, made for the job it meets. */
export const anyCommand = fc
  .tuple(fc.nat({ max: 24 }), fc.nat({ max: 140 }), fc.nat({ max: 140 }))
  .map(([kind, a, b]) => (job: Job) => {
    const idAt = (n: number) => job.loads[n % Math.max(1, job.loads.length)]?.id ?? 'none';
    const loadAt = (n: number) => job.loads[n % Math.max(1, job.loads.length)];
    const option = job.options[a % job.options.length]?.id ?? '';
    const devices = job.options.flatMap(({ system }) => system.devices);
    const deviceAt = (n: number) => devices[n % devices.length]?.id ?? 'inverter';
    const proposed = load(a);
    const edits: readonly Edit[] = [
      proposed ? addLoad(proposed) : (same) => same,
      duplicateLoad(idAt(a)),
      removeLoad(idAt(a)),
      moveLoad(idAt(a), b % 2 ? 1 : -1),
      idAt(a) === idAt(b) ? (same) => same : setNeverTogether(idAt(a), idAt(b), a % 3 > 0),
      changeLoad(idAt(a), { quantity: 1 + (b % 99) }),
      a % 2 ? duplicateOption(option) : removeOption(option),
      changeBusVoltage(option, b % 2 ? 24 : 12),
      changeDevice(option, 'inverter', { policy: b % 2 ? 'always' : 'with-loads' }),
      chooseInverterSize(option, deviceAt(b), 500 + b),
      fillStation(option, readStation(`${200 + a} Wh 12.8 V ¦ AC OUT 1000 W ¦ USB-C 60 W x${1 + (a % 3)}`)),
      addDevice(option, (['inverter', 'converter', 'port'] as const)[a % 3] ?? 'port'),
      removeDevice(option, deviceAt(b)),
      changeLoads(new Set([idAt(a)]), { device: deviceAt(b), path: b % 2 ? 'inverter' : 'dc-dc' }, option),
      changeLoads(new Set([idAt(a), idAt(b)]), { room: 'galley', movable: b % 2 > 0 }, option),
      setVariant(idAt(a), DAY_KINDS[b % DAY_KINDS.length] ?? 'winter', a % 2 ? (loadAt(a)?.uses ?? []) : null),
      moveLoadTo(idAt(a), b % 3 ? idAt(b) : null, { circuit: 'sockets' }),
      duplicateLoads(new Set([idAt(a), idAt(b)])),
      limitTogether([...new Set([idAt(a), idAt(b), idAt(a + b)])], 1 + (b % 3)),
      joinTogether([...new Set([idAt(a), idAt(b)])]),
      dropLimit(a % 3),
      dropJoin(a % 2),
      addSupply(blankSupply((['hookup', 'generator', 'outlet'] as const)[a % 3] ?? 'hookup', '230V-50Hz')),
      changeSupply(job.brief.supplies[0]?.id ?? '', { share: b % 2 ? 0.85 : null }),
      removeSupply(job.brief.supplies[a % 4]?.id ?? ''),
      changeMoveCost(`fuel ${idAt(a)}`, b % 2 ? b : null),
    ];
    return (edits[kind] as Edit)(job);
  });
