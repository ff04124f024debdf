import { useSyncExternalStore } from 'react';

const query = '(min-width: 1000px)';

/** Whether there is room for eight notes side by side. */
export function useWide(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const watched = window.matchMedia(query);
      watched.addEventListener('change', changed);
      return () => watched.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}
