import type { Fault } from './fault.ts';
import type { System } from './schema.ts';

/** What a schema cannot say of all-in-one units: what is in one is there, and in no other. */
export function* allInOneFaults({ allInOnes, devices, arrays, chargers }: System, path: string): Generator<Fault> {
  const taken = new Set<string>();
  const fault = (at: string, what: string, id: string, isThere: boolean): Fault | null => {
    const key = `${what} ${id}`;
    const isFree = !taken.has(key);
    taken.add(key);
    return isThere && isFree
      ? null
      : { path: at, expected: `the id of ${what} of this option that is in no other all-in-one unit`, found: id };
  };
  for (const [u, unit] of allInOnes.entries()) {
    const at = `${path}/${u}`;
    const found = [
      fault(
        `${at}/inverter`,
        'an inverter',
        unit.inverter,
        devices.some(({ id, kind }) => kind === 'inverter' && id === unit.inverter),
      ),
      ...unit.arrays.map((id, a) =>
        fault(
          `${at}/arrays/${a}`,
          'an array',
          id,
          (arrays ?? []).some((array) => array.id === id),
        ),
      ),
      unit.charger === null
        ? null
        : fault(
            `${at}/charger`,
            'a charger',
            unit.charger,
            chargers.some(({ id }) => id === unit.charger),
          ),
    ];
    for (const one of found) if (one) yield one;
  }
}

/** The units of a system with nothing left in them that is not there any more; one without its inverter goes. */
export function wholeAllInOnes({ allInOnes, devices, arrays, chargers }: System): System['allInOnes'] {
  const kept = allInOnes.flatMap((unit) => {
    if (!devices.some(({ id }) => id === unit.inverter)) return [];
    const left = unit.arrays.filter((id) => (arrays ?? []).some((array) => array.id === id));
    const charger = chargers.some(({ id }) => id === unit.charger) ? unit.charger : null;
    return left.length === unit.arrays.length && charger === unit.charger
      ? [unit]
      : [{ ...unit, arrays: left, charger }];
  });
  return kept.length === allInOnes.length && kept.every((unit, i) => unit === allInOnes[i]) ? allInOnes : kept;
}
