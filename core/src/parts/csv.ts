import { fieldsOfKind, PART_FIELDS, PART_KINDS, type Part, type PartField, type PartKind } from '../job/partFields.ts';

/** The parts list as a table: one column for each field that any kind has. */
export const PART_COLUMNS = [
  'kind',
  'name',
  'chemistry',
  'type',
  ...(Object.keys(PART_FIELDS) as PartField[]),
] as const;

export type PartRow = Readonly<Record<string, string>>;

export function partToRow(part: Part): Record<string, string> {
  const known = part as unknown as Readonly<Record<string, number | string | null>>;
  return Object.fromEntries(PART_COLUMNS.map((column) => [column, String(known[column] ?? '')]));
}

export interface PartRows {
  readonly parts: readonly unknown[];
  readonly faults: readonly { readonly line: number; readonly problem: string }[];
}

/** Rows made into parts; ranges are left to whoever checks the part. Empty cells are "not known". */
export function partsFromRows(rows: readonly PartRow[]): PartRows {
  const parts: unknown[] = [];
  const faults: { line: number; problem: string }[] = [];
  for (const [i, row] of rows.entries()) {
    const line = i + 2;
    const kind = (row.kind ?? '').trim() as PartKind;
    if (!Object.hasOwn(PART_KINDS, kind)) {
      faults.push({ line, problem: `kind: expected one of ${Object.keys(PART_KINDS).join(', ')}, found “${kind}”` });
      continue;
    }
    const values: Record<string, number | null> = {};
    let problem = '';
    for (const key of fieldsOfKind(kind)) {
      const cell = (row[key] ?? '').trim().replace(',', '.');
      const value = cell === '' ? null : Number(cell);
      if (value !== null && !Number.isFinite(value)) problem ||= `${key}: “${cell}” is no number`;
      values[key] = value;
    }
    const alien = (Object.keys(PART_FIELDS) as PartField[]).find(
      (key) => !fieldsOfKind(kind).includes(key) && (row[key] ?? '').trim() !== '',
    );
    if (alien) problem ||= `${alien}: a ${PART_KINDS[kind].name.toLowerCase()} has no such figure`;
    if (problem) faults.push({ line, problem });
    else
      parts.push({
        kind,
        name: (row.name ?? '').trim(),
        ...(kind === 'battery' ? { chemistry: (row.chemistry ?? '').trim().toLowerCase() } : {}),
        ...(kind === 'controller' ? { type: (row.type ?? '').trim().toLowerCase() } : {}),
        ...values,
      });
  }
  return { parts, faults };
}
