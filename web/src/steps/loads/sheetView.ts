import type { Load } from '@joulemetric/core';

/** How the list is looked at; the job itself does not change by it. */
export type Grouping = 'none' | 'room' | 'circuit';

export type SheetItem =
  | { readonly kind: 'load'; readonly load: Load; readonly index: number }
  | { readonly kind: 'group'; readonly name: string; readonly loads: number; readonly batteryWh: number };

/**
 * The rows of the sheet: loads whose name, room, circuit or path contains every typed word, under the head of
 * their group. Groups stand in the order in which they first occur; what has none comes last.
 */
export function sheetItems(
  loads: readonly Load[],
  batteryWh: (index: number) => number,
  grouping: Grouping,
  filter: string,
): SheetItem[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  const found = loads.flatMap((load, index): Extract<SheetItem, { kind: 'load' }>[] =>
    words.every((word) => textOf(load).includes(word)) ? [{ kind: 'load', load, index }] : [],
  );
  if (grouping === 'none') return found;
  const groups = new Map<string, Extract<SheetItem, { kind: 'load' }>[]>();
  for (const item of found) {
    const name = item.load[grouping].trim();
    groups.set(name, [...(groups.get(name) ?? []), item]);
  }
  const unnamed = groups.get('') ?? [];
  groups.delete('');
  const ordered = [...groups, ...(unnamed.length > 0 ? [['', unnamed] as const] : [])];
  return ordered.flatMap(([name, items]): SheetItem[] => [
    {
      kind: 'group',
      name,
      loads: items.length,
      batteryWh: items.reduce((sum, { index }) => sum + batteryWh(index), 0),
    },
    ...items,
  ]);
}

const textOf = ({ name, room, circuit, path, evidence }: Load): string =>
  `${name} ${room} ${circuit} ${path} ${evidence}`.toLowerCase();
