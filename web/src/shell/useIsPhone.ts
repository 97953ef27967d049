import { useSyncExternalStore } from 'react';

const query = matchMedia('(width < 768px)');

/** True at phone widths, where panels become sheets. */
export function useIsPhone(): boolean {
  return useSyncExternalStore(
    (listener) => {
      query.addEventListener('change', listener);
      return () => query.removeEventListener('change', listener);
    },
    () => query.matches,
  );
}
