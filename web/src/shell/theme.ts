/** The theme lives on the document; `theme.js` sets it before the first paint. */
export function toggleTheme(): void {
  const root = document.documentElement;
  const next = root.dataset.theme === 'dark' ? 'light' : 'dark';
  root.dataset.theme = next;
  localStorage.setItem('joulemetric:theme', next);
}
