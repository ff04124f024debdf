import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from '@mui/material/styles';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import type { ThemeChoice } from '@same-song/core/records';
import { useSettings } from '../api/settings.ts';
import { THEME } from './theme.ts';

/** Light, as paper, or dark, as for a stage: base.css has the colours of both. */
export type ColourMode = 'paper' | 'stage';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';
const cache = createCache({ key: 'song', nonce });
const dark = window.matchMedia('(prefers-color-scheme: dark)');

function subscribe(changed: () => void): () => void {
  dark.addEventListener('change', changed);
  return () => dark.removeEventListener('change', changed);
}

function modeFor(choice: ThemeChoice, systemDark: boolean): ColourMode {
  if (choice === 'system') return systemDark ? 'stage' : 'paper';
  return choice;
}

/** The ground in force: the user's choice, or the system's. */
export function useColourMode(): ColourMode {
  const { settings } = useSettings();
  const systemDark = useSyncExternalStore(subscribe, () => dark.matches);
  return modeFor(settings.theme, systemDark);
}

export function SongTheme({ children }: { children: ReactNode }) {
  const ground = useColourMode();
  useEffect(() => {
    document.documentElement.dataset['theme'] = ground;
  }, [ground]);
  return (
    <CacheProvider value={cache}>
      <ThemeProvider theme={THEME}>{children}</ThemeProvider>
    </CacheProvider>
  );
}
