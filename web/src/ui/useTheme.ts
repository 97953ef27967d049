import { useSyncExternalStore } from 'react';

function subscribe(listener: () => void): () => void {
  const observer = new MutationObserver(listener);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

/** The theme in force, for what draws its colours itself. */
export function useTheme(): string {
  return useSyncExternalStore(subscribe, () => document.documentElement.dataset.theme ?? 'light');
}
