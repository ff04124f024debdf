import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useNavigate } from 'react-router';
import { usePlaceLinks } from './usePlaceLinks.ts';

const PLACES = ['/map', '/keys', '/songs', '/cabinet'];
const SHARED = ['/map', '/keys'];
const inRouter = ({ children }: { readonly children: ReactNode }) => (
  <MemoryRouter initialEntries={['/map?in=Eb&play=dorian']}>{children}</MemoryRouter>
);

test('each place is come back to as it was left, and its own name leads to its first page', () => {
  const { result } = renderHook(() => ({ to: usePlaceLinks(PLACES, SHARED), go: useNavigate() }), {
    wrapper: inRouter,
  });
  const goTo = (place: string) => act(() => void result.current.go(place));
  const to = (place: string) => result.current.to(place);
  expect(to('/songs')).toBe('/songs');
  // Map and Keys ask about the same thing.
  expect(to('/keys')).toBe('/keys?in=Eb&play=dorian');
  goTo('/songs/abc?on=x&by=2');
  expect(to('/map')).toBe('/map?in=Eb&play=dorian');
  expect(to('/keys')).toBe('/keys?in=Eb&play=dorian');
  expect(to('/songs')).toBe('/songs');
  goTo('/cabinet?bin=1');
  expect(to('/songs')).toBe('/songs/abc?on=x&by=2');
  goTo('/keys?in=A&play=major');
  expect(to('/map')).toBe('/map?in=A&play=major');
  goTo('/songs');
  expect(to('/map')).toBe('/map?in=A&play=major');
  expect(to('/cabinet')).toBe('/cabinet?bin=1');
});
