/** Families of which there may be several, and what they are called where ids have no brackets. */
const FLAT = { inverter: 'device', supply: 'supply' } as const;

/** `inverter[kitchen].rating` is printed as `device.rating.kitchen`: what reads the output counts on it. */
export const flatId = (id: string): string =>
  id.replace(
    /^(\w+)\[(.+)\]\.([\w-]+)$/,
    (_, name: string, instance: string, key: string) =>
      `${name in FLAT ? FLAT[name as keyof typeof FLAT] : name}.${key}.${instance}`,
  );

/** An answer with the ids of its figures flat, wherever they stand. */
export function withFlatIds(value: unknown, key = ''): unknown {
  if (Array.isArray(value)) return value.map((one) => withFlatIds(one));
  if (value !== null && typeof value === 'object') {
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [flatId(name), withFlatIds(one, name)]));
  }
  return key === 'figure' && typeof value === 'string' ? flatId(value) : value;
}
