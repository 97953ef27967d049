interface Named {
  readonly id: string;
  readonly name: string;
}

/** The names of what only the first of two lists has; "" when there is none. */
export function namesOnlyIn(a: readonly Named[], b: readonly Named[]): string {
  const others = new Set(b.map(({ id }) => id));
  return a
    .filter(({ id }) => !others.has(id))
    .map(({ name }) => name)
    .join(', ');
}
