import { useEffect } from 'react';

/** What the tab of the browser and its history say; a screen reader says it when the page changes. */
export function useTitle(...parts: readonly (string | undefined)[]): void {
  const title = [...parts.filter((part) => part), 'Same Song'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
