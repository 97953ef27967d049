import { isUnitWord } from './columns.ts';

/** Where the columns of a table are named, and where its readings begin. */
export interface TableHead {
  readonly heads: readonly string[];
  /** Rows before the first reading: what a meter says of itself, the names, and a row of units. */
  readonly before: number;
}

/** Rows of a meter's own words before the names, at most. */
const MOST_BEFORE = 40;

/**
 * Finds the row that names the columns: the first that has as many cells as most of the rows after it, one of them
 * without a digit. A row of units below it ("s;V;A;W") belongs to the names. Null where no row names anything.
 * @param rows the first rows of the table, empty ones with them
 */
export function headOfTable(rows: readonly (readonly string[])[]): TableHead | null {
  const isEmpty = (row: readonly string[]): boolean => row.every((cell) => cell.trim() === '');
  const widths = rows.filter((row) => !isEmpty(row)).map(({ length }) => length);
  const counts = new Map<number, number>();
  for (const width of widths) counts.set(width, (counts.get(width) ?? 0) + 1);
  const usual = [...counts].sort(([a, n], [b, m]) => m - n || b - a)[0]?.[0];
  if (usual === undefined) return null;
  const at = rows.findIndex(
    (row, i) =>
      i < MOST_BEFORE && !isEmpty(row) && row.length >= usual && row.some((cell) => /^[^\d]+$/.test(cell.trim())),
  );
  const names = rows[at];
  if (names === undefined) return null;
  const units = rows[at + 1];
  const hasUnits =
    units !== undefined &&
    !isEmpty(units) &&
    units.every((cell) => cell.trim() === '' || isUnitWord(cell.trim().replace(/^[([{]|[)\]}]$/g, '')));
  if (!hasUnits) return { heads: names, before: at + 1 };
  const heads = names.map((name, i) => {
    const unit = (units[i] ?? '').trim().replace(/^[([{]|[)\]}]$/g, '');
    return unit === '' ? name : `${name.trim()} (${unit})`;
  });
  return { heads, before: at + 2 };
}
