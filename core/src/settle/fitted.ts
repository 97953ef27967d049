import { blankString } from '../job/blank.ts';
import type { Device, Job } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import type { Settled } from './settle.ts';

/** Devices already fitted, so that each stays the same object. */
const remembered = remembering<Device, Device>();

/** The job with every size as it is settled, so that another month changes the day and not what is fitted. */
export function asFitted({ option, store, driving, solar, inverters }: Settled, asStored: Job): Job {
  const { system } = option;
  const isLeft = [system.store.strings, system.driving, system.arrays].includes(null);
  if (!isLeft && system.devices.every((device) => device.kind !== 'inverter' || device.ratingW !== null))
    return asStored;
  const fitted = {
    ...system,
    store: { ...system.store, strings: system.store.strings ?? fittedString(store.ah) },
    devices: system.devices.map((device) => {
      const sized = inverters.find((one) => one.device.id === device.id);
      if (device.kind !== 'inverter' || !sized || !(sized.ratingW > 0)) return device;
      return remembered(device, [sized.ratingW], () => ({ ...device, ratingW: sized.ratingW }));
    }),
    driving: driving.links.map(({ link }) => link),
    arrays: [...solar.arrays],
  };
  return {
    ...asStored,
    options: asStored.options.map((one) => (one.id === option.id ? { ...one, system: fitted } : one)),
  };
}

const fittedString = (ah: number) => (ah > 0 ? [blankString('required', 'As required', ah)] : null);
