import { useEffect } from 'react';
import { useLocation } from 'react-router';

/** Where each place was left: its path with what its link says. It lasts as long as the tab. */
const leftAt = new Map<string, string>();

const isWithin = (pathname: string, place: string) => pathname === place || pathname.startsWith(`${place}/`);

/**
 * Links to places as they were left. A place that one is in already begins anew, at its first page.
 * @param places their paths @param shared those of them that show one link in several ways, which goes along among them
 */
export function usePlaceLinks(
  places: readonly string[],
  shared: readonly string[],
): (place: string) => string {
  const { pathname, search } = useLocation();
  const here = places.find((place) => isWithin(pathname, place));
  useEffect(() => {
    if (here === undefined) return;
    leftAt.set(here, pathname + search);
    if (shared.includes(here)) for (const place of shared) leftAt.set(place, place + search);
  }, [here, pathname, search, shared]);
  return (place) => {
    if (here !== undefined && shared.includes(place) && shared.includes(here)) return place + search;
    return place === here ? place : (leftAt.get(place) ?? place);
  };
}
