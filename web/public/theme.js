// Before the first paint, so that a van at night is not lit up: the chosen theme, or the device's.
(() => {
  const chosen = localStorage.getItem('joulemetric:theme');
  const dark = matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = chosen ?? (dark ? 'dark' : 'light');
})();
