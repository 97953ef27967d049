/** "Kettle", "Kettle and Toaster", "Kettle, Toaster and 3 more". */
export function namesOf(
  ids: readonly string[],
  loads: readonly { readonly id: string; readonly name: string }[],
  most = 3,
): string {
  const names = [...new Set(ids)].map((id) => loads.find((load) => load.id === id)?.name ?? id);
  const more = names.length - most;
  if (more > 0) return `${names.slice(0, most).join(', ')} and ${more} more`;
  const last = names.at(-1) ?? 'nothing';
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last;
}
