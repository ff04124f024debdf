import type { ReactNode } from 'react';

/** Says what is on its way, in place of what is not there yet. */
export function Loading({ children }: { readonly children: ReactNode }) {
  return (
    <p className="loading" aria-busy="true">
      {children}
    </p>
  );
}
