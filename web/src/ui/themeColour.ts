const known = new Map<string, string>();

/** The page's colours by name, for what is drawn on a canvas; read once a theme, since reading makes the page lay out. */
export function themeColour(): (name: string) => string {
  const theme = document.documentElement.dataset.theme ?? '';
  return (name) => {
    const key = `${theme} ${name}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    const colour = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    known.set(key, colour);
    return colour;
  };
}
