import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';

/** What a page has round it: a cache of its own that asks once, and a link. */
export function pageAt(path = '/') {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return function Page({ children }: { readonly children: ReactNode }) {
    return (
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[path]}>{children}</MemoryRouter>
      </QueryClientProvider>
    );
  };
}
