/** A free id made from a name: "Water pump" → "water-pump", "water-pump-2" when taken. */
export function freeId(name: string, taken: Iterable<string>): string {
  const slug =
    name
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 30) || 'load';
  const used: ReadonlySet<string> = taken instanceof Set ? taken : new Set(taken);
  for (let n = 1; ; n++) {
    const id = n === 1 ? slug : `${slug}-${n}`;
    if (!used.has(id)) return id;
  }
}
