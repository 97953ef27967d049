import {
  type BatteryString,
  blankArray,
  blankJob,
  blankLink,
  blankString,
  type Job,
  proposeLoad,
  withoutLost,
} from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand } from '../test/anyCommand.ts';
import { changeArray, changeBusVoltage, changeSources, changeStore, moveTo } from './design.ts';
import { addLoad, hasNot, removeLoad } from './loads.ts';
import { limitTogether, setNeverTogether } from './together.ts';

describe('commands', () => {
  it('turn a valid job into a valid job, whatever the order, and leave the old one as it was', () => {
    fc.assert(
      fc.property(fc.array(anyCommand, { maxLength: 25 }), (commands) => {
        let job = blankJob('Random');
        for (const apply of commands) {
          const before = JSON.stringify(job);
          const next = job.loads.length === 0 && before.includes('none') ? job : apply(job);
          expect(JSON.stringify(job)).toBe(before);
          job = next;
        }
        const checked = validateJob(job);
        expect(checked.ok ? [] : checked.faults).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  const withLoads = (...names: string[]) =>
    names.reduce((job, name) => {
      const { load: proposed } = proposeLoad(name, (text) => text);
      return proposed ? addLoad(proposed)(job) : job;
    }, blankJob('Loads'));

  it('give a second kettle an id of its own', () => {
    expect(withLoads('kettle', 'kettle').loads.map(({ id }) => id)).toEqual(['kettle', 'kettle-2']);
  });

  it('take a removed load out of its groups', () => {
    const job = setNeverTogether('kettle', 'toaster', true)(withLoads('kettle', 'toaster'));
    expect(job.together.atMost).toEqual([{ loads: ['kettle', 'toaster'], most: 1 }]);
    expect(removeLoad('kettle')(job).together.atMost).toEqual([]);
  });

  it('let two of a larger group meet without letting the others', () => {
    const job = limitTogether(['kettle', 'toaster', 'iron'], 1)(withLoads('kettle', 'toaster', 'iron'));
    const { together } = setNeverTogether('kettle', 'toaster', false)(job);
    expect(together.atMost.map(({ loads }) => loads)).toEqual([
      ['toaster', 'iron'],
      ['kettle', 'iron'],
    ]);
  });

  it('keep the energy of a chosen store when the voltage changes', () => {
    const strings = [blankString('one', 'One', 200), blankString('two', 'Two', 50)];
    const job = changeStore('a', { strings })(blankJob('x'));
    const capacities = changeBusVoltage('a', 24)(job).options[0]?.system.store.strings?.map((one) => one.capacityAh);
    expect(capacities).toEqual([100, 25]);
  });

  it.each([
    // From 12 V, by hand: series × side by side, to a bus of so many volts.
    [12, 1, 4, 24, 2, 2],
    [12, 1, 4, 48, 4, 1],
    [12.8, 1, 2, 24, 2, 1],
    [3.2, 4, 1, 24, 8, 1],
    [2, 6, 2, 24, 12, 1],
    // An odd one out: two in series need two, so one is bought.
    [12, 1, 1, 24, 2, 1],
    [12, 1, 3, 24, 2, 2],
  ] as const)(
    'arrange units of %d V, %d × %d, anew for %d V: %d × %d',
    (unitV, series, parallel, busV, behind, beside) => {
      const strings = [{ ...blankString('one', 'One', 100), unitV, series, parallel }];
      const job = changeBusVoltage('a', busV)(changeStore('a', { strings })(blankJob('x')));
      expect(job.options[0]?.system.store.strings).toMatchObject([
        { unitV, capacityAh: 100, series: behind, parallel: beside },
      ]);
    },
  );

  it('leave units as they are that no number in series makes fit, or of more than may be', () => {
    const of = (part: Partial<BatteryString>) => {
      const strings = [{ ...blankString('one', 'One', 100), ...part }];
      const job = { ...blankJob('x'), options: changeBusVoltage('a', 24)(blankJob('x')).options };
      return changeBusVoltage('a', 12)(changeStore('a', { strings })(job)).options[0]?.system.store.strings?.[0];
    };
    // A unit of 24 V cannot be halved.
    expect(of({ unitV: 24, series: 1, parallel: 2 })).toMatchObject({ series: 1, parallel: 2 });
    expect(of({ unitV: 12, series: 2, parallel: 20 })).toMatchObject({ series: 1, parallel: 24 });
  });

  it('keep what is asked for once: what is not there is said once', () => {
    const job = hasNot('fan-roof')(hasNot('phone')(blankJob('x')));
    expect(job.hasNot).toEqual([{ id: 'phone' }, { id: 'fan-roof' }]);
    expect(hasNot('phone')(job)).toBe(job);
    expect(validateJob(job).ok).toBe(true);
  });
});

describe('sources and places', () => {
  it('one array is changed or taken out and the others stay the very objects they were; without any the program sizes one', () => {
    const arrays = [blankArray('one', 'One', 200), blankArray('two', 'Two', 300)];
    const job = changeSources('a', 'arrays', arrays)(blankJob('Arrays'));
    const of = (next: Job) => next.options[0]?.system.arrays;
    const tilted = of(changeArray('a', 'two', { slopeDeg: 30 })(job));
    expect(tilted).toEqual([arrays[0], { ...arrays[1], slopeDeg: 30 }]);
    expect(tilted?.[0]).toBe(arrays[0]);
    const left = changeArray('a', 'one', null)(job);
    expect(of(left)).toEqual([arrays[1]]);
    expect(of(changeArray('a', 'two', null)(left))).toBeNull();
  });

  it('an array that goes is let go by the charger that shared its output; the job stays valid', () => {
    const arrays = [blankArray('roof', 'Roof', 200), blankArray('side', 'Side', 100)];
    const driving = ['roof', 'side'].map((sharesWith) => ({ ...blankLink(`d-${sharesWith}`, 'D', 30), sharesWith }));
    const all = changeSources('a', 'driving', driving)(changeSources('a', 'arrays', arrays)(blankJob('Sources')));
    expect(validateJob(all).ok).toBe(true);
    const left = withoutLost(changeSources('a', 'arrays', arrays.slice(1))(all));
    expect(left.options[0]?.system.driving?.map(({ sharesWith }) => sharesWith)).toEqual([null, 'side']);
    for (const none of [null, []])
      expect(validateJob(withoutLost(changeSources('a', 'arrays', none)(all))).ok).toBe(true);
    expect(validateJob(left).ok).toBe(true);
  });

  it('somewhere else has neither the clocks of the place before nor its weather file; what was typed stays', () => {
    const job = blankJob('Moved');
    const year = Array.from({ length: 12 }, () => 3);
    const at = (from: string): Job => {
      const monthly = { ...job.brief.place.monthly, peakSunHours: year, from };
      return { ...job, brief: { ...job.brief, place: { ...job.brief.place, utcOffsetH: 2, heightM: 900, monthly } } };
    };
    const moved = (from: string) =>
      moveTo({ label: 'Elsewhere', latitudeDeg: -30, longitudeDeg: 20 })(at(from)).brief.place;
    expect(moved('EPW Madeup')).toMatchObject({ latitudeDeg: -30, longitudeDeg: 20, utcOffsetH: null, heightM: null });
    expect(moved('EPW Madeup').monthly).toEqual(job.brief.place.monthly);
    expect(moved('').monthly.peakSunHours).toEqual(year);
    expect(validateJob({ ...job, brief: { ...job.brief, place: moved('') } }).ok).toBe(true);
  });
});
