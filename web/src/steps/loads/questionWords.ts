import type { Question } from '@joulemetric/core';

/** A question about confused units, in plain words. */
export function questionWords({ code, found, meant }: Question): string {
  switch (code) {
    case 'power-per-time':
      return `“${found}”: watts are already per time. ${meant ? `${meant}?` : ''}`;
    case 'current-per-time':
      return `“${found}”: amps are already a rate. ${meant}?`;
    case 'energy-per-hour':
      return `“${found}”: watt-hours in an hour are watts. ${meant}?`;
    case 'charge-per-hour':
      return `“${found}”: amp-hours in an hour are amps. ${meant}?`;
    case 'power-of-battery':
      return `“${found}”: a battery holds kilowatt-hours. ${meant}?`;
    case 'breaker':
      return `“${found}” is what protects the cable, not what the appliance takes. Read the watts on its label.`;
    case 'label-contradiction':
      return `“${found}” does not go with the volts and amps beside it. ${meant}?`;
    case 'energy-above-power':
      return `“${found}” is more than its watts give in that time. A slip of the decimal point: ${meant}?`;
  }
}
