import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, redirect } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { RequestError } from './api/client.ts';
import { Frame } from './frame/Frame.tsx';
import { prefetched } from './frame/lazyPart.tsx';
import { LostPage, TroublePage } from './frame/TroublePage.tsx';
import { SongTheme } from './theme/SongTheme.tsx';
import './theme/fonts.css';
import './theme/base.css';

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

const router = createBrowserRouter([
  {
    path: '/',
    element: <Frame />,
    errorElement: <TroublePage />,
    children: [
      { index: true, element: <Navigate to="/map" replace /> },
      {
        path: 'map',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({ Component: (await import('./map/MapPage.tsx')).MapPage })),
      },
      // At once, so that no key pressed meanwhile is answered by a page that is left again.
      { path: 'keys', loader: ({ request }) => redirect(`/keys/table${new URL(request.url).search}`) },
      {
        path: 'keys/:view',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({ Component: (await import('./keys/KeysPage.tsx')).KeysPage })),
      },
      {
        path: 'songs',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({
          Component: (await import('./songs/library/SongsPage.tsx')).SongsPage,
        })),
      },
      {
        path: 'songs/:id',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({ Component: (await import('./songs/page/SongPage.tsx')).SongPage })),
      },
      {
        path: 'practice/play/:id',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({
          Component: (await import('./practice/stand/PlayPage.tsx')).PlayPage,
        })),
      },
      {
        path: 'practice/:view?',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({
          Component: (await import('./practice/PracticePage.tsx')).PracticePage,
        })),
      },
      {
        path: 'cabinet/:id?',
        errorElement: <TroublePage />,
        HydrateFallback: () => null,
        lazy: prefetched(async () => ({
          Component: (await import('./cabinet/CabinetPage.tsx')).CabinetPage,
        })),
      },
      { path: '*', element: <LostPage /> },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <SongTheme>
        <RouterProvider router={router} />
      </SongTheme>
    </QueryClientProvider>
  </StrictMode>,
);
