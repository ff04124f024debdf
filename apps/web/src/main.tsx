import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, type ComponentType } from 'react';
import { createRoot } from 'react-dom/client';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { RequestError } from './api/client.ts';
import { Frame } from './frame/Frame.tsx';
import { lazyPart } from './frame/lazyPart.tsx';
import { LostPage, TroublePage } from './frame/TroublePage.tsx';
import { SongTheme } from './theme/SongTheme.tsx';
import './theme/fonts.css';
import './theme/base.css';
import './theme/layout.css';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      networkMode: 'always',
      retry: (count, error) => count < 2 && !(error instanceof RequestError && error.body.status >= 400),
    },
    mutations: { networkMode: 'always' },
  },
});

/** A place, fetched when it is first opened, or ahead. */
const page = (load: () => Promise<ComponentType>) => lazyPart('This page', load);

const MapPage = page(async () => (await import('./map/MapPage.tsx')).MapPage);
const KeysPage = page(async () => (await import('./keys/KeysPage.tsx')).KeysPage);
const SongsPage = page(async () => (await import('./songs/library/SongsPage.tsx')).SongsPage);
const SongPage = page(async () => (await import('./songs/page/SongPage.tsx')).SongPage);
const PlayPage = page(async () => (await import('./practice/stand/PlayPage.tsx')).PlayPage);
const PracticePage = page(async () => (await import('./practice/PracticePage.tsx')).PracticePage);
const CabinetPage = page(async () => (await import('./cabinet/CabinetPage.tsx')).CabinetPage);

function KeysRedirect() {
  return <Navigate to={`/keys/table${useLocation().search}`} replace />;
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <SongTheme>
        <BrowserRouter>
          <ErrorBoundary FallbackComponent={TroublePage}>
            <Routes>
              <Route path="/" element={<Frame />}>
                <Route index element={<Navigate to="/map" replace />} />
                <Route path="map" element={<MapPage />} />
                <Route path="keys" element={<KeysRedirect />} />
                <Route path="keys/:view" element={<KeysPage />} />
                <Route path="songs" element={<SongsPage />} />
                <Route path="songs/:id" element={<SongPage />} />
                <Route path="practice/play/:id" element={<PlayPage />} />
                <Route path="practice/:view?" element={<PracticePage />} />
                <Route path="cabinet/:id?" element={<CabinetPage />} />
                <Route path="*" element={<LostPage />} />
              </Route>
            </Routes>
          </ErrorBoundary>
        </BrowserRouter>
      </SongTheme>
    </QueryClientProvider>
  </StrictMode>,
);
