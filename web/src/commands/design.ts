import {
  type AllInOne,
  type BatteryString,
  blankDevice,
  type DesignOption,
  type Device,
  freeId,
  type Job,
  type SolarArray,
  type Station,
  type System,
  UNIT_UNSAID,
  withoutLostDevices,
  withStation,
} from '@joulemetric/core';
import type { Edit } from './loads.ts';

/** Edits of the brief, the rules and the options. */

export const changeJob =
  (change: Partial<Pick<Job, 'title' | 'client' | 'vehicle'>>): Edit =>
  (job) => ({ ...job, ...change });

export const changeBrief =
  (change: Partial<Job['brief']>): Edit =>
  (job) => ({ ...job, brief: { ...job.brief, ...change } });

export const changePlace =
  (change: Partial<Job['brief']['place']>): Edit =>
  (job) =>
    changeBrief({ place: { ...job.brief.place, ...change } })(job);

/** Somewhere else: the clocks of the place before and what a weather file said of it are not true of it. */
export const moveTo =
  (found: Pick<Job['brief']['place'], 'label' | 'latitudeDeg'> & { readonly longitudeDeg: number }): Edit =>
  (job) => {
    const { monthly } = job.brief.place;
    const none = {
      peakSunHours: null,
      brightSunHours: null,
      dullSunHours: null,
      dayTempC: null,
      nightTempC: null,
      days: null,
    };
    return changePlace({
      ...found,
      utcOffsetH: null,
      heightM: null,
      monthly: monthly.from === '' ? monthly : { ...none, from: '' },
    })(job);
  };

export const changeRegion =
  (change: Partial<Job['brief']['region']>): Edit =>
  (job) =>
    changeBrief({ region: { ...job.brief.region, ...change } })(job);

export const changeAlternator =
  (change: Partial<Job['brief']['alternator']>): Edit =>
  (job) =>
    changeBrief({ alternator: { ...job.brief.alternator, ...change } })(job);

export const changeRules =
  (change: Partial<Job['rules']>): Edit =>
  (job) => ({ ...job, rules: { ...job.rules, ...change } });

export const changeOption =
  (id: string, change: (option: DesignOption) => DesignOption): Edit =>
  (job) => ({ ...job, options: job.options.map((option) => (option.id === id ? change(option) : option)) });

/** Changes what holds: the bank and how it is used. */
export const changeStore = (id: string, change: Partial<System['store']>): Edit =>
  changeOption(id, (option) => ({
    ...option,
    system: { ...option.system, store: { ...option.system.store, ...change } },
  }));

/** The lists of what fills the store. */
export type SourceList = 'driving' | 'arrays' | 'chargers';

/** Another list of chargers or arrays; null where the program is to size them. */
export const changeSources = <K extends SourceList>(id: string, list: K, parts: System[K]): Edit =>
  changeOption(id, (option) => ({ ...option, system: { ...option.system, [list]: parts } }));

/** Changes an array; null takes it out, and without any left the program sizes one. */
export const changeArray = (id: string, arrayId: string, change: Partial<Omit<SolarArray, 'id'>> | null): Edit =>
  changeOption(id, (option) => {
    const arrays = (option.system.arrays ?? []).flatMap((array) =>
      array.id !== arrayId ? [array] : change ? [{ ...array, ...change }] : [],
    );
    return { ...option, system: { ...option.system, arrays: arrays.length > 0 ? arrays : null } };
  });

/** Another system altogether, such as one with an all-in-one unit. */
export const changeSystem = (id: string, system: System): Edit => changeOption(id, (option) => ({ ...option, system }));

/** Changes an all-in-one unit; null takes it apart: what was in it stays as it is. */
export const changeAllInOne = (id: string, unitId: string, change: Partial<Omit<AllInOne, 'id'>> | null): Edit =>
  changeOption(id, (option) => ({
    ...option,
    system: {
      ...option.system,
      allInOnes: option.system.allInOnes.flatMap((unit) =>
        unit.id !== unitId ? [unit] : change ? [{ ...unit, ...change }] : [],
      ),
    },
  }));

/** Parts of a device of some kind. */
export type DeviceChange = {
  [K in Device['kind']]: Partial<Omit<Extract<Device, { kind: K }>, 'kind' | 'id'>>;
}[Device['kind']];

/** Changes one device of an option; parts that its kind does not have are the caller's mistake. */
export const changeDevice = (optionId: string, deviceId: string, change: DeviceChange): Edit =>
  changeOption(optionId, (option) => ({
    ...option,
    system: {
      ...option.system,
      devices: option.system.devices.map((device) =>
        device.id === deviceId ? ({ ...device, ...change } as Device) : device,
      ),
    },
  }));

/** Another size of inverter; what was measured or read off the data sheet of the one before is not true of it. */
export const chooseInverterSize =
  (optionId: string, deviceId: string, ratingW: number): Edit =>
  (job) => {
    const devices = job.options.find(({ id }) => id === optionId)?.system.devices ?? [];
    const found = devices.find(({ id }) => id === deviceId);
    if (found?.kind !== 'inverter') return job;
    return changeDevice(optionId, deviceId, { ratingW, ...(found.ratingW === ratingW ? {} : UNIT_UNSAID) })(job);
  };

/** All that the plate of a portable station says, in one step; loads on devices that go hang on the first of their kind. */
export const fillStation =
  (id: string, station: Station): Edit =>
  (job) =>
    withoutLostDevices(changeOption(id, (option) => ({ ...option, system: withStation(option.system, station) }))(job));

/** One more device, with what is usual for its kind. */
export const addDevice = (optionId: string, kind: Device['kind']): Edit =>
  changeOption(optionId, (option) => {
    const { devices } = option.system;
    if (devices.length >= 12) return option;
    const added = blankDevice(
      kind,
      freeId(
        kind,
        devices.map(({ id }) => id),
      ),
    );
    return { ...option, system: { ...option.system, devices: [...devices, added] } };
  });

/** Takes a device out of an option; the last inverter stays. Loads on it go back to the first of their kind. */
export const removeDevice =
  (optionId: string, deviceId: string): Edit =>
  (job) => {
    const next = changeOption(optionId, (option) => {
      const left = option.system.devices.filter(({ id }) => id !== deviceId);
      if (!left.some(({ kind }) => kind === 'inverter')) return option;
      return { ...option, system: { ...option.system, devices: left } };
    })(job);
    return withoutLostDevices(next);
  };

/** What a move costs to do; null when it is not known. */
export const changeMoveCost =
  (move: string, cost: number | null): Edit =>
  (job) => {
    const others = job.brief.prices.moves.filter((one) => one.move !== move);
    const moves = cost === null ? others : [...others, { move, cost }].slice(-200);
    return changeBrief({ prices: { ...job.brief.prices, moves } })(job);
  };

/** Another bus voltage with the same energy and charging power: Ah and A scale with it. */
export const changeBusVoltage = (id: string, busVoltageV: System['busVoltageV']): Edit =>
  changeOption(id, (option) => {
    const { store, driving, arrays, chargers, ...system } = option.system;
    const scale = system.busVoltageV / busVoltageV;
    const scaled = (amps: number | null) => (amps === null ? null : amps * scale);
    return {
      ...option,
      // A name that only says the voltage follows it.
      name: option.name.replace(new RegExp(`^(.{1,3}) ${system.busVoltageV} V$`), `$1 ${busVoltageV} V`),
      system: {
        ...system,
        busVoltageV,
        store: {
          ...store,
          chargeV: store.chargeV === null ? null : store.chargeV / scale,
          strings: store.strings?.map((one) => rearranged(one, scale)) ?? null,
        },
        driving: driving?.map((one) => ({ ...one, ratingA: one.ratingA * scale })) ?? null,
        arrays:
          arrays?.map((one) => ({
            ...one,
            controller: { ...one.controller, maxA: scaled(one.controller.maxA) },
          })) ?? null,
        chargers: chargers.map((one) => ({ ...one, ratingA: one.ratingA * scale, leastA: scaled(one.leastA) })),
      },
    };
  });

/** A string for another voltage: of a unit of its own volts more or fewer in series, as many in all where that goes. */
function rearranged(string: BatteryString, scale: number): BatteryString {
  const { unitV, series, parallel, capacityAh } = string;
  if (unitV === null) return { ...string, capacityAh: capacityAh * scale };
  const behind = series / scale;
  if (!Number.isInteger(behind) || behind > 24) return string;
  return { ...string, series: behind, parallel: Math.max(1, Math.min(24, Math.round((series * parallel) / behind))) };
}

const LETTERS = 'ABCDEFGHIJKL';

/** A copy of an option under the next free letter, to be changed and compared. */
export const duplicateOption =
  (id: string): Edit =>
  (job) => {
    const original = job.options.find((option) => option.id === id);
    const letter = [...LETTERS].find((l) => !job.options.some(({ name }) => name.startsWith(`${l} `) || name === l));
    if (!original || !letter) return job;
    const name = `${letter} ${original.name.replace(/^[A-L] /, '')}`.slice(0, 40);
    return {
      ...job,
      options: [
        ...job.options,
        {
          ...original,
          id: freeId(
            letter,
            job.options.map((o) => o.id),
          ),
          name,
        },
      ],
    };
  };

export const renameOption = (id: string, name: string): Edit => changeOption(id, (option) => ({ ...option, name }));

export const removeOption =
  (id: string): Edit =>
  (job) => {
    if (job.options.length < 2) return job;
    const options = job.options.filter((option) => option.id !== id);
    return withoutLostDevices({ ...job, options });
  };
