/**
 * Remembers what was made of a thing for as long as all that it was made from is the very same. What goes by identity
 * afterwards, explaining and comparing, passes over what did not change.
 * @param kept how many are kept of each thing, the newest first
 */
export function remembering<Of extends object, Made>(
  kept = 1,
): (of: Of, from: readonly unknown[], make: () => Made) => Made {
  const known = new WeakMap<Of, { readonly from: readonly unknown[]; readonly made: Made }[]>();
  return (of, from, make) => {
    const all = known.get(of) ?? [];
    const found = all.find((one) => isSame(one.from, from));
    if (found) return found.made;
    const made = make();
    known.set(of, [{ from, made }, ...all].slice(0, kept));
    return made;
  };
}

const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((part, i) => Object.is(part, b[i]));
