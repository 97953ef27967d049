import { blankJob, blankSupply, type Job, proposeLoad } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { describe, expect, it } from 'vitest';
import { addDevice, changeDevice, chooseInverterSize, removeDevice } from './design.ts';
import { addLoad, changeLoads, removeLoad } from './loads.ts';
import { addSupply, changeSupply, removeSupply } from './supplies.ts';
import { dropJoin, dropLimit, joinTogether, limitTogether, setNeverTogether } from './together.ts';

const NAMES = ['kettle', 'toaster', 'iron', 'lamp'];
const job = NAMES.reduce((now, name) => {
  const { load } = proposeLoad(name, (text) => text);
  return load ? addLoad(load)(now) : now;
}, blankJob('Marks'));
const ids = job.loads.map(({ id }) => id);
const [a = '', b = '', c = '', d = ''] = ids;
const made = (start: Job, ...edits: readonly ((job: Job) => Job)[]): Job => {
  const end = edits.reduce((now, edit) => edit(now), start);
  expect(validateJob(end)).toMatchObject({ ok: true });
  return end;
};
const limits = (one: Job) => one.together.atMost.map(({ loads, most }) => [...loads, most]);

describe('marks of what runs together', () => {
  it('are added and taken back by their place', () => {
    const marked = made(job, limitTogether([a, b], 1), limitTogether([a, b, c], 2), joinTogether([c, d]));
    expect(limits(marked)).toEqual([
      [a, b, 1],
      [a, b, c, 2],
    ]);
    expect(limits(made(marked, dropLimit(0)))).toEqual([[a, b, c, 2]]);
    expect(made(marked, dropJoin(0)).together.always).toEqual([]);
    expect(made(marked, dropLimit(7), dropJoin(7)).together).toEqual(marked.together);
  });

  it.each([
    ['no fewer than there are', limitTogether([a, b], 2)],
    ['none at all', limitTogether([a, b], 0)],
    ['one that is to run with itself', joinTogether([a])],
  ])('that say nothing are not kept: %s', (_name, edit) => {
    expect(made(job, edit).together).toEqual(job.together);
  });

  it('go with the load they are about, and stay for the others', () => {
    const marked = made(
      job,
      limitTogether([a, b, c], 2),
      limitTogether([a, b, c, d], 2),
      joinTogether([a, d]),
      joinTogether([b, c, d]),
    );
    const left = made(marked, removeLoad(a));
    // Two of two is no limit any more.
    expect(limits(left)).toEqual([[b, c, d, 2]]);
    expect(left.together.always).toEqual([[b, c, d]]);
  });

  it('are taken back for one pair of a group, the rest stays apart; a limit of two is left as it is', () => {
    const marked = made(job, limitTogether([a, b, c], 1), limitTogether([a, b, d], 2));
    const { atMost } = made(marked, setNeverTogether(a, b, false)).together;
    expect(atMost).toContainEqual({ loads: [a, b, d], most: 2 });
    const apart = (x: string, y: string) =>
      atMost.some(({ loads, most }) => most === 1 && loads.includes(x) && loads.includes(y));
    expect([apart(a, b), apart(a, c), apart(b, c)]).toEqual([false, true, true]);
  });
});

describe('supplies', () => {
  const hookup = addSupply(blankSupply('hookup', '230V-50Hz'));

  it('get ids of their own, and no more than eight', () => {
    const two = made(job, hookup, hookup);
    expect(two.brief.supplies.map(({ id }) => id)).toEqual(['hookup', 'hookup-2']);
    const many = Array.from({ length: 12 }, () => hookup).reduce((now, edit) => edit(now), job);
    expect(many.brief.supplies).toHaveLength(8);
  });

  it('are what the region has', () => {
    expect(blankSupply('hookup', '120V-60Hz')).toMatchObject({ volts: 120, amps: 30 });
    expect(blankSupply('hookup', '230V-50Hz')).toMatchObject({ volts: 230, amps: 10 });
    for (const kind of ['hookup', 'generator', 'outlet'] as const) {
      for (const mains of ['120V-60Hz', '230V-50Hz'] as const) made(job, addSupply(blankSupply(kind, mains)));
    }
  });

  it('are changed and removed one by one', () => {
    const two = made(job, hookup, hookup);
    expect(
      made(two, changeSupply('hookup-2', { amps: 16 })).brief.supplies.map((s) => s.kind === 'hookup' && s.amps),
    ).toEqual([10, 16]);
    expect(made(two, removeSupply('hookup')).brief.supplies.map(({ id }) => id)).toEqual(['hookup-2']);
  });
});

describe('the size of an inverter', () => {
  const sheet = {
    ratingW: 2000,
    idleW: 18,
    peakEfficiency: 0.94,
    surgeW: 5000,
    surgeSeconds: 3,
    ambientC: 40,
    form: 'assisting',
  } as const;
  const fitted = made(job, changeDevice('a', 'inverter', sheet));
  const inverter = (one: Job) => one.options[0]?.system.devices[0];

  it('chosen anew drops the data sheet of the one before, not where it stands or what kind it is', () => {
    expect(inverter(made(fitted, chooseInverterSize('a', 'inverter', 3000)))).toMatchObject({
      ratingW: 3000,
      idleW: null,
      peakEfficiency: null,
      surgeW: null,
      surgeSeconds: null,
      ambientC: 40,
      form: 'assisting',
    });
  });

  it('chosen as it is keeps all', () => {
    expect(inverter(made(fitted, chooseInverterSize('a', 'inverter', 2000)))).toMatchObject(sheet);
  });

  it('of a device that is no inverter, or of none, stays', () => {
    const port = made(job, addDevice('a', 'port'));
    expect(chooseInverterSize('a', 'port', 500)(port)).toBe(port);
    expect(chooseInverterSize('z', 'inverter', 500)(port)).toBe(port);
  });

  it('and its device go, and the loads on it hang on the first again', () => {
    const two = made(job, addDevice('a', 'inverter'), changeLoads(new Set([a]), { device: 'inverter-2' }, 'a'));
    expect(made(two, removeDevice('a', 'inverter-2')).loads[0]?.device).toBeNull();
  });
});
