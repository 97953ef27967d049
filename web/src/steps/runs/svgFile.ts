/** Colours of the page that a drawing uses, as they are on paper. */
const ON_PAPER: Readonly<Record<string, string>> = {
  '--paper': '#ffffff',
  '--ink-2': '#55585a',
  '--copper': '#a8501d',
  '--wash': '#ffffff',
};

/** A drawing as a file of its own: its colours said, no page around it. */
export function svgFile(drawing: SVGSVGElement, title: string): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawing.viewBox.baseVal;
  copy.removeAttribute('class');
  copy.removeAttribute('style');
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  copy.setAttribute('color', '#1b1c1d');
  copy.setAttribute('font-family', 'Helvetica, Arial, sans-serif');
  for (const part of copy.querySelectorAll('[class],[role],[tabindex],[aria-label],[aria-pressed]'))
    for (const name of ['class', 'role', 'tabindex', 'aria-label', 'aria-pressed']) part.removeAttribute(name);
  const heading = document.createElementNS('http://www.w3.org/2000/svg', 'title');
  heading.textContent = title;
  copy.prepend(heading);
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[\w-]+)\)/g, (all, name) => ON_PAPER[name] ?? all);
}
