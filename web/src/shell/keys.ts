/** Keys without Ctrl, Alt or the like: in a field they are text. */
export const isPlain = (keys: string): boolean => !/\+./.test(keys.replace(/^Shift\+/, ''));

/** As a reader knows them: "Ctrl Z", "G, then L". */
export const shownKeys = (keys: string): string =>
  keys
    .split(' ')
    .map((press) =>
      press
        .split('+')
        .map((key) => (key === '$mod' ? 'Ctrl' : key.length === 1 ? key.toUpperCase() : key))
        .join(' '),
    )
    .join(', then ');
